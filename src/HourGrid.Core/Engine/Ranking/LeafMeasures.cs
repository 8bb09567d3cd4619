using System.Numerics;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Measures;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>The measures that need a day's meetings in their order: stretches, campus moves, soft breaks.</summary>
internal sealed class LeafMeasures
{
    private readonly WeekTables tables;
    private readonly int[] missedByClass;
    private readonly bool breaksMatter;
    private readonly bool isWanted;

    // The meetings of a timetable, a bit each, and in their order.
    private readonly ulong[] places;
    private readonly DayMeeting[] meetings;

    // By day: the soft breaks wanted on it, and the hours that Can't blocks take of it.
    private readonly Break[][] breaks;
    private readonly MinuteInterval[][] taken;

    /// <param name="tables">What is known of the options.</param>
    /// <param name="ask">Whose soft breaks are counted.</param>
    /// <param name="forScore">Whether only what has a weight is wanted.</param>
    public LeafMeasures(WeekTables tables, Ask ask, bool forScore = true)
    {
        this.tables = tables;
        meetings = new DayMeeting[tables.Meetings.InOrder.Length];
        places = new ulong[(meetings.Length + 63) / 64];
        missedByClass = new int[tables.Classes.Length];
        var soft = ask.Breaks.Where(wanted => wanted.Strength == Strength.RatherNot).ToArray();
        bool IsWanted(Measure measure) => !forScore || measure.WeightIn(ask.Weights) != 0;
        breaksMatter = soft.Length > 0 && IsWanted(Core.Measures.BreaksMissed.Measure);
        isWanted =
            breaksMatter
            || IsWanted(Core.Measures.LongestStretch.Measure)
            || IsWanted(CampusMoves.Measure)
            || IsWanted(OnTheWayMinutes.Measure);
        breaks = ByDay<Break[]>(day => [.. soft.Where(wanted => wanted.Days.Contains(day))]);
        taken = new MinuteInterval[breaks.Length][];
        for (var day = 0; day < taken.Length; day++)
            taken[day] =
            [
                .. ask
                    .TimeBlocks.Where(block =>
                        block.Strength == Strength.Cannot
                        && block.Days.Contains((Weekday)(day % Weekdays.PerWeek))
                        && block.Weeks.Overlaps(tables.Classes[day / Weekdays.PerWeek])
                    )
                    .Select(block => block.Time)
                    .Order(),
            ];
    }

    public int LongestStretch { get; private set; }

    /// <summary>Campus moves over all weeks.</summary>
    public int Moves { get; private set; }

    /// <summary>Minutes from campus to campus over all weeks.</summary>
    public int OnTheWay { get; private set; }

    /// <summary>Soft breaks missed in the worst week.</summary>
    public int BreaksMissed { get; private set; }

    /// <param name="chosen">An option of each level.</param>
    public void Measure(ReadOnlySpan<int> chosen)
    {
        if (!isWanted)
            return;
        for (var level = 0; level < chosen.Length; level++)
            foreach (var place in tables.Options[level][chosen[level]].Meetings)
                places[place >> 6] |= 1UL << place;
        var count = 0;
        for (var word = 0; word < places.Length; word++)
        {
            for (var bits = places[word]; bits != 0; bits &= bits - 1)
                meetings[count++] = tables.Meetings.InOrder[(word << 6) + BitOperations.TrailingZeroCount(bits)];
            places[word] = 0;
        }
        Measure(meetings.AsSpan(0, count));
    }

    private void Measure(ReadOnlySpan<DayMeeting> all)
    {
        (LongestStretch, Moves, OnTheWay, BreaksMissed) = (0, 0, 0, 0);
        if (breaksMatter)
            Array.Clear(missedByClass);
        for (var from = 0; from < all.Length; )
        {
            var to = from + 1;
            while (to < all.Length && all[to].Day == all[from].Day)
                to++;
            MeasureDay(all[from..to]);
            from = to;
        }
        foreach (var missed in missedByClass)
            BreaksMissed = Math.Max(BreaksMissed, missed);
    }

    private void MeasureDay(ReadOnlySpan<DayMeeting> today)
    {
        var (weekClass, day) = (today[0].Day / Weekdays.PerWeek, today[0].Day);
        var walk = new DayWalk(today, tables.Campuses);
        LongestStretch = Math.Max(LongestStretch, walk.LongestStretch);
        Moves += walk.Moves * tables.WeeksIn[weekClass];
        OnTheWay += walk.OnTheWay * tables.WeeksIn[weekClass];
        if (breaksMatter)
            foreach (var wanted in breaks[day])
                if (!FreeTime.IsLeftFor(wanted, today, taken[day]))
                    missedByClass[weekClass]++;
    }

    private T[] ByDay<T>(Func<Weekday, T> of) =>
        [
            .. Enumerable
                .Range(0, tables.Classes.Length * Weekdays.PerWeek)
                .Select(day => of((Weekday)(day % Weekdays.PerWeek))),
        ];
}
