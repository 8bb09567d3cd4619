using System.Text.Json.Nodes;

namespace HourGrid.Server.Tests;

/// <summary>The command line brings catalogues into the data of a running server and out of it.</summary>
public sealed class ImportTests : IDisposable
{
    private readonly RunningServer server = new();
    private readonly DirectoryInfo folder = Directory.CreateTempSubdirectory("hour-grid-import-");

    public void Dispose()
    {
        server.Dispose();
        folder.Delete(recursive: true);
    }

    [Theory]
    [InlineData("json")]
    [InlineData("csv")]
    public async Task What_is_exported_and_imported_again_changes_nothing(string kind)
    {
        await server.StudentAsync();
        var file = PathOf($"out.{kind}");
        Assert.Equal(0, Run("export", file).Status);
        var (status, output, error) = Run("import", file);
        Assert.Equal((0, ""), (status, error));
        Assert.Contains("70 courses, 505 sections, 2 terms", output, StringComparison.Ordinal);
        Assert.Equal(7, output.Split('\n').Count(line => line.EndsWith(": 0", StringComparison.Ordinal)));
        Assert.Equal(0, Run("export", PathOf($"again.{kind}")).Status);
        Assert.Equal(File.ReadAllText(file), File.ReadAllText(PathOf($"again.{kind}")));
    }

    /// <summary>The disk may fail; students go on with the catalogue before, and importing again mends it.</summary>
    [Fact]
    public async Task A_server_that_cannot_use_the_newest_catalogue_serves_the_one_before()
    {
        using var student = await server.StudentAsync();
        var file = PathOf("out.json");
        Assert.Equal(0, Run("export", file).Status);
        await File.WriteAllTextAsync(
            file,
            (await File.ReadAllTextAsync(file)).Replace("Saltmere University", "Newer", StringComparison.Ordinal)
        );
        Assert.Equal(0, Run("import", file).Status);
        await File.WriteAllTextAsync(Path.Combine(server.DataFolder, "catalogue-2.db"), "what the disk left of it");
        var again = server.Restart(student);
        Assert.Equal("Saltmere University", await InstitutionAsync());
        await again.OpenSketchAsync();
        Assert.Equal(0, Run("import", file).Status);
        await UntilAsync(async () => await InstitutionAsync() == "Newer");

        async Task<string> InstitutionAsync() =>
            PlainSearch.Text(await again.GetAsync("/api/terms").JsonAsync(), "institution");
    }

    [Fact]
    public async Task A_newer_catalogue_reaches_the_server_and_the_sketches_that_hold_its_sections()
    {
        var student = await server.StudentAsync();
        var sketch = await student.OpenSketchAsync();
        var ask = Requests.AskFor("TID 210", "ACO 220");
        var (gone, moved) = ("10306", NumberOf("TID 210", "lecture"));
        ask["wanted"]![0]!["keep"] = new JsonArray(moved);
        ask["wanted"]![1]!["keep"] = new JsonArray(gone);
        var saved = await student.SaveAsync(sketch, ask).JsonAsync();
        Assert.Empty(saved["sketch"]!["sectionChanges"]!.AsArray());

        var newer = JsonNode.Parse(File.ReadAllText(TestPaths.Repository("demo", "saltmere.catalogue.json")))!;
        foreach (var course in newer["courses"]!.AsArray())
        foreach (var section in (course!["sections"]?.AsArray() ?? []).ToArray())
        {
            if (PlainSearch.Text(section!, "number") == gone)
                course["sections"]!.AsArray().Remove(section);
            if (PlainSearch.Text(section!, "number") == moved)
                section!["meetings"]![0]!["start"] = "07:00";
            if (section!["linkedTo"]?.AsArray() is { } links)
                foreach (var link in links.Where(link => link!.GetValue<string>() == gone).ToArray())
                    links.Remove(link);
        }
        await File.WriteAllTextAsync(PathOf("newer.json"), newer.ToJsonString());
        var (status, output, _) = Run("import", PathOf("newer.json"));
        Assert.Equal(0, status);
        Assert.Contains($"sections gone: 1: {gone}", output, StringComparison.Ordinal);
        Assert.Contains($"sections moved: 1: {moved}", output, StringComparison.Ordinal);

        await UntilAsync(async () =>
        {
            var course = await student.GetAsync("/api/terms/2027SP/courses/ACO 220").JsonAsync();
            return course["sections"]!.AsArray().All(one => PlainSearch.Text(one!, "number") != gone);
        });
        var opened = await student.OpenSketchAsync();
        var changes = opened["sectionChanges"]!.AsArray();
        Assert.Equal(
            [(gone, true), (moved, false)],
            changes
                .Select(one => (PlainSearch.Text(one!, "number"), one!["isGone"]!.GetValue<bool>()))
                .OrderByDescending(one => one.Item2)
        );

        // Another student's sketch says nothing; this one is silent once it was read.
        var other = await server.StudentAsync();
        Assert.Empty((await other.OpenSketchAsync())["sectionChanges"]!.AsArray());
        var read = await student.StepAsync(opened, "changes-read").JsonAsync();
        Assert.Empty(read["sketch"]!["sectionChanges"]!.AsArray());
    }

