using System.Diagnostics;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Work;
using HourGrid.Formats.Json;
using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Evaluation;
using NodaTime;
using Period = Ical.Net.DataTypes.Period;

namespace HourGrid.Formats.Calendars;

/// <summary>Reads the hours that the events of an iCalendar file (RFC 5545) take in a term: a work roster becomes time blocks.</summary>
public static class CalendarReader
{
    /// <summary>Characters of the longest file.</summary>
    public const int LongestText = 900_000;

    /// <summary>The most events that are looked at.</summary>
    public const int MostEvents = 1_000;

    /// <summary>How long all events of a file may take to be worked out; a calendar of ten full years takes a tenth.</summary>
    private static readonly TimeSpan LongestReading = TimeSpan.FromSeconds(2);

    private const int LongestLabel = 80;

    /// <summary>The hours that a calendar takes in a term.</summary>
    /// <param name="text">The file.</param>
    /// <param name="term">The term.</param>
    /// <param name="timeZone">The time zone of the campus, into which all hours are brought.</param>
    /// <param name="cancellation">Stops between two events, or two times of one.</param>
    /// <exception cref="FormatProblemsException">It is no calendar, or too large.</exception>
    public static CalendarFindings Read(
        string text,
        Term term,
        string timeZone,
        CancellationToken cancellation = default
    )
    {
        var zone = TimeZones.Find(timeZone) ?? DateTimeZone.Utc;
        var events = Load(text);
        var found = new List<CalendarHours>();
        var passedOver = new List<PassedOver>();
        var started = Worker.Clock;
        foreach (var one in events)
        {
            cancellation.ThrowIfCancellationRequested();
            Worker.Yield();
            var label = LabelOf(one);
            try
            {
                if (EventBounds.Refusal(one, term) is { } why)
                    passedOver.Add(new(label, why));
                else if (Stopwatch.GetElapsedTime(started, Worker.Clock) > LongestReading)
                    passedOver.Add(new(label, "The calendar takes too long to work out."));
                else if (HoursOf(one, term, zone, cancellation) is { } hours)
                    found.Add(hours);
            }
            catch (PassedOverException passed)
            {
                passedOver.Add(new(label, passed.Message));
            }
            // The library meets values that no calendar should have with exceptions of many kinds.
            catch (Exception problem) when (problem is not (OutOfMemoryException or OperationCanceledException))
            {
                passedOver.Add(new(label, "It could not be read."));
            }
        }
        return new(found, passedOver);
    }

    private static CalendarEvent[] Load(string text)
    {
        if (text.Length > LongestText)
            throw Refused($"a file of {text.Length} characters", $"{LongestText} at most");
        text = text.TrimStart('\uFEFF', ' ', '\r', '\n', '\t');
        if (!text.StartsWith("BEGIN:VCALENDAR", StringComparison.OrdinalIgnoreCase))
            throw Refused("text that is no calendar", "a file that begins with BEGIN:VCALENDAR");
        CalendarEvent[] events;
        try
        {
            events = [.. CalendarCollection.Load(text).SelectMany(calendar => calendar.Events)];
        }
        catch (Exception problem) when (problem is not OutOfMemoryException)
        {
            throw Refused(
                "a calendar that is broken off or malformed",
                "an iCalendar file, as calendar programs write it"
            );
        }
        return events.Length <= MostEvents
            ? events
            : throw Refused($"{events.Length} events", $"{MostEvents} at most");
    }

