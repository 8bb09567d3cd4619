using HourGrid.Core.Catalogue;
using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Evaluation;

namespace HourGrid.Formats.Calendars;

/// <summary>
/// Keeps the work on one event within bounds before any of it is done: the library that works events out cannot be
/// interrupted inside one. What has no business in a roster is refused; what is left begins close to the term, ends
/// with it, and has short lists.
/// </summary>
internal static class EventBounds
{
    /// <summary>The years in which an event may begin.</summary>
    private const int EarliestYear = 1970;
    private const int LatestYear = 2199;

    /// <summary>The most single dates that are added to an event or taken from it.</summary>
    private const int MostDates = 1_000;

    /// <summary>A rule with a number of times is followed from its first one on, so it may not have begun long ago.</summary>
    private const int MostYearsCounted = 10;

    /// <summary>Every day of the week, every one of a month's from its beginning and from its end, and each without a place.</summary>
    private const int MostDays = 7 * 11;
    private const int MostMonthDays = 62;
    private const int MostPositions = 62;
    private const int LargestInterval = 1_000;

    /// <summary>The days of the longest event that may repeat.</summary>
    private const int MostDaysRepeated = 31;

    /// <summary>Why an event is not looked at; null where it is.</summary>
    public static string? Refusal(CalendarEvent one, Term term)
    {
        if (one.Start is not { } start)
            return "It has no beginning.";
        if (start.Year is < EarliestYear or > LatestYear)
            return $"It does not begin between {EarliestYear} and {LatestYear}.";
        if (one.Properties.ContainsKey("EXRULE"))
            return "It has a rule of exceptions, which calendars no longer have.";
        if (one.Properties.CountOf("RRULE") > 1)
            return "It repeats by several rules.";
        var added = one.RecurrenceDates.GetAllPeriods().Count() + one.RecurrenceDates.GetAllDates().Count();
        if (added > MostDates || one.ExceptionDates.GetAllDates().Count() > MostDates)
            return $"It has more than {MostDates} single dates.";
        if (one.RecurrenceRule is not { } rule)
            return null;
        return DaysOf(one) > MostDaysRepeated
            ? $"It repeats, and is longer than {MostDaysRepeated} days."
            : RefusalOf(rule, start, term);
    }

    private static string? RefusalOf(RecurrenceRule rule, CalDateTime start, Term term)
    {
        if (
            rule.Frequency
            is not (FrequencyType.Daily or FrequencyType.Weekly or FrequencyType.Monthly or FrequencyType.Yearly)
        )
            return "It repeats within a day.";
        if (rule.BySecond.Count + rule.ByMinute.Count + rule.ByHour.Count > 0)
            return "It repeats at several hours of a day.";
        if (rule.ByYearDay.Count + rule.ByWeekNo.Count > 0)
            return "It repeats by numbers of days or weeks of the year.";
        if (rule.Interval is < 1 or > LargestInterval)
            return $"It repeats every {rule.Interval} times; 1 to {LargestInterval} can be.";
        if (rule.Count is not null && start.Year < term.Start.Year - MostYearsCounted)
            return $"It repeats a number of times, from more than {MostYearsCounted} years before the term.";
        return null;
    }

    /// <summary>Brings an event that is not refused close to a term, in which it takes place as before.</summary>
    public static void Bring(CalendarEvent one, Term term)
    {
        if (one.RecurrenceRule is not { } rule)
            return;
        Shorten(rule);
        if (rule.Count is not null)
            return;
        // A day more: clocks of other places are behind.
        var first = term.FirstMonday.AddDays(-1 - DaysOf(one));
        if (one.Start!.Date < first)
            BeginNear(one, rule, first);
    }

    /// <summary>Lets the library go as far as the term, where a rule does not come true before.</summary>
    public static EvaluationOptions UntilEndOf(Term term, CalendarEvent one)
    {
        if (one.RecurrenceRule is not { } rule)
            return new();
        var days = Math.Max(0, term.End.DayNumber - one.Start!.Date.DayNumber);
        var daysOfPeriod = rule.Frequency switch
        {
            FrequencyType.Daily => 1,
            FrequencyType.Weekly => 7,
            FrequencyType.Monthly => 28,
            _ => 365,
        };
        return new() { MaxUnmatchedIncrementsLimit = days / (daysOfPeriod * rule.Interval) + 2 };
    }

    /// <summary>Each entry once, and no more than there can be.</summary>
    private static void Shorten(RecurrenceRule rule)
    {
        rule.ByDay = [.. rule.ByDay.DistinctBy(day => (day.DayOfWeek, day.Offset)).Take(MostDays)];
        rule.ByMonthDay = [.. rule.ByMonthDay.Distinct().Take(MostMonthDays)];
        rule.ByMonth = [.. rule.ByMonth.Distinct().Take(12)];
        rule.BySetPosition = [.. rule.BySetPosition.Distinct().Take(MostPositions)];
    }

    /// <summary>How many days one time of it takes, at most.</summary>
    private static int DaysOf(CalendarEvent one) =>
        one.End is { } end && end.Date > one.Start!.Date ? end.Date.DayNumber - one.Start.Date.DayNumber : 1;

    /// <summary>
    /// Begins a rule without a number of times later, by a whole number of its periods: what comes after that is the same.
    /// What the rule took from its beginning without saying it (the day of the month, the month) is said before.
    /// </summary>
    private static void BeginNear(CalendarEvent one, RecurrenceRule rule, DateOnly before)
    {
        var start = one.Start!.Date;
        if (
            rule.Frequency is FrequencyType.Monthly or FrequencyType.Yearly
            && rule.ByDay.Count + rule.ByMonthDay.Count == 0
        )
        {
            rule.ByMonthDay = [start.Day];
            if (rule.Frequency == FrequencyType.Yearly && rule.ByMonth.Count == 0)
                rule.ByMonth = [start.Month];
        }
        var moved = rule.Frequency switch
        {
            FrequencyType.Daily => start.AddDays(Whole(before.DayNumber - start.DayNumber, rule.Interval)),
            FrequencyType.Weekly => start.AddDays(Whole(before.DayNumber - start.DayNumber, 7 * rule.Interval)),
            // The period of the beginning is not whole, so it is one that lies before.
            FrequencyType.Monthly => FirstOf(start)
                .AddMonths(Whole(MonthsBetween(start, before) - 1, rule.Interval))
                .AddDays(Math.Min(start.Day, 28) - 1),
            _ => FirstOf(start)
                .AddYears(Whole(before.Year - start.Year - 1, rule.Interval))
                .AddDays(Math.Min(start.Day, 28) - 1),
        };
        if (moved <= start)
            return;
        var span = one.End is { } end ? end.Date.DayNumber - start.DayNumber : (int?)null;
        one.Start = On(one.Start!, moved);
        if (span is { } days && one.DtEnd is { } dtEnd)
            one.DtEnd = On(dtEnd, moved.AddDays(days));
    }

    private static CalDateTime On(CalDateTime time, DateOnly date) => new(date, time.Time, time.TzId);

    private static DateOnly FirstOf(DateOnly date) => new(date.Year, date.Month, 1);

    private static int MonthsBetween(DateOnly from, DateOnly to) =>
        (to.Year - from.Year) * 12 + to.Month - from.Month;

    /// <summary>The most of a number that is a whole number of steps, 0 at least.</summary>
    private static int Whole(int number, int step) => Math.Max(0, number) / step * step;
}
