using System.CommandLine;
using System.Diagnostics;
using System.Globalization;
using System.Text.Json;
using HourGrid.Bench;
using HourGrid.Bench.Ladder;

CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;

var rungs = new Option<string[]>("--rung") { Description = "Only this rung; may be given again." };
var json = new Option<FileInfo>("--json") { Description = "Writes the figures to this file, too." };
var noPeers = new Option<bool>("--no-peers") { Description = "Leaves the peers out." };
var one = new Option<string>("--measure") { Description = "Measures one rung and prints it as JSON.", Hidden = true };
var root = new RootCommand("Measures the engine on the made ladder, beside its peers.") { rungs, json, noPeers, one };
root.SetAction(parsed =>
{
    if (parsed.GetValue(one) is { } name)
    {
        var measured = RungBench.Measure(Rungs.Get(name), withPeers: !parsed.GetValue(noPeers));
        Console.WriteLine(JsonSerializer.Serialize(measured));
        return 0;
    }
    var wanted = parsed.GetValue(rungs) is { Length: > 0 } named ? named : [.. Rungs.All.Select(rung => rung.Name)];
    var reports = wanted.Select(rung => MeasureApart(rung, parsed.GetValue(noPeers))).ToList();
    Console.WriteLine(Table.Of(reports));
    if (parsed.GetValue(json) is { } file)
        File.WriteAllText(file.FullName, JsonSerializer.Serialize(reports, Formats.Indented));
    return 0;
});
return root.Parse(args).Invoke();

static RungReport MeasureApart(string rung, bool withoutPeers)
{
    Console.Error.WriteLine($"{rung} …");
    string[] arguments =
    [
        Environment.GetCommandLineArgs()[0],
        "--measure",
        rung,
        .. withoutPeers ? new[] { "--no-peers" } : [],
    ];
    using var process = Process.Start(new ProcessStartInfo("dotnet", arguments) { RedirectStandardOutput = true })!;
    var output = process.StandardOutput.ReadToEnd();
    process.WaitForExit();
    return JsonSerializer.Deserialize<RungReport>(output)
        ?? throw new InvalidOperationException($"Measuring {rung} gave nothing.");
}

internal static class Formats
{
    public static readonly JsonSerializerOptions Indented = new() { WriteIndented = true };
}