    [Fact]
    public async Task A_bad_file_changes_nothing_and_says_every_place()
    {
        var browser = server.Browser();
        var before = await browser.GetAsync("/api/terms/2027SP/search").JsonAsync();
        Assert.Equal(0, Run("export", PathOf("out.csv")).Status);
        var rows = await File.ReadAllLinesAsync(PathOf("out.csv"));
        rows[3] = rows[3].Replace("lecture", "", StringComparison.Ordinal);
        rows[5] = rows[5].Replace(",open,", ",ajar,", StringComparison.Ordinal);
        await File.WriteAllLinesAsync(PathOf("bad.csv"), rows);
        var (status, output, error) = Run("import", PathOf("bad.csv"));
        Assert.Equal((2, ""), (status, output));
        Assert.Contains("row 4, component", error, StringComparison.Ordinal);
        Assert.Contains(
            "row 6, status: found \"ajar\"; expected one of open, closed, cancelled",
            error,
            StringComparison.Ordinal
        );
        Assert.Contains("nothing was changed", error, StringComparison.Ordinal);
        Assert.Equal(
            before.ToJsonString(),
            (await browser.GetAsync("/api/terms/2027SP/search").JsonAsync()).ToJsonString()
        );

        Assert.Equal(2, Run("import", PathOf("absent.json")).Status);
        Assert.Equal(2, Run("import", PathOf("out.txt")).Status);
        Assert.Equal(2, Run("export", PathOf("out.txt")).Status);
    }

    /// <summary>A file that was cut off where nothing tells: as much as it would take away is not taken without being told to.</summary>
    [Theory]
    [InlineData(0.25)]
    [InlineData(0.5)]
    [InlineData(0.75)]
    [InlineData(0.85)]
    public async Task What_takes_much_away_is_only_done_when_it_is_meant(double kept)
    {
        var browser = server.Browser();
        var before = (await browser.GetAsync("/api/terms/2027SP/search").JsonAsync()).ToJsonString();
        Assert.Equal(0, Run("export", PathOf("out.csv")).Status);
        var rows = await File.ReadAllLinesAsync(PathOf("out.csv"));
        await File.WriteAllLinesAsync(PathOf("cut.csv"), rows.SkipLast(1).Take((int)(rows.Length * kept)));
        var (status, output, error) = Run("import", PathOf("cut.csv"));
        Assert.Equal((2, ""), (status, output));
        Assert.Contains("would go: ", error, StringComparison.Ordinal);
        Assert.Contains("nothing was changed", error, StringComparison.Ordinal);
        Assert.Equal(before, (await browser.GetAsync("/api/terms/2027SP/search").JsonAsync()).ToJsonString());
        var meant = Run("import", PathOf("cut.csv"), "--remove");
        Assert.Equal((0, ""), (meant.Status, meant.Error));
        Assert.Contains("sections gone: ", meant.Output, StringComparison.Ordinal);
    }

    [Fact]
    public void No_character_that_a_terminal_obeys_is_printed()
    {
        server.Browser();
        var catalogue = JsonNode.Parse(File.ReadAllText(TestPaths.Repository("demo", "saltmere.catalogue.json")))!;
        catalogue["institution"] = "Salt\u001b[31mmere\u0007";
        File.WriteAllText(PathOf("red.json"), catalogue.ToJsonString());
        var (status, output, _) = Run("import", PathOf("red.json"));
        Assert.Equal(0, status);
        Assert.StartsWith("Salt\uFFFD[31mmere\uFFFD: ", output, StringComparison.Ordinal);
    }

    private string PathOf(string name) => Path.Combine(folder.FullName, name);

    private static string NumberOf(string course, string component) =>
        PlainSearch.Text(
            PlainSearch.Courses.Single(one => PlainSearch.Text(one, "id") == course)["sections"]!
                .AsArray()
                .First(one =>
                    PlainSearch.Text(one!, "component") == component && PlainSearch.Text(one!, "term") == "2027SP"
                )!,
            "number"
        );

    private (int Status, string Output, string Error) Run(string command, string file, params string[] more) =>
        CommandLine.Run([command, file, "--data", server.DataFolder, .. more]);

    /// <summary>Waits for what the server does in its own time.</summary>
    private static async Task UntilAsync(Func<Task<bool>> isSo)
    {
        using var limit = new CancellationTokenSource(TimeSpan.FromSeconds(30));
        while (!await isSo())
            await Task.Delay(50, limit.Token);
    }
}
