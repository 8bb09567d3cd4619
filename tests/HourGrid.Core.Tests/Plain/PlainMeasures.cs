using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Tests.Plain;

/// <summary>The measures minute by minute, straight from their definitions.</summary>
internal static class PlainMeasures
{
    public static string Of(UniversityCatalogue catalogue, Ask ask, PlainTimetable timetable)
    {
        var term = catalogue.Terms.Single(one => one.Id == ask.Term);
        var classes = timetable.Sections.SelectMany(section => BruteForce.DatedClasses(term, section)).ToList();
        var weeks = classes.GroupBy(one => one.Week).Select(week => OfWeek(ask, [.. week], week.Key)).ToList();
        if (weeks.Count == 0)
            return "no hours";
        return string.Join(
            " ",
            weeks.Max(week => week.Days),
            HalfUp(weeks.Sum(week => week.Idle), weeks.Count),
            classes.Min(one => one.Start),
            classes.Max(one => one.End),
            weeks.Max(week => week.LongestDay),
            weeks.Max(week => week.Stretch),
            HalfUp(weeks.Sum(week => week.Moves) * 10, weeks.Count),
            HalfUp(weeks.Sum(week => week.Soft), weeks.Count),
            weeks.Max(week => week.Missed),
            HalfUp(weeks.Sum(week => week.Away), weeks.Count)
        );
    }

    private static long HalfUp(int sum, int count) => (long)Math.Floor((decimal)sum / count + 0.5m);

    private sealed record Week(
        int Days,
        int Idle,
        int LongestDay,
        int Stretch,
        int Moves,
        int Soft,
        int Missed,
        int Away
    );

    private static Week OfWeek(Ask ask, List<BruteForce.DatedClass> classes, int week)
    {
        var days = classes.GroupBy(one => one.Day).Select(day => OfDay(ask, [.. day], day.Key, week)).ToList();
        return new(
            days.Count,
            days.Sum(day => day.Idle),
            days.Max(day => day.LongestDay),
            days.Max(day => day.Stretch),
            days.Sum(day => day.Moves),
            days.Sum(day => day.Soft),
            days.Sum(day => day.Missed),
            days.Sum(day => day.Away)
        );
    }

    private static Week OfDay(Ask ask, List<BruteForce.DatedClass> classes, Weekday day, int week)
    {
        var busy = Minutes(classes.Select(one => (one.Start, one.End)));
        var first = classes.Min(one => one.Start);
        var last = classes.Max(one => one.End);

        var longest = 0;
        var begin = first;
        var pause = 0;
        for (var minute = first; minute < last; minute++)
        {
            if (busy[minute])
            {
                if (pause >= 20)
                    begin = minute;
                pause = 0;
                longest = Math.Max(longest, minute + 1 - begin);
            }
            else
                pause++;
        }

        var placed = classes
            .Where(one => one.Campus is not null)
            .OrderBy(one => one.Start)
            .ThenBy(one => one.End)
            .ToList();
        var moves = placed.Zip(placed.Skip(1)).Count(pair => pair.First.Campus != pair.Second.Campus);

        bool[] Blocked(Strength strength) =>
            Minutes(
                ask.TimeBlocks.Where(b => b.Strength == strength && b.Days.Contains(day) && b.Weeks.Contains(week))
                    .Select(b => (b.Time.Start.Value, b.Time.End.Value))
            );
        var rather = Blocked(Strength.RatherNot);
        var cannot = Blocked(Strength.Cannot);
        var missed = ask.Breaks.Count(wanted =>
            wanted.Strength == Strength.RatherNot
            && wanted.Days.Contains(day)
            && !Enumerable
                .Range(wanted.Window.Start.Value, wanted.Window.Length)
                .Any(start =>
                    start + wanted.Minutes <= wanted.Window.End.Value
                    && Enumerable.Range(start, wanted.Minutes).All(minute => !busy[minute] && !cannot[minute])
                )
        );
        var away = ask.Campus.Preferred is { } preferred
            ? Minutes(classes.Where(one => one.Campus is { } c && c != preferred).Select(one => (one.Start, one.End)))
                .Count(minute => minute)
            : 0;
        return new(
            1,
            Enumerable.Range(first, last - first).Count(minute => !busy[minute]),
            last - first,
            longest,
            moves,
            Enumerable.Range(0, Minute.PerDay).Count(minute => busy[minute] && rather[minute]),
            missed,
            away
        );
    }

    private static bool[] Minutes(IEnumerable<(int Start, int End)> stretches)
    {
        var minutes = new bool[Minute.PerDay];
        foreach (var (start, end) in stretches)
            for (var minute = start; minute < end; minute++)
                minutes[minute] = true;
        return minutes;
    }
}
