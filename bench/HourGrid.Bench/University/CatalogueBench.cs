using System.Diagnostics;
using System.Text.Json;
using HourGrid.Bench.Ladder;
using HourGrid.Core.Searching;
using HourGrid.Data;
using HourGrid.Data.Catalogue;
using HourGrid.Formats.Catalogue;

namespace HourGrid.Bench.University;

/// <summary>What a large university's catalogue costs; the times in milliseconds.</summary>
/// <param name="Courses">Its courses.</param>
/// <param name="Sections">Its sections.</param>
/// <param name="FileMegabytes">Its file.</param>
/// <param name="ParseMs">Merely parsing the JSON of the file: the least that reading it can take.</param>
/// <param name="InsertMs">Merely inserting its rows with prepared statements: the least that writing it can take.</param>
/// <param name="ImportMs">Reading the file and bringing it into an empty database.</param>
/// <param name="AgainMs">The same file once more, over itself.</param>
/// <param name="PeakMegabytes">The most memory of this process, its imports included.</param>
/// <param name="StartMs">From the start of the server until it answers, with the catalogue in its database.</param>
/// <param name="StartWithFileMs">The same where a first catalogue is named, too.</param>
/// <param name="ServerMegabytes">The memory of the server once it answers.</param>
/// <param name="ReadMs">Reading it out of the database and making its index.</param>
/// <param name="FirstSuggestionsMs">The suggestions for what is typed first, at the server, median of different words.</param>
/// <param name="SearchMs">A narrowed search with its page and what it hides, at the server, median of different ones.</param>
/// <param name="SlowestSearchMs">The slowest of them.</param>
internal sealed record CatalogueReport(
    int Courses,
    int Sections,
    double FileMegabytes,
    double ParseMs,
    double InsertMs,
    double ImportMs,
    double AgainMs,
    double PeakMegabytes,
    double StartMs,
    double StartWithFileMs,
    double ServerMegabytes,
    double ReadMs,
    double FirstSuggestionsMs,
    double SearchMs,
    double SlowestSearchMs
)
{
    public override string ToString() =>
        $"""
            {Courses:N0} courses, {Sections:N0} sections, {FileMegabytes:F1} MB of JSON
            import      {ImportMs / 1000:F1} s ({ImportMs
                / (
                    ParseMs + InsertMs
                ):F1} times parsing it, {ParseMs:F0} ms, and inserting its rows, {InsertMs:F0} ms), again {AgainMs
                / 1000:F1} s, peak {PeakMegabytes:F0} MB
            start       {StartMs / 1000:F1} s, with a first catalogue named {StartWithFileMs
                / 1000:F1} s ({StartWithFileMs
                / StartMs:F2} times), {ServerMegabytes:F0} MB; read and indexed in {ReadMs:F0} ms
            search      first suggestions {FirstSuggestionsMs:F2} ms, narrowed {SearchMs:F2} ms (slowest {SlowestSearchMs:F1} ms)
            """;
}

/// <summary>Measures the catalogue of a large university, from its file to a page of a search.</summary>
internal static class CatalogueBench
{
    private const int Searches = 400;
    private const int PageSize = 50;

    public static CatalogueReport Measure()
    {
        var folder = Directory.CreateTempSubdirectory("hour-grid-bench-");
        try
        {
            return MeasureAsync(DatabaseFile.In(folder.FullName)).GetAwaiter().GetResult();
        }
        finally
        {
            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            folder.Delete(recursive: true);
        }
    }

