using System.CommandLine;
using System.Diagnostics;
using System.Globalization;
using System.Text.Json;
using HourGrid.Bench;
using HourGrid.Bench.Degree;
using HourGrid.Bench.Ladder;
using HourGrid.Bench.University;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Catalogue;

CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;

var rungs = new Option<string[]>("--rung") { Description = "Only this rung; may be given again." };
var json = new Option<FileInfo>("--json") { Description = "Writes the figures to this file, too." };
var noPeers = new Option<bool>("--no-peers") { Description = "Leaves the peers out." };
var one = new Option<string>("--measure") { Description = "Measures one rung and prints it as JSON.", Hidden = true };
var catalogueOnly = new Option<bool>("--catalogue") { Description = "Only the catalogue of a large university." };
var university = new Option<bool>("--measure-catalogue")
{
    Description = "Measures it and prints JSON.",
    Hidden = true,
};
var catalogueOf = new Option<string>("--catalogue-of")
{
    Description = "Writes the catalogue of a rung, to be served.",
};
var universityOf = new Option<int>("--university-of")
{
    Description = "Writes the catalogue of a university with so many courses, to be imported.",
};
var degreeOnly = new Option<bool>("--degree") { Description = "Only requirements: audits, offers, terms ahead." };
var degree = new Option<bool>("--measure-degree") { Description = "Measures them and prints JSON.", Hidden = true };
var root = new RootCommand("Measures the engine on the made ladder, beside its peers, and a large catalogue.")
{
    rungs,
    catalogueOnly,
    json,
    noPeers,
    one,
    university,
    catalogueOf,
    universityOf,
    degreeOnly,
    degree,
};
root.SetAction(parsed =>
{
    if (parsed.GetValue(one) is { } name)
    {
        var measured = RungBench.Measure(Rungs.Get(name), withPeers: !parsed.GetValue(noPeers));
        Console.WriteLine(JsonSerializer.Serialize(measured));
        return 0;
    }
    if (parsed.GetValue(university))
    {
        Console.WriteLine(JsonSerializer.Serialize(CatalogueBench.Measure()));
        return 0;
    }
    if (parsed.GetValue(degree))
    {
        var demo = Path.Combine(Environment.GetEnvironmentVariable("HG_ROOT") ?? ".", "demo");
        Console.WriteLine(JsonSerializer.Serialize(DegreeBench.Measure(demo)));
        return 0;
    }
    if (parsed.GetValue(degreeOnly))
    {
        Console.WriteLine(Apart<DegreeReport>("degree", "--measure-degree"));
        return 0;
    }
    if (parsed.GetValue(catalogueOf) is { } served)
        return Write(Rungs.Get(served).Catalogue);
    if (parsed.GetValue(universityOf) is > 0 and var courses)
        return Write(LargeUniversity.Make(courses));
    if (parsed.GetValue(catalogueOnly))
    {
        Console.WriteLine(Apart<CatalogueReport>("catalogue", "--measure-catalogue"));
        return 0;
    }
    var wanted = parsed.GetValue(rungs) is { Length: > 0 } named ? named : [.. Rungs.All.Select(rung => rung.Name)];
    var reports = wanted
        .Select(rung =>
            parsed.GetValue(noPeers)
                ? Apart<RungReport>(rung, "--measure", rung, "--no-peers")
                : Apart<RungReport>(rung, "--measure", rung)
        )
        .ToList();
    Console.WriteLine(Table.Of(reports));
    if (parsed.GetValue(rungs) is not { Length: > 0 })
    {
        Console.WriteLine(Apart<CatalogueReport>("catalogue", "--measure-catalogue"));
        Console.WriteLine(Apart<DegreeReport>("degree", "--measure-degree"));
    }
    if (parsed.GetValue(json) is { } file)
        File.WriteAllText(file.FullName, JsonSerializer.Serialize(reports, Written.Indented));
    return 0;
});
return root.Parse(args).Invoke();

static int Write(UniversityCatalogue catalogue)
{
    using var output = Console.OpenStandardOutput();
    output.Write(CatalogueJson.Write(catalogue));
    return 0;
}

static T Apart<T>(string what, params string[] arguments)
{
    Console.Error.WriteLine($"{what} …");
    using var process = Process.Start(
        new ProcessStartInfo("dotnet", [Environment.GetCommandLineArgs()[0], .. arguments])
        {
            RedirectStandardOutput = true,
        }
    )!;
    var output = process.StandardOutput.ReadToEnd();
    process.WaitForExit();
    return JsonSerializer.Deserialize<T>(output)
        ?? throw new InvalidOperationException($"Measuring {what} gave nothing.");
}

internal static class Written
{
    public static readonly JsonSerializerOptions Indented = new() { WriteIndented = true };
}