    private static CalendarHours? HoursOf(
        CalendarEvent one,
        Term term,
        DateTimeZone zone,
        CancellationToken cancellation
    )
    {
        if (one.Start!.Date > term.End.AddDays(1))
            return null;
        EventBounds.Bring(one, term);
        var stretches = new List<(DateOnly Date, MinuteInterval Time)>();
        var first = term.FirstMonday.ToDateTime(TimeOnly.MinValue);
        var last = term.End.AddDays(1).ToDateTime(TimeOnly.MinValue);
        foreach (var occurrence in InTerm(one, term))
        {
            cancellation.ThrowIfCancellationRequested();
            var (start, end) = Local(one, occurrence.Period, zone);
            if (start >= last)
                break;
            if (!one.IsAllDay && end - start > TimeSpan.FromDays(1))
                throw new PassedOverException("It is longer than a day.");
            stretches.AddRange(DaysOf(Later(start, first), Earlier(end, last)));
        }
        if (stretches.Count == 0)
            return null;
        var byDay = stretches
            .GroupBy(part => (Day: Weekdays.Of(part.Date), part.Time))
            .Select(group =>
                (group.Key.Day, group.Key.Time, Weeks: WeekSet.Of(group.Select(part => term.WeekOf(part.Date))))
            );
        TimeBlock[] blocks =
        [
            .. byDay
                .GroupBy(part => (part.Time, part.Weeks))
                .Select(group => new TimeBlock(
                    WeekdaySet.Of([.. group.Select(part => part.Day)]),
                    group.Key.Time,
                    Strength.Cannot,
                    group.Key.Weeks,
                    LabelOf(one)
                )),
        ];
        var weeks = stretches.Select(part => term.WeekOf(part.Date)).Distinct().Count();
        return new(LabelOf(one), blocks, weeks > 1, one.IsAllDay);
    }

    /// <summary>When it takes place by the clocks of the campus. What has no time zone is taken as it stands.</summary>
    private static (DateTime Start, DateTime End) Local(CalendarEvent one, Period period, DateTimeZone zone)
    {
        var end = period.EffectiveEndTime ?? period.StartTime;
        if (one.IsAllDay)
        {
            var first = period.StartTime.Value.Date;
            return (first, end.Value.Date > first ? end.Value.Date : first.AddDays(1));
        }
        return (LocalOf(period.StartTime), LocalOf(end));

        DateTime LocalOf(CalDateTime time) =>
            time.IsFloating
                ? time.Value
                : Instant
                    .FromDateTimeUtc(DateTime.SpecifyKind(time.AsUtc, DateTimeKind.Utc))
                    .InZone(zone)
                    .ToDateTimeUnspecified();
    }

    /// <summary>The times of an event until the end of a term, and maybe some after it.</summary>
    private static IEnumerable<Occurrence> InTerm(CalendarEvent one, Term term)
    {
        using var occurrences = one.GetOccurrences(null, EventBounds.UntilEndOf(term, one)).GetEnumerator();
        while (HasNext())
            yield return occurrences.Current;

        bool HasNext()
        {
            try
            {
                return occurrences.MoveNext();
            }
            catch (EvaluationLimitExceededException)
            {
                // The rule does not come true any more before the term ends; single dates behind it are not come to.
                return one.RecurrenceDates.GetAllDates().Any()
                    ? throw new PassedOverException("Its rule does not come true.")
                    : false;
            }
        }
    }

    private static DateTime Later(DateTime one, DateTime other) => one > other ? one : other;

    private static DateTime Earlier(DateTime one, DateTime other) => one < other ? one : other;

    /// <summary>A stretch of time day by day: what goes past midnight goes on on the next.</summary>
    private static IEnumerable<(DateOnly Date, MinuteInterval Time)> DaysOf(DateTime start, DateTime end)
    {
        for (
            var date = DateOnly.FromDateTime(start);
            date.ToDateTime(TimeOnly.MinValue) < end;
            date = date.AddDays(1)
        )
        {
            var midnight = date.ToDateTime(TimeOnly.MinValue);
            var from = (int)Math.Max(0, Math.Floor((start - midnight).TotalMinutes));
            var to = (int)Math.Min(Minute.PerDay, Math.Ceiling((end - midnight).TotalMinutes));
            if (from < to)
                yield return (date, new(new(from), new(to)));
        }
    }

    private static string LabelOf(CalendarEvent one)
    {
        var label = string.Join(' ', (one.Summary ?? "").Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
        return label.Length <= LongestLabel ? label : label[..LongestLabel];
    }

    /// <summary>Why an event is passed over, found while it is worked out.</summary>
    private sealed class PassedOverException(string why) : Exception(why);

    private static FormatProblemsException Refused(string found, string expected) =>
        new([new("calendar", found, expected)]);
}
