using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Measuring;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>The measures that need a day's meetings in their order: stretches, campus moves, soft breaks.</summary>
internal sealed class LeafMeasures
{
    private readonly WeekTables tables;
    private readonly int[] missedByClass;
    private readonly bool breaksMatter;

    // By lane: the soft breaks wanted on it, and the hours that Can't blocks take of it.
    private readonly Break[][] breaks;
    private readonly MinuteInterval[][] taken;

    /// <param name="tables">What is known of the options.</param>
    /// <param name="ask">Whose soft breaks are counted.</param>
    /// <param name="forScore">Whether only what has a weight is wanted.</param>
    public LeafMeasures(WeekTables tables, Ask ask, bool forScore = true)
    {
        this.tables = tables;
        missedByClass = new int[tables.Classes.Length];
        var soft = ask.Breaks.Where(wanted => wanted.Strength == Strength.RatherNot).ToArray();
        breaksMatter = soft.Length > 0 && !(forScore && ask.Weights.BreaksMissed == 0);
        breaks = ByLane<Break[]>(day => [.. soft.Where(wanted => wanted.Days.Contains(day))]);
        taken = new MinuteInterval[breaks.Length][];
        for (var lane = 0; lane < taken.Length; lane++)
            taken[lane] =
            [
                .. ask
                    .TimeBlocks.Where(block =>
                        block.Strength == Strength.Cannot
                        && block.Days.Contains((Weekday)(lane % Weekdays.PerWeek))
                        && block.Weeks.Overlaps(tables.Classes[lane / Weekdays.PerWeek])
                    )
                    .Select(block => block.Time)
                    .Order(),
            ];
    }

    public int LongestStretch { get; private set; }

    /// <summary>Campus moves over all weeks.</summary>
    public int Moves { get; private set; }

    /// <summary>Soft breaks missed in the worst week.</summary>
    public int BreaksMissed { get; private set; }

    /// <param name="meetings">In the order of lanes and times.</param>
    public void Measure(ReadOnlySpan<DayMeeting> meetings)
    {
        (LongestStretch, Moves, BreaksMissed) = (0, 0, 0);
        if (breaksMatter)
            Array.Clear(missedByClass);
        for (var from = 0; from < meetings.Length; )
        {
            var to = from + 1;
            while (to < meetings.Length && meetings[to].Lane == meetings[from].Lane)
                to++;
            MeasureDay(meetings[from..to]);
            from = to;
        }
        if (breaksMatter)
            BreaksMissed = missedByClass.Max();
    }

    private void MeasureDay(ReadOnlySpan<DayMeeting> today)
    {
        var lane = today[0].Lane;
        var start = today[0].Start;
        var end = today[0].End;
        var campus = -1;
        var moves = 0;
        foreach (ref readonly var meeting in today)
        {
            if (meeting.Start - end >= Measures.StretchPause)
                start = meeting.Start;
            end = Math.Max(end, meeting.End);
            LongestStretch = Math.Max(LongestStretch, end - start);
            if (meeting.Campus < 0)
                continue;
            if (campus >= 0 && meeting.Campus != campus)
                moves++;
            campus = meeting.Campus;
        }
        Moves += moves * tables.WeightOfLane[lane];
        if (breaksMatter)
            foreach (var wanted in breaks[lane])
                if (!HasFree(wanted, today, taken[lane]))
                    missedByClass[lane / Weekdays.PerWeek]++;
    }

    private static bool HasFree(Break wanted, ReadOnlySpan<DayMeeting> today, MinuteInterval[] blocks)
    {
        var free = wanted.Window.Start.Value;
        var (i, j) = (0, 0);
        while (i < today.Length || j < blocks.Length)
        {
            var isMeeting = j == blocks.Length || (i < today.Length && today[i].Start <= blocks[j].Start.Value);
            var (start, end) = isMeeting
                ? (today[i].Start, today[i++].End)
                : (blocks[j].Start.Value, blocks[j++].End.Value);
            if (Math.Min(start, wanted.Window.End.Value) - free >= wanted.Minutes)
                return true;
            free = Math.Max(free, end);
        }
        return wanted.Window.End.Value - free >= wanted.Minutes;
    }

    private T[] ByLane<T>(Func<Weekday, T> of) =>
        [
            .. Enumerable
                .Range(0, tables.Classes.Length * Weekdays.PerWeek)
                .Select(lane => of((Weekday)(lane % Weekdays.PerWeek))),
        ];
}
