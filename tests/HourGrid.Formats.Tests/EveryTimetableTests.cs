using System.Text;
using System.Text.Json;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Formats.Answers;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Catalogue;

namespace HourGrid.Formats.Tests;

/// <summary>Every timetable as a line.</summary>
public sealed class EveryTimetableTests
{
    private static readonly UniversityCatalogue Catalogue = CatalogueJson
        .Read(File.ReadAllBytes(Repository.PathOf("demo", "saltmere.catalogue.json")))
        .Value;

    public static TheoryData<string> Asks =>
        [.. Directory.GetFiles(Repository.PathOf("demo"), "*.ask.json").Select(file => Path.GetFileName(file)!)];

    [Theory]
    [MemberData(nameof(Asks))]
    public void The_lines_are_all_timetables_once_each(string file)
    {
        var ask = AskJson.Read(File.ReadAllBytes(Repository.PathOf("demo", file))).Value;
        var snapshot = Catalogue.SnapshotOf(ask.Term)!;
        var lines = Lines(ask, budget: null);
        var problem = Problem.Compile(snapshot, ask);
        var count = (int)Counts.Of(problem).Total.Timetables;
        Assert.Equal($"{{\"timetables\":{count},\"exact\":true}}", lines[^1]);
        var timetables = lines[..^1].Select(Sorted).ToHashSet();
        Assert.Equal(count, lines.Length - 1);
        Assert.Equal(count, timetables.Count);
        foreach (var one in Best.Of(problem, Math.Min(count, 2000)).Timetables)
            Assert.Contains(
                string.Join(' ', one.Timetable.Sections.Select(section => section.Number.Value)),
                timetables
            );
    }

    [Fact]
    public void Without_time_the_last_line_says_that_they_are_not_all()
    {
        var ask = AskJson.Read(File.ReadAllBytes(Repository.PathOf("demo", "busy-week.ask.json"))).Value;
        var lines = Lines(ask, TimeSpan.Zero);
        Assert.Equal($"{{\"timetables\":{lines.Length - 1},\"exact\":false}}", lines[^1]);
    }

    private static string[] Lines(Core.Asking.Ask ask, TimeSpan? budget)
    {
        using var output = new MemoryStream();
        EveryTimetable.Write(Catalogue.SnapshotOf(ask.Term)!, ask, output, budget);
        return Encoding.UTF8.GetString(output.ToArray()).Split('\n', StringSplitOptions.RemoveEmptyEntries);
    }

    private static string Sorted(string line) =>
        string.Join(' ', JsonSerializer.Deserialize<string[]>(line)!.Order(StringComparer.Ordinal));
}
