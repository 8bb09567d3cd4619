using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;
using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;

namespace HourGrid.Formats.Timetables;

/// <summary>How a calendar is headed.</summary>
/// <param name="Name">Its name, as a calendar program shows it.</param>
/// <param name="TimeZone">The time zone of the campus, by its name in the IANA database.</param>
/// <param name="Sequence">Grows whenever a meeting of the catalogue may have changed.</param>
/// <param name="StampUtc">When it is written.</param>
public sealed record CalendarHeading(string Name, string TimeZone, int Sequence, DateTime StampUtc)
{
    /// <summary>Sections that are registered: their events are confirmed, all others tentative.</summary>
    public IReadOnlySet<RegistrationNumber> Held { get; init; } = new HashSet<RegistrationNumber>();
}

/// <summary>
/// A timetable as iCalendar (RFC 5545): one event for each weekly meeting, repeating over its weeks, with the days without
/// class taken out. The identity of an event is that of its meeting, so that importing again updates it.
/// </summary>
public static class TimetableCalendar
{
    private const string Producer = "-//Hour Grid//Timetable//EN";

    /// <summary>The calendar as text. Without a timetable it is empty, and valid all the same.</summary>
    /// <param name="timetable">The timetable, or null for none.</param>
    /// <param name="term">Its term.</param>
    /// <param name="heading">How it is headed.</param>
    public static string Write(Timetable? timetable, Term term, CalendarHeading heading)
    {
        var calendar = new Calendar { ProductId = Producer, Method = "PUBLISH" };
        calendar.Properties.Add(new CalendarProperty("X-WR-CALNAME", heading.Name));
        calendar.Properties.Add(new CalendarProperty("X-WR-TIMEZONE", heading.TimeZone));
        calendar.AddTimeZone(
            VTimeZone.FromDateTimeZone(
                heading.TimeZone,
                term.Start.AddMonths(-1).ToDateTime(TimeOnly.MinValue),
                includeHistoricalData: false
            )
        );
        if (timetable is not null)
            foreach (var meeting in DatedMeeting.Of(timetable, term).Where(meeting => meeting.Dates.Count > 0))
                calendar.Events.Add(EventOf(meeting, term, heading));
        return new CalendarSerializer().SerializeToString(calendar)
            ?? throw new InvalidOperationException("The calendar could not be written.");
    }

    private static CalendarEvent EventOf(DatedMeeting meeting, Term term, CalendarHeading heading)
    {
        var (course, section) = (meeting.Course.Course, meeting.Section.Section);
        var instructors = string.Join(" and ", section.Instructors);
        var one = new CalendarEvent
        {
            Uid = FormattableString
                .Invariant($"{term.Id}-{section.Number}-{meeting.Place}-{meeting.Day}@hour-grid.invalid")
                .ToLowerInvariant()
                .Replace(' ', '-'),
            Sequence = heading.Sequence,
            DtStamp = new CalDateTime(heading.StampUtc, CalDateTime.UtcTzId),
            Status = heading.Held.Contains(section.Number) ? EventStatus.Confirmed : EventStatus.Tentative,
            Summary = $"{course.Id} {section.Component} {section.Label}",
            Location = meeting.Pattern.Room,
            Description = string.Join(
                '\n',
                new[]
                {
                    course.Title,
                    instructors == "" ? "" : $"Instructor: {instructors}",
                    $"Registration number: {section.Number}",
                }.Where(line => line != "")
            ),
            Start = At(meeting.Dates[0], meeting.Pattern.Time.Start, heading),
            End = At(meeting.Dates[0], meeting.Pattern.Time.End, heading),
            Transparency = TransparencyType.Opaque,
        };
        one.Categories.Add(section.Component);
        if (instructors != "")
            one.Contacts.Add(instructors);
        one.Properties.Add(new CalendarProperty("X-REGISTRATION-NUMBER", section.Number.Value));
        Repeat(one, meeting, term, heading);
        return one;
    }

    /// <summary>Every week or every second week from its first date to its last, but for the dates on which it rests.</summary>
    private static void Repeat(CalendarEvent one, DatedMeeting meeting, Term term, CalendarHeading heading)
    {
        var (first, last) = (meeting.Dates[0], meeting.Dates[^1]);
        if (first == last)
            return;
        var start = meeting.Pattern.Time.Start;
        one.RecurrenceRule = new(FrequencyType.Weekly, meeting.Pattern.EveryWeeks)
        {
            Until = new CalDateTime(At(last, start, heading).AsUtc, CalDateTime.UtcTzId),
        };
        var held = meeting.Dates.ToHashSet();
        var rests = DatedMeeting
            .DatesOf(term, meeting.Day, meeting.Weeks)
            .Where(date => first < date && date < last && !held.Contains(date));
        foreach (var date in rests)
            one.ExceptionDates.Add(At(date, start, heading));
    }

    /// <summary>A moment on the campus; the end of the day is the first moment of the next.</summary>
    private static CalDateTime At(DateOnly date, Minute minute, CalendarHeading heading) =>
        minute.Value == Minute.PerDay
            ? new(date.AddDays(1), TimeOnly.MinValue, heading.TimeZone)
            : new(date, new TimeOnly(minute.Value / 60, minute.Value % 60), heading.TimeZone);
}
