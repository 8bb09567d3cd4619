using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Tests.Plain;

/// <summary>The hard rules that look at a whole timetable, week by week, day by day and minute by minute.</summary>
internal static class PlainRules
{
    /// <summary>The limits of days: their paths, whether an ask sets them, and what it is without.</summary>
    public static readonly (
        string Path,
        Func<DayLimits, bool> IsSet,
        Func<DayLimits, DayLimits> Without
    )[] DayLimits =
    [
        (
            "dayLimits.earliestStart",
            limits => limits.EarliestStart is not null,
            limits => limits with { EarliestStart = null }
        ),
        ("dayLimits.latestEnd", limits => limits.LatestEnd is not null, limits => limits with { LatestEnd = null }),
        ("dayLimits.daysOff", limits => limits.DaysOff.Count > 0, limits => limits with { DaysOff = default }),
        ("dayLimits.maxDays", limits => limits.MaxDays is not null, limits => limits with { MaxDays = null }),
        (
            "dayLimits.maxMinutesPerDay",
            limits => limits.MaxMinutesPerDay is not null,
            limits => limits with { MaxMinutesPerDay = null }
        ),
        (
            "dayLimits.maxStretchMinutes",
            limits => limits.MaxStretchMinutes is not null,
            limits => limits with { MaxStretchMinutes = null }
        ),
        (
            "dayLimits.minutesBetween",
            limits => limits.MinutesBetween > 0,
            limits => limits with { MinutesBetween = 0 }
        ),
        (
            "dayLimits.restMinutes",
            limits => limits.RestMinutes is not null,
            limits => limits with { RestMinutes = null }
        ),
    ];

    public static bool Keep(UniversityCatalogue catalogue, Ask ask, PlainTimetable timetable)
    {
        foreach (var choice in ask.EitherOr)
        {
            var taken = timetable.Taken.Count(one => choice.Courses.Contains(one.Course));
            if (taken < choice.Min || taken > choice.Max)
                return false;
        }
        var credits = timetable.Taken.Sum(taken => CreditsOf(catalogue, taken));
        if (credits < (ask.Credits.Min?.Value ?? 0) || credits > (ask.Credits.Max?.Value ?? decimal.MaxValue))
            return false;

        var term = catalogue.Terms.Single(one => one.Id == ask.Term);
        var classes = timetable.Sections.SelectMany(section => BruteForce.DatedClasses(term, section)).ToList();
        foreach (var week in classes.GroupBy(one => one.Week))
        {
            var days = week.GroupBy(one => one.Day).ToList();
            if (days.Count > (ask.DayLimits.MaxDays ?? 7))
                return false;
            if (ask.DayLimits.RestMinutes is { } rest && !Rests([.. week], rest))
                return false;
            if (days.Any(day => !KeepsDay(ask, [.. day], day.Key, week.Key)))
                return false;
        }
        return true;
    }

    public static decimal CreditsOf(UniversityCatalogue catalogue, PlainTaken taken) =>
        taken.Bundle.Any(section => section.Credits is not null)
            ? taken.Bundle.Sum(section => section.Credits?.Value ?? 0)
            : catalogue.Courses.Single(course => course.Id == taken.Course).Credits.Min.Value;

    private static bool Rests(List<BruteForce.DatedClass> week, int rest) =>
        !week.Any(one => week.Any(next => next.Day == one.Day + 1 && next.Start + 24 * 60 - one.End < rest));

    private static bool KeepsDay(Ask ask, List<BruteForce.DatedClass> classes, Weekday day, int week)
    {
        if (ask.Campus.OnePerDay && classes.Select(one => one.Campus).OfType<CampusId>().Distinct().Count() > 1)
            return false;
        var busy = new bool[Minute.PerDay];
        foreach (var one in classes)
            for (var minute = one.Start; minute < one.End; minute++)
                busy[minute] = true;
        if (ask.DayLimits.MaxMinutesPerDay is { } most && busy.Count(minute => minute) > most)
            return false;
        if (ask.DayLimits.MaxStretchMinutes is { } longest && LongestStretch(busy) > longest)
            return false;
        return ask
            .Breaks.Where(wanted => wanted.Strength == Strength.Cannot && wanted.Days.Contains(day))
            .All(wanted => HasFree(ask, wanted, busy, day, week));
    }

    private static int LongestStretch(bool[] busy)
    {
        var longest = 0;
        for (var from = 0; from < busy.Length; from++)
        {
            if (!busy[from] || (from > 0 && busy[from - 1]))
                continue;
            var to = from;
            var pause = 0;
            for (var minute = from; minute < busy.Length && pause < 20; minute++)
            {
                pause = busy[minute] ? 0 : pause + 1;
                if (busy[minute])
                    to = minute + 1;
            }
            longest = Math.Max(longest, to - from);
        }
        return longest;
    }

    private static bool HasFree(Ask ask, Break wanted, bool[] busy, Weekday day, int week)
    {
        for (var start = wanted.Window.Start.Value; start + wanted.Minutes <= wanted.Window.End.Value; start++)
        {
            var isFree = true;
            for (var minute = start; minute < start + wanted.Minutes && isFree; minute++)
                isFree =
                    !busy[minute]
                    && !ask.TimeBlocks.Any(block =>
                        block.Strength == Strength.Cannot
                        && block.Days.Contains(day)
                        && block.Weeks.Contains(week)
                        && block.Time.Start.Value <= minute
                        && minute < block.Time.End.Value
                    );
            if (isFree)
                return true;
        }
        return false;
    }
}
