using System.Numerics;
using System.Runtime.CompilerServices;
using HourGrid.Core.Measures;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// The least that the levels from one on must add to each measure, whatever is chosen: with what is chosen already, a
/// score that no completion can beat.
/// </summary>
internal sealed class LevelBounds
{
    private const int DaySets = 128;

    // By class that matters and weekdays used so far: the fewest weekdays used in the end.
    private readonly byte[] daysAtLeast;

    /// <summary>After the last level: nothing is added.</summary>
    public LevelBounds(WeekTables tables)
    {
        EarliestStartBound = OptionTable.NoStart;
        MostSpare = SeatsToSpare.Enough;
        daysAtLeast =
        [
            .. tables.DayClasses.SelectMany(_ =>
                Enumerable.Range(0, DaySets).Select(days => (byte)BitOperations.PopCount((uint)days))
            ),
        ];
    }

    private LevelBounds(LevelBounds after, WeekTables tables, OptionTable[] options, RankedOption[] ranked)
    {
        MostBusy = after.MostBusy + options.Max(option => option.WeightedBusy);
        EarliestStartBound = Math.Min(after.EarliestStartBound, options.Max(option => option.EarliestStart));
        EarliestLatest = Math.Max(after.EarliestLatest, options.Min(option => option.LatestEnd));
        LeastSoft = after.LeastSoft + options.Min(option => option.Soft);
        LeastAway = after.LeastAway + options.Min(option => option.Away);
        LeastStretch = Math.Max(after.LeastStretch, options.Min(option => option.LongestStretch));
        MostTaken = after.MostTaken + options.Max(option => option.Head.Taken);
        MostSpare = Math.Min(after.MostSpare, ranked.Max(option => option.MostSpare));
        LeastChanges = after.LeastChanges + options.Min(option => option.Head.Changes);
        FewestSections = after.FewestSections + ranked.Min(option => option.FewestSections);
        daysAtLeast = Days(after.daysAtLeast, tables, options);
    }

    /// <summary>Busy minutes over all weeks that later levels can add at most: so much idle time they can fill.</summary>
    public int MostBusy { get; }

    /// <summary>The earliest start is no later than this.</summary>
    public int EarliestStartBound { get; }

    /// <summary>The latest end is no earlier than this.</summary>
    public int EarliestLatest { get; }

    public int LeastSoft { get; }
    public int LeastAway { get; }
    public int LeastStretch { get; }
    public int MostTaken { get; }
    public int MostSpare { get; }
    public int LeastChanges { get; }
    public int FewestSections { get; }

    /// <summary>The fewest class days in the worst week there will be.</summary>
    /// <param name="used">The weekdays used so far, for the classes that can matter, a byte each.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public int DaysAtLeast(ulong used)
    {
        var fewest = 0;
        for (var at = 0; at < daysAtLeast.Length; used >>= 8, at += DaySets)
            fewest = Math.Max(fewest, daysAtLeast[at + (int)(used & (DaySets - 1))]);
        return fewest;
    }

    /// <summary>For each level, and the end after the last.</summary>
    public static LevelBounds[] Of(Problem problem, WeekTables tables, RankedOption[][] ranked)
    {
        var bounds = new LevelBounds[problem.Levels.Count + 1];
        bounds[^1] = new LevelBounds(tables);
        for (var level = bounds.Length - 2; level >= 0; level--)
            bounds[level] = new LevelBounds(bounds[level + 1], tables, tables.Options[level], ranked[level]);
        return bounds;
    }

    /// <summary>For one level alone.</summary>
    public static LevelBounds Alone(WeekTables tables, int level, RankedOption[] ranked) =>
        new(new LevelBounds(tables), tables, tables.Options[level], ranked);

    private static byte[] Days(byte[] after, WeekTables tables, OptionTable[] options)
    {
        var days = new byte[after.Length];
        for (var i = 0; i < tables.DayClasses.Length; i++)
        {
            int[] added = [.. options.Select(option => (int)(option.Head.Days >> 8 * i) & (DaySets - 1)).Distinct()];
            for (var used = 0; used < DaySets; used++)
            {
                var fewest = byte.MaxValue;
                foreach (var more in added)
                    fewest = Math.Min(fewest, after[i * DaySets + (used | more)]);
                days[i * DaySets + used] = fewest;
            }
        }
        return days;
    }
}
