using System.Diagnostics;
using System.Globalization;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;
using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Timetables;
using Ical.Net;
using Calendar = Ical.Net.Calendar;

namespace HourGrid.Formats.Tests;

/// <summary>Calendars as three readers understand them: every date of every meeting is the catalogue's.</summary>
public sealed class CalendarTests
{
    private static readonly UniversityCatalogue Saltmere = CatalogueJson
        .Read(File.ReadAllBytes(Repository.PathOf("demo", "saltmere.catalogue.json")))
        .Value;

    private static readonly CalendarHeading Heading = new(
        "All of it",
        Saltmere.TimeZone,
        7,
        new(2026, 12, 1, 8, 0, 0, DateTimeKind.Utc)
    );

    [Theory]
    [InlineData("2026AU")]
    [InlineData("2027SP")]
    public void Every_date_of_every_meeting_is_read_by_three_readers(string term)
    {
        var (snapshot, all) = All(term);
        var text = TimetableCalendar.Write(all, snapshot.Term, Heading);
        var expected = Expected(snapshot).Order(StringComparer.Ordinal).ToArray();
        Assert.True(expected.Length > 100);
        Assert.Equal(expected, Read(text).Order(StringComparer.Ordinal));

        var file = Path.GetTempFileName();
        try
        {
            File.WriteAllText(file, text);
            Assert.Equal(expected, Run("node", "occurrences.mjs", file));
            // Debian's own Python, which has Debian's packages.
            Assert.Equal(expected, Run("/usr/bin/python3", "occurrences.py", file));
        }
        finally
        {
            File.Delete(file);
        }
    }

    [Fact]
    public void An_event_says_what_it_is_in_the_proper_properties()
    {
        var (snapshot, all) = All("2027SP");
        var calendar = Calendar.Load(TimetableCalendar.Write(all, snapshot.Term, Heading))!;
        var section = all.Sections.First(one => one.Section.Instructors.Count > 0 && one.Meetings.Count > 0);
        var one = calendar.Events.First(found => Number(found.Properties) == section.Number.Value);
        var course = snapshot.CourseOf(section.Number)!.Course;
        Assert.Equal($"{course.Id} {section.Section.Component} {section.Section.Label}", one.Summary);
        Assert.Equal(section.Section.Patterns[0].Room, one.Location);
        Assert.Contains(course.Title, one.Description, StringComparison.Ordinal);
        Assert.Contains(section.Section.Instructors[0], one.Contacts.Single(), StringComparison.Ordinal);
        Assert.Equal(7, one.Sequence);
        Assert.Single(calendar.TimeZones);
        Assert.Equal(Saltmere.TimeZone, one.Start!.TzId);
    }

    [Fact]
    public void Importing_again_updates_and_does_not_double()
    {
        var (snapshot, all) = All("2027SP");
        var first = Calendar.Load(TimetableCalendar.Write(all, snapshot.Term, Heading))!;
        var later = Calendar.Load(TimetableCalendar.Write(all, snapshot.Term, Heading with { Sequence = 8 }))!;
        Assert.Equal(first.Events.Select(one => one.Uid), later.Events.Select(one => one.Uid));
        Assert.Distinct(first.Events.Select(one => one.Uid));
        Assert.All(later.Events, one => Assert.Equal(8, one.Sequence));
    }

    [Fact]
    public void What_is_typed_cannot_break_out_of_its_line()
    {
        var (snapshot, all) = All("2027SP");
        var name = "Mine\r\nBEGIN:VEVENT\r\nSUMMARY:false; \\, \"quoted\"";
        var calendar = Calendar.Load(TimetableCalendar.Write(all, snapshot.Term, Heading with { Name = name }))!;
        var plain = Calendar.Load(TimetableCalendar.Write(all, snapshot.Term, Heading))!;
        Assert.Equal(plain.Events.Count, calendar.Events.Count);
        Assert.DoesNotContain(calendar.Events, one => one.Summary == "false");
    }

    [Fact]
    public void No_timetable_is_a_calendar_without_events()
    {
        var calendar = Calendar.Load(TimetableCalendar.Write(null, All("2027SP").Snapshot.Term, Heading))!;
        Assert.Empty(calendar.Events);
    }

    private static (CatalogueSnapshot Snapshot, Timetable All) All(string term)
    {
        var snapshot = Saltmere.SnapshotOf(new(term))!;
        var numbers = snapshot.Courses.SelectMany(course => course.Sections).Select(section => section.Number);
        return (snapshot, Timetable.Of(snapshot, numbers.ToHashSet()));
    }

    /// <summary>Day by day through the term, straight from the catalogue.</summary>
    private static IEnumerable<string> Expected(CatalogueSnapshot snapshot)
    {
        foreach (var section in snapshot.Courses.SelectMany(course => course.Sections))
        foreach (var pattern in section.Section.Patterns)
        foreach (var day in pattern.Days.Days())
        {
            var since = -1;
            for (var date = pattern.From; date <= pattern.To; date = date.AddDays(1))
            {
                if (Weekdays.Of(date) != day)
                    continue;
                since++;
                var isFree = snapshot.Term.NoClass.Any(period => period.From <= date && date <= period.To);
                if (since % pattern.EveryWeeks == 0 && !isFree)
                    yield return $"{section.Number} {Utc(date, pattern.Time.Start)} {Utc(date, pattern.Time.End)}";
            }
        }
    }

    /// <summary>Halifax: four hours behind UTC, three in summer; the change is at two in the night.</summary>
    private static string Utc(DateOnly date, Minute minute)
    {
        var isSummer = date is { Year: 2026 }
            ? date < new DateOnly(2026, 11, 1)
            : date is { Year: 2027 } && date >= new DateOnly(2027, 3, 14);
        var local = date.ToDateTime(TimeOnly.MinValue).AddMinutes(minute.Value);
        return Text(local.AddHours(isSummer ? 3 : 4));
    }

    private static IEnumerable<string> Read(string text) =>
        Calendar
            .Load(text)!
            .Events.SelectMany(one =>
                one.GetOccurrences()
                    .Select(found =>
                        $"{Number(one.Properties)} {Text(found.Period.StartTime.AsUtc)} {Text(found.Period.EffectiveEndTime!.AsUtc)}"
                    )
            );

    private static string Number(IEnumerable<ICalendarProperty> properties) =>
        properties.First(property => property.Name == "X-REGISTRATION-NUMBER").Value!.ToString()!;

    private static string Text(DateTime utc) => utc.ToString("yyyy-MM-ddTHH:mm", CultureInfo.InvariantCulture);

    private static string[] Run(string reader, string script, string file)
    {
        var start = new ProcessStartInfo(reader) { RedirectStandardOutput = true, RedirectStandardError = true };
        start.ArgumentList.Add(Repository.PathOf("tests", "calendars", script));
        start.ArgumentList.Add(file);
        using var process = Process.Start(start)!;
        var errors = process.StandardError.ReadToEndAsync();
        var output = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        Assert.True(process.ExitCode == 0, errors.Result);
        return [.. output.Split('\n', StringSplitOptions.RemoveEmptyEntries).Order(StringComparer.Ordinal)];
    }
}