    private static async Task<CatalogueReport> MeasureAsync(string path)
    {
        var file = CatalogueJson.Write(LargeUniversity.Make());
        var import = await ImportAsync(path, file);
        var parse = Time(() => JsonDocument.Parse(file).Dispose());
        var insert = PlainInserts.Measure(Path.Combine(Path.GetDirectoryName(path)!, "catalogue-1.db"));
        var again = await ImportAsync(path, file);
        var peak = RungBench.PeakMegabytes();
        var start = Stopwatch.GetTimestamp();
        KeptCatalogue kept;
        await using (var database = DatabaseFile.Open(path))
            kept = (await CatalogueReading.ReadAsync(database))!;
        var index = new CourseIndex(kept.Catalogue.SnapshotOf(kept.Catalogue.Terms[0].Id)!);
        var read = Stopwatch.GetElapsedTime(start).TotalMilliseconds;
        var folder = Path.GetDirectoryName(path)!;
        var firstCatalogue = Path.Combine(folder, "first.catalogue.json");
        await File.WriteAllBytesAsync(firstCatalogue, file);
        double startWithFile;
        using (var other = new MeasuredServer(folder, $"--FirstCatalogue={firstCatalogue}"))
            startWithFile = other.StartMs;
        using var server = new MeasuredServer(folder);
        var megabytes = server.Megabytes;
        var term = $"/api/terms/{CourseMaker.Term.Id}";
        var suggestions = Times(dice => server.Get($"{term}/courses?query={LargeUniversity.Word(dice)[..2]}"));
        var searches = Times(dice =>
            server.Get($"{term}/search?first=0&count={PageSize}&{Search(index.Facets, dice)}")
        );
        return new(
            kept.Catalogue.Courses.Count,
            kept.Catalogue.Courses.Sum(course => course.Sections.Count),
            file.Length / 1e6,
            parse,
            insert,
            import,
            again,
            peak,
            server.StartMs,
            startWithFile,
            megabytes,
            read,
            suggestions[suggestions.Length / 2],
            searches[searches.Length / 2],
            searches[^1]
        );
    }

    private static async Task<double> ImportAsync(string path, byte[] file)
    {
        var start = Stopwatch.GetTimestamp();
        await DatabaseFile.PrepareAsync(path);
        await using var database = DatabaseFile.Open(path);
        await CatalogueImport.ImportAsync(database, CatalogueJson.Read(file).Value, DateTime.UtcNow);
        return Stopwatch.GetElapsedTime(start).TotalMilliseconds;
    }

    private static double Time(Action run)
    {
        var start = Stopwatch.GetTimestamp();
        run();
        return Stopwatch.GetElapsedTime(start).TotalMilliseconds;
    }

    /// <summary>Different ones each time, after some that warm up; sorted.</summary>
    private static double[] Times(Action<Dice> run)
    {
        var dice = new Dice(99);
        for (var i = 0; i < Searches / 4; i++)
            run(dice);
        var times = new double[Searches];
        for (var i = 0; i < Searches; i++)
        {
            var start = Stopwatch.GetTimestamp();
            run(dice);
            times[i] = Stopwatch.GetElapsedTime(start).TotalMilliseconds;
        }
        Array.Sort(times);
        return times;
    }

    /// <summary>Words and a narrowing, as they stand in an address.</summary>
    private static string Search(Facets facets, Dice dice)
    {
        List<string> sides = [$"seats={dice.Pick(["any", "waitlist", "open"])}"];
        Maybe(50, () => $"query={LargeUniversity.Word(dice)[..(2 + dice.Below(3))]}");
        Maybe(20, () => $"subject={dice.Pick([.. facets.Subjects])}");
        Maybe(20, () => $"attribute={Uri.EscapeDataString(dice.Pick([.. facets.Attributes]))}");
        Maybe(50, () => $"campus={dice.Pick(CourseMaker.Campuses)}");
        Maybe(40, () => "day=tue&day=thu&day=fri");
        Maybe(50, () => $"hours={8 + dice.Below(4):00}:00-{15 + dice.Below(5)}:00");
        Maybe(30, () => "mode=inPerson");
        return string.Join('&', sides);

        void Maybe(int percent, Func<string> side)
        {
            if (dice.Percent(percent))
                sides.Add(side());
        }
    }
}
