using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;

namespace HourGrid.Core.Measures;

/// <summary>Measures one day of one week.</summary>
internal sealed class DayMeasuring(Ask ask)
{
    private readonly TimeBlock[] rathers = [.. ask.TimeBlocks.Where(block => block.Strength == Strength.RatherNot)];
    private readonly TimeBlock[] cannots = [.. ask.TimeBlocks.Where(block => block.Strength == Strength.Cannot)];
    private readonly Break[] softBreaks = [.. ask.Breaks.Where(wanted => wanted.Strength == Strength.RatherNot)];

    public readonly record struct Day(
        int Start,
        int End,
        int Idle,
        int Stretch,
        int Moves,
        int Soft,
        int BreaksMissed,
        int Away
    );

    /// <param name="meetings">The day's meetings in that week, by start; at least one.</param>
    /// <param name="week">The week, 1…64.</param>
    public Day Measure(Meeting[] meetings, int week)
    {
        var day = meetings[0].Day;
        var busy = Merge(meetings.Select(meeting => meeting.Time));
        var start = busy[0].Start.Value;
        var end = busy[^1].End.Value;
        return new(
            start,
            end,
            Idle: end - start - busy.Sum(stretch => stretch.Length),
            Stretch: LongestStretch(busy),
            Moves: CountMoves(meetings),
            Soft: MinutesInside(busy, Merge(BlocksOn(rathers, day, week))),
            BreaksMissed: softBreaks.Count(wanted =>
                wanted.Days.Contains(day) && !HasFree(wanted, [.. busy, .. BlocksOn(cannots, day, week)])
            ),
            Away: ask.Campus.Preferred is { } preferred
                ? Merge(meetings.Where(m => m.Campus is { } campus && campus != preferred).Select(m => m.Time))
                    .Sum(stretch => stretch.Length)
                : 0
        );
    }

    private static IEnumerable<MinuteInterval> BlocksOn(TimeBlock[] blocks, Weekday day, int week) =>
        blocks.Where(block => block.Days.Contains(day) && block.Weeks.Contains(week)).Select(block => block.Time);

    /// <summary>The same minutes as disjoint intervals in order; touching ones are joined.</summary>
    private static List<MinuteInterval> Merge(IEnumerable<MinuteInterval> intervals)
    {
        var merged = new List<MinuteInterval>();
        foreach (var next in intervals.Order())
        {
            if (merged.Count > 0 && next.Start <= merged[^1].End)
            {
                if (next.End > merged[^1].End)
                    merged[^1] = new(merged[^1].Start, next.End);
            }
            else
                merged.Add(next);
        }
        return merged;
    }

    private static int LongestStretch(List<MinuteInterval> busy)
    {
        var longest = 0;
        var start = busy[0].Start.Value;
        for (var i = 0; i < busy.Count; i++)
        {
            if (i > 0 && busy[i].Start.Value - busy[i - 1].End.Value >= Stretch.Pause)
                start = busy[i].Start.Value;
            longest = Math.Max(longest, busy[i].End.Value - start);
        }
        return longest;
    }

    private static int CountMoves(Meeting[] meetings)
    {
        var moves = 0;
        CampusId? at = null;
        foreach (var meeting in meetings)
        {
            if (meeting.Campus is not { } campus)
                continue;
            if (at is { } before && before != campus)
                moves++;
            at = campus;
        }
        return moves;
    }

    private static int MinutesInside(List<MinuteInterval> busy, List<MinuteInterval> blocks) =>
        busy.Sum(stretch => blocks.Sum(stretch.MinutesShared));

    private static bool HasFree(Break wanted, IEnumerable<MinuteInterval> taken)
    {
        var free = wanted.Window.Start.Value;
        foreach (var interval in Merge(taken))
        {
            if (Math.Min(interval.Start.Value, wanted.Window.End.Value) - free >= wanted.Minutes)
                return true;
            free = Math.Max(free, interval.End.Value);
        }
        return wanted.Window.End.Value - free >= wanted.Minutes;
    }
}
