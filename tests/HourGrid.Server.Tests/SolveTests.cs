using System.Text.Json.Nodes;

namespace HourGrid.Server.Tests;

/// <summary><c>solve</c> of the command line.</summary>
public sealed class SolveTests : IDisposable
{
    private static readonly string Catalogue = TestPaths.Repository("demo", "saltmere.catalogue.json");
    private static readonly string BusyWeek = TestPaths.Repository("demo", "busy-week.ask.json");

    private readonly DirectoryInfo folder = Directory.CreateTempSubdirectory("hour-grid-solve-");

    public void Dispose() => folder.Delete(recursive: true);

    private static (int Status, string Output, string Error) Run(params string[] arguments) =>
        CommandLine.Run(["solve", .. arguments]);

    private string File(string name, string text)
    {
        var path = Path.Combine(folder.FullName, name);
        System.IO.File.WriteAllText(path, text);
        return path;
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void It_prints_the_exact_counts(bool asProgram)
    {
        string[] arguments = ["solve", "--catalogue", Catalogue, "--ask", BusyWeek];
        var (status, output, error) = asProgram ? CommandLine.RunProgram(arguments) : CommandLine.Run(arguments);
        Assert.Equal((0, ""), (status, error));
        var answer = JsonNode.Parse(output)!;
        Assert.True(answer["timetables"]!.GetValue<long>() >= answer["weekShapes"]!.GetValue<long>());
        Assert.True(answer["weekShapes"]!.GetValue<long>() > 0);
        Assert.True(answer["exact"]!.GetValue<bool>());
        Assert.True(answer["elapsedMs"]!.GetValue<double>() > 0);
    }

    [Fact]
    public void It_prints_every_timetable_as_a_line_and_nothing_beside()
    {
        var (status, output, error) = Run("--catalogue", Catalogue, "--ask", BusyWeek, "--all");
        Assert.Equal((0, ""), (status, error));
        var lines = output.Split('\n', StringSplitOptions.RemoveEmptyEntries);
        Assert.Equal(lines.Length - 1, JsonNode.Parse(lines[^1])!["timetables"]!.GetValue<int>());
        Assert.All(lines[..^1], line => Assert.NotEmpty(JsonNode.Parse(line)!.AsArray()));
        (status, output, error) = Run("--catalogue", Catalogue, "--ask", BusyWeek, "--all", "--top", "3");
        Assert.Equal((2, ""), (status, output));
        Assert.Contains("leave --top out", error, StringComparison.Ordinal);
    }

    public static TheoryData<string> Asks =>
        [.. Directory.GetFiles(TestPaths.Repository("demo"), "*.ask.json").Select(file => Path.GetFileName(file)!)];

    /// <summary>Every answer of every demo ask, held against the other answers.</summary>
    [Theory]
    [MemberData(nameof(Asks))]
    public void The_answers_of_an_ask_agree_with_each_other(string ask)
    {
        var (status, output, error) = Run([
            "--catalogue",
            Catalogue,
            "--ask",
            TestPaths.Repository("demo", ask),
            .. Everything,
        ]);
        Assert.Equal((0, ""), (status, error));
        var answer = JsonNode.Parse(output)!;
        var timetables = answer["timetables"]!.GetValue<long>();
        Assert.True(answer["exact"]!.GetValue<bool>());

        var top = answer["top"]!.AsArray();
        Assert.Equal(Math.Min(5, timetables), top.Count);
        Assert.Equal(top.Select((_, i) => i + 1), top.Select(one => one!["rank"]!.GetValue<int>()));
        Assert.Equal(
            top.Select(one => one!["score"]!.GetValue<int>()).Order(),
            top.Select(one => one!["score"]!.GetValue<int>())
        );

        var standing = answer["sectionCounts"]!
            .AsObject()
            .ToDictionary(one => one.Key, one => one.Value!.GetValue<long>());
        Assert.All(standing.Values, count => Assert.InRange(count, 0, timetables));
        foreach (var section in top.SelectMany(one => one!["sections"]!.AsArray()))
            Assert.True(standing[section!.GetValue<string>()] > 0);

        Assert.NotEmpty(answer["ruleCosts"]!.AsArray());
        Assert.Equal(timetables > 0, answer["why"] is null);
        if (answer["why"] is { } why)
            Assert.All(why["waysOut"]!.AsArray(), way => Assert.True(way!["timetables"]!.GetValue<long>() > 0));
        Assert.Equal(timetables > 0 ? 1 : 0, answer["fallbacks"]!.AsArray().Count);
        Assert.Equal(timetables > 0 ? 1 : 0, answer["spread"]!.AsArray().Take(1).Count());
        Assert.Equal("PHI 220", answer["whatIf"]![0]!["course"]!.GetValue<string>());
    }

    private static readonly string[] Everything =
    [
        "--top",
        "5",
        "--sections",
        "--costs",
        "--explain",
        "--fallbacks",
        "1",
        "--spread",
        "3",
        "--what-if",
        "PHI 220",
    ];

    [Fact]
    public void Week_shapes_are_ranked_from_an_offset()
    {
        JsonArray Top(params string[] options) =>
            JsonNode.Parse(Run(["--catalogue", Catalogue, "--ask", BusyWeek, "--shapes", .. options]).Output)![
                "top"
            ]!.AsArray();
        var all = Top("--top", "6");
        var rest = Top("--top", "4", "--offset", "2");
        Assert.Equal(all.Skip(2).Select(one => one!.ToJsonString()), rest.Select(one => one!.ToJsonString()));
    }

    [Fact]
    public void What_the_time_does_not_suffice_for_is_said_to_be_the_least_there_is()
    {
        var (status, output, _) = Run([
            "--catalogue",
            Catalogue,
            "--ask",
            BusyWeek,
            .. Everything,
            "--budget-ms",
            "0",
        ]);
        Assert.Equal(0, status);
        Assert.False(JsonNode.Parse(output)!["exact"]!.GetValue<bool>());
    }

    [Theory]
    [InlineData("--top", "-1")]
    [InlineData("--top", "many")]
    [InlineData("--budget-ms", "1.5")]
    [InlineData("--top", "30000")]
    [InlineData("--what-if", "XXX 1")]
    public void A_wrong_option_is_one_line(string option, string value)
    {
        var (status, output, error) = Run("--catalogue", Catalogue, "--ask", BusyWeek, option, value);
        Assert.Equal((2, ""), (status, output));
        Assert.Single(error.TrimEnd().Split('\n'));
    }

    [Fact]
    public void None_is_an_answer_too()
    {
        var ask = File(
            "none.ask.json",
            System.IO.File.ReadAllText(BusyWeek).Replace("18:00", "08:05", StringComparison.Ordinal)
        );
        var (status, output, _) = Run("--catalogue", Catalogue, "--ask", ask);
        Assert.Equal(0, status);
        Assert.Equal(0, JsonNode.Parse(output)!["timetables"]!.GetValue<int>());
    }

    [Theory]
    [InlineData("\"TID 210\"", "\"XXX 1\"", "wanted[0].course")]
    [InlineData("\"08:00\"", "\"8\"", "timeBlocks[0].start")]
    [InlineData("\"2027SP\"", "\"1999XX\"", "term")]
    [InlineData("\"latestEnd\": \"18:00\"", "\"maxDays\": 8", "dayLimits.maxDays")]
    [InlineData("{", "", "the file")]
    public void Wrong_input_is_one_line_that_names_the_place(string right, string wrong, string place)
    {
        var text = System.IO.File.ReadAllText(BusyWeek);
        var at = text.IndexOf(right, StringComparison.Ordinal);
        var ask = File("bad.ask.json", text[..at] + wrong + text[(at + right.Length)..]);
        var (status, output, error) = Run("--catalogue", Catalogue, "--ask", ask);
        Assert.Equal((2, ""), (status, output));
        Assert.Contains(place, error, StringComparison.Ordinal);
        Assert.Single(error.TrimEnd().Split('\n'));
    }

    [Fact]
    public void Missing_files_and_options_are_wrong_input()
    {
        Assert.Equal(2, Run("--catalogue", Catalogue, "--ask", Path.Combine(folder.FullName, "nowhere.json")).Status);
        Assert.Equal(2, Run("--catalogue", Catalogue).Status);
        Assert.Equal(2, Run("--catalogue", Catalogue, "--ask", BusyWeek, "--colour").Status);
    }

    [Fact]
    public void Unknown_fields_are_a_warning_that_names_them()
    {
        var ask = File(
            "odd.ask.json",
            System
                .IO.File.ReadAllText(BusyWeek)
                .Replace("\"term\"", "\"mood\": 3, \"term\"", StringComparison.Ordinal)
        );
        var (status, _, error) = Run("--catalogue", Catalogue, "--ask", ask);
        Assert.Equal(0, status);
        Assert.Contains("mood", error, StringComparison.Ordinal);
    }
}
