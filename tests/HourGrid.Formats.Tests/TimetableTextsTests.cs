using System.Globalization;
using CsvHelper;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;
using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Timetables;

namespace HourGrid.Formats.Tests;

/// <summary>A timetable as CSV and as plain text.</summary>
public sealed class TimetableTextsTests
{
    private static readonly CatalogueSnapshot Spring = CatalogueJson
        .Read(File.ReadAllBytes(Repository.PathOf("demo", "saltmere.catalogue.json")))
        .Value.SnapshotOf(new("2027SP"))!;

    private static readonly Timetable All = Timetable.Of(
        Spring,
        Spring.Courses.SelectMany(course => course.Sections).Select(section => section.Number).ToHashSet()
    );

    [Fact]
    public void Csv_has_a_row_for_each_weekly_meeting_and_one_for_what_has_no_hours()
    {
        var rows = Rows(TimetableTexts.Csv(All, Spring.Term));
        foreach (var section in All.Sections)
        {
            var its = rows.Where(row => row["number"] == section.Number.Value).ToList();
            Assert.Equal(Math.Max(1, section.Meetings.Count), its.Count);
            foreach (var meeting in section.Meetings)
                Assert.Contains(
                    its,
                    row =>
                        row["start"] == meeting.Time.Start.ToString()
                        && row["end"] == meeting.Time.End.ToString()
                        && row["weeks"] == string.Join(' ', meeting.Weeks.Weeks())
                        && row["campus"] == (meeting.Campus?.Value ?? "")
                );
        }
    }

    [Fact]
    public void No_cell_of_it_is_a_formula()
    {
        var evil = Spring.Courses[0].Course with { Title = "=HYPERLINK(\"http://a.invalid\")" };
        var snapshot = new CatalogueSnapshot(Spring.Term, Spring.Campuses, Spring.Travel, [evil]);
        var timetable = Timetable.Of(snapshot, evil.Sections.Select(section => section.Number).ToHashSet());
        var rows = Rows(TimetableTexts.Csv(timetable, Spring.Term));
        Assert.All(rows, row => Assert.StartsWith("'=", row["title"], StringComparison.Ordinal));
    }

    [Fact]
    public void Plain_text_lists_numbers_and_days()
    {
        var course = Spring.Courses.First(one => one.SectionsOffered.Any(section => section.Meetings.Count > 0));
        var section = course.SectionsOffered.First(one => one.Meetings.Count > 0);
        var text = TimetableTexts.Plain(
            Timetable.Of(Spring, new HashSet<RegistrationNumber> { section.Number }),
            Spring.Term,
            "Mine"
        );
        Assert.StartsWith($"Mine\n{Spring.Term.Name}, ", text, StringComparison.Ordinal);
        Assert.Contains($"\n{section.Number}  {course.Course.Id} ", text, StringComparison.Ordinal);
        var meeting = section.Meetings[0];
        Assert.Contains(
            $"\n{meeting.Day}\n  {meeting.Time.Start}-{meeting.Time.End}  ",
            text,
            StringComparison.Ordinal
        );
    }

    private static List<Dictionary<string, string>> Rows(string text)
    {
        using var csv = new CsvReader(new StringReader(text), CultureInfo.InvariantCulture);
        csv.Read();
        csv.ReadHeader();
        var rows = new List<Dictionary<string, string>>();
        while (csv.Read())
            rows.Add(csv.HeaderRecord!.ToDictionary(name => name, name => csv.GetField(name)!));
        return rows;
    }
}
