using System.Diagnostics;
using System.Text.Json.Nodes;

namespace HourGrid.Server.Tests;

/// <summary>The command line, run as a program.</summary>
public sealed class SolveTests : IDisposable
{
    private static readonly string Catalogue = TestPaths.Repository("demo", "saltmere.catalogue.json");
    private static readonly string BusyWeek = TestPaths.Repository("demo", "busy-week.ask.json");

    private readonly DirectoryInfo folder = Directory.CreateTempSubdirectory("hour-grid-solve-");

    public void Dispose() => folder.Delete(recursive: true);

    private static (int Status, string Output, string Error) Run(params string[] arguments)
    {
        var program = Path.Combine(AppContext.BaseDirectory, "HourGrid.Cli.dll");
        using var process = Process.Start(
            new ProcessStartInfo("dotnet", [program, "solve", .. arguments])
            {
                RedirectStandardOutput = true,
                RedirectStandardError = true,
            }
        )!;
        var error = process.StandardError.ReadToEndAsync();
        var output = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        return (process.ExitCode, output, error.Result);
    }

    private string File(string name, string text)
    {
        var path = Path.Combine(folder.FullName, name);
        System.IO.File.WriteAllText(path, text);
        return path;
    }

    [Fact]
    public void It_prints_the_exact_counts()
    {
        var (status, output, error) = Run("--catalogue", Catalogue, "--ask", BusyWeek);
        Assert.Equal((0, ""), (status, error));
        var answer = JsonNode.Parse(output)!;
        Assert.True(answer["timetables"]!.GetValue<long>() >= answer["weekShapes"]!.GetValue<long>());
        Assert.True(answer["weekShapes"]!.GetValue<long>() > 0);
        Assert.True(answer["exact"]!.GetValue<bool>());
        Assert.True(answer["elapsedMs"]!.GetValue<double>() > 0);
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
