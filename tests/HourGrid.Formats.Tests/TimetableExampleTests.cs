using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;
using HourGrid.Core.Timetables;
using HourGrid.Formats.Calendars;
using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Sketches;
using HourGrid.Formats.Timetables;

namespace HourGrid.Formats.Tests;

/// <summary>The example files of a timetable are what is written, and what goes out as a calendar comes in again.</summary>
public sealed class TimetableExampleTests
{
    private static readonly UniversityCatalogue Saltmere = CatalogueJson
        .Read(File.ReadAllBytes(Repository.PathOf("demo", "saltmere.catalogue.json")))
        .Value;

    private static readonly CatalogueSnapshot Spring = Saltmere.SnapshotOf(new("2027SP"))!;

    private static readonly PutByTimetable PutBy = SketchJson
        .Read(File.ReadAllBytes(Repository.PathOf("demo", "two-plans.sketch.json")))
        .Value.Shortlist[0];

    [Theory]
    [InlineData("ics")]
    [InlineData("csv")]
    [InlineData("txt")]
    public void The_example_is_what_is_written(string extension)
    {
        var timetable = Timetable.Of(Spring, PutBy.Numbers);
        var written = extension switch
        {
            "ics" => Calendar(timetable),
            "csv" => TimetableTexts.Csv(timetable, Spring.Term),
            _ => TimetableTexts.Plain(timetable, Spring.Term, PutBy.Name),
        };
        Assert.Equal(File.ReadAllText(Repository.PathOf("demo", $"two-plans.timetable.{extension}")), written);
    }

    /// <summary>Every section of the sample world by itself: the hours of its calendar are its meetings, in the weeks with class.</summary>
    [Fact]
    public void A_calendar_that_goes_out_comes_in_as_the_hours_it_took()
    {
        foreach (var section in Spring.Courses.SelectMany(course => course.Sections))
        {
            var timetable = Timetable.Of(Spring, new HashSet<RegistrationNumber> { section.Number });
            var findings = CalendarReader.Read(Calendar(timetable), Spring.Term, Saltmere.TimeZone);
            Assert.Empty(findings.PassedOver);
            var came = findings
                .Found.SelectMany(found => found.Blocks)
                .SelectMany(block => block.Days.Days().Select(day => (day, block.Time, block.Weeks)));
            var went = section
                .Meetings.Select(meeting => (meeting.Day, meeting.Time, WithClass(meeting)))
                .Where(meeting => !meeting.Item3.IsEmpty);
            Assert.Equal(went.Order(), came.Order());
        }
    }

    private static WeekSet WithClass(Meeting meeting) =>
        WeekSet.Of(
            meeting
                .Weeks.Weeks()
                .Where(week =>
                {
                    var date = Spring.Term.FirstMonday.AddDays((week - 1) * 7 + (int)meeting.Day);
                    return !Spring.Term.NoClass.Any(period => period.From <= date && date <= period.To);
                })
        );

    private static string Calendar(Timetable timetable) =>
        TimetableCalendar.Write(
            timetable,
            Spring.Term,
            new(PutBy.Name, Saltmere.TimeZone, 1, new(2026, 12, 1, 8, 0, 0, DateTimeKind.Utc))
        );
}
