using System.Numerics;
using System.Runtime.Intrinsics;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Measuring;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// The least that the levels from each level on must add to each measure, whatever is chosen: with what is chosen
/// already, a score that no completion can beat.
/// </summary>
internal sealed class Bounds
{
    public Bounds(Problem problem, WeekTables tables, RankedOption[][] ranked, CancellationToken cancellation)
    {
        var levels = problem.Levels.Count;
        MostBusy = new int[levels + 1];
        MostBusyByLane = new Vector256<short>[levels + 1][];
        LatestEarliest = new int[levels + 1];
        EarliestLatest = new int[levels + 1];
        LeastSoft = new int[levels + 1];
        LeastAway = new int[levels + 1];
        LeastStretch = new int[levels + 1];
        MostTaken = new int[levels + 1];
        MostSpare = new int[levels + 1];
        LeastChanges = new int[levels + 1];
        FewestSections = new int[levels + 1];
        DaysAtLeast = new byte[levels + 1][][];
        MostBusyByLane[levels] = new Vector256<short>[tables.Vectors];
        var mostByLane = new short[tables.WeightOfLane.Length];
        LatestEarliest[levels] = OptionTable.NoStart;
        MostSpare[levels] = Badness.EnoughSeats;
        DaysAtLeast[levels] =
        [
            .. tables.Classes.Select(_ =>
                Enumerable.Range(0, 128).Select(days => (byte)BitOperations.PopCount((uint)days)).ToArray()
            ),
        ];
        for (var level = levels - 1; level >= 0; level--)
        {
            cancellation.ThrowIfCancellationRequested();
            var options = tables.Options[level];
            MostBusy[level] = MostBusy[level + 1] + options.Max(option => option.WeightedBusy);
            for (var lane = 0; lane < mostByLane.Length; lane++)
                mostByLane[lane] = (short)
                    Math.Min(short.MaxValue, mostByLane[lane] + options.Max(option => option.BusyByLane[lane]));
            MostBusyByLane[level] =
            [
                .. mostByLane.Chunk(Vector256<short>.Count).Select(chunk => Vector256.Create(chunk)),
            ];
            LatestEarliest[level] = Math.Min(LatestEarliest[level + 1], options.Max(option => option.EarliestStart));
            EarliestLatest[level] = Math.Max(EarliestLatest[level + 1], options.Min(option => option.LatestEnd));
            LeastSoft[level] = LeastSoft[level + 1] + options.Min(option => option.Soft);
            LeastAway[level] = LeastAway[level + 1] + options.Min(option => option.Away);
            LeastStretch[level] = Math.Max(LeastStretch[level + 1], options.Min(option => option.LongestStretch));
            MostTaken[level] = MostTaken[level + 1] + options.Max(option => option.IsAbsent ? 0 : 1);
            MostSpare[level] = Math.Min(MostSpare[level + 1], ranked[level].Max(option => option.MostSpare));
            LeastChanges[level] = LeastChanges[level + 1] + options.Min(option => option.IsChange ? 1 : 0);
            FewestSections[level] = FewestSections[level + 1] + ranked[level].Min(option => option.FewestSections);
            DaysAtLeast[level] = Days(DaysAtLeast[level + 1], options);
        }
    }

    /// <summary>Busy minutes over all weeks that later levels can add at most: so much idle time they can fill.</summary>
    public int[] MostBusy { get; }

    /// <summary>The same by lane, in minutes of one week, by vector.</summary>
    public Vector256<short>[][] MostBusyByLane { get; }

    /// <summary>The earliest start is no later than this.</summary>
    public int[] LatestEarliest { get; }

    /// <summary>The latest end is no earlier than this.</summary>
    public int[] EarliestLatest { get; }

    public int[] LeastSoft { get; }
    public int[] LeastAway { get; }
    public int[] LeastStretch { get; }
    public int[] MostTaken { get; }
    public int[] MostSpare { get; }
    public int[] LeastChanges { get; }
    public int[] FewestSections { get; }

    /// <summary>By level, week class and weekdays used so far: the fewest weekdays used in the end.</summary>
    public byte[][][] DaysAtLeast { get; }

    private static byte[][] Days(byte[][] after, OptionTable[] options)
    {
        var days = new byte[after.Length][];
        for (var weekClass = 0; weekClass < after.Length; weekClass++)
        {
            int[] added = [.. options.Select(option => option.DaysByClass[weekClass]).Distinct()];
            days[weekClass] = new byte[128];
            for (var used = 0; used < 128; used++)
            {
                var fewest = byte.MaxValue;
                foreach (var more in added)
                    fewest = Math.Min(fewest, after[weekClass][used | more]);
                days[weekClass][used] = fewest;
            }
        }
        return days;
    }
}
