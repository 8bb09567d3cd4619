using System.Numerics;
using System.Runtime.CompilerServices;
using HourGrid.Core.Engine.Compiling;

namespace HourGrid.Core.Engine.Counting;

/// <summary>Counts the ways to complete a state, depth first. For one thread at a time.</summary>
/// <remarks>
/// The last two levels are one loop without a branch: for each option of the second-last level that is left, the bits
/// the last level has left of its row are counted, weighted by bit planes where options have several ways.
/// </remarks>
internal sealed unsafe class CompletionCounter
{
    /// <summary>Words looked at between two looks at the clock; some 50 µs.</summary>
    private const int WorkBetweenLooks = 1 << 15;

    private readonly Choosing choosing;
    private readonly WorkLimit limit;
    private readonly int[] first;
    private readonly int levels;
    private readonly uint[][] ways;
    private readonly BitPlanes lastWays;
    private readonly bool[] fits64;
    private int work;

    public CompletionCounter(Choosing choosing, WorkLimit limit)
    {
        this.choosing = choosing;
        this.limit = limit;
        var problem = choosing.Problem;
        first = problem.Layout.First;
        levels = problem.Levels.Count;
        ways = [.. problem.Levels.Select(level => level.Options.Select(option => (uint)option.Ways).ToArray())];
        lastWays = new BitPlanes(ways[^1]);
        fits64 = new bool[levels + 1];
        var product = (UInt128)1;
        for (var level = levels; level >= 0; level--)
        {
            if (level < levels)
                product *= (UInt128)Math.Max(1, problem.Levels[level].Options.Sum(option => (long)option.Ways));
            fits64[level] = product <= long.MaxValue && (level == levels || fits64[level + 1]);
        }
    }

    /// <summary>Whether the limit stopped the counting, so that what it gave since is less than there is.</summary>
    public bool IsStopped { get; private set; }

    /// <summary>How many timetables and week shapes complete a state; fewer once stopped.</summary>
    /// <param name="level">The first level that has not chosen.</param>
    /// <param name="state">The state.</param>
    public Tally Below(int level, ulong* state)
    {
        if (fits64[level])
        {
            var (timetables, shapes) = Narrow(level, state, choosing.IsFree(Math.Min(level, levels), state));
            return new(timetables, shapes);
        }
        var total = Tally.None;
        var next = choosing.Scratch(level + 1);
        for (var word = first[level]; word < first[level + 1] && !IsStopped; word++)
        for (var bits = state[word]; bits != 0 && !IsStopped; bits &= bits - 1)
        {
            var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
            if (choosing.Choose(level, option, state, next))
                total += Below(level + 1, next).Times(ways[level][option]);
        }
        return total;
    }

    private Pair Narrow(int level, ulong* state, bool isFree)
    {
        if (level == levels)
            return new(1, 1);
        if (level == levels - 1)
            return Last(state, isFree);
        if (level == levels - 2)
            return LastTwo(state, isFree);
        ulong timetables = 0;
        ulong shapes = 0;
        var next = choosing.Scratch(level + 1);
        for (var word = first[level]; word < first[level + 1]; word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
            if (!choosing.Choose(level, option, state, next))
                continue;
            var below = Narrow(level + 1, next, isFree || choosing.IsFree(level + 1, next));
            timetables += below.Timetables * ways[level][option];
            shapes += below.Shapes;
            if (IsStopped)
                return new(timetables, shapes);
        }
        return new(timetables, shapes);
    }

    private Pair LastTwo(ulong* state, bool isFree)
    {
        var level = levels - 2;
        var from = first[level];
        var last = first[level + 1];
        var lastWords = first[level + 2] - last;
        var levelWays = ways[level];
        ulong timetables = 0;
        ulong shapes = 0;
        for (var word = from; word < last; word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var option = ((word - from) << 6) + BitOperations.TrailingZeroCount(bits);
            Pair below;
            if (isFree)
                below = Count(state + last, choosing.Row(level, option), lastWords);
            else
            {
                var next = choosing.Scratch(levels - 1);
                if (!choosing.Choose(level, option, state, next))
                    continue;
                below = Last(next, choosing.IsFree(levels - 1, next));
            }
            timetables += below.Timetables * levelWays[option];
            shapes += below.Shapes;
        }
        work += (last - from) * 64 * lastWords;
        if (work > WorkBetweenLooks)
        {
            work = 0;
            IsStopped = IsStopped || limit.IsOver();
        }
        return new(timetables, shapes);
    }

    private Pair Last(ulong* state, bool isFree)
    {
        var level = levels - 1;
        if (isFree)
            return Count(state + first[level], state + first[level], first[level + 1] - first[level]);
        ulong timetables = 0;
        ulong shapes = 0;
        var next = choosing.Scratch(levels);
        for (var word = first[level]; word < first[level + 1]; word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
            if (!choosing.KeepsRules(level, option, state, next))
                continue;
            timetables += ways[level][option];
            shapes++;
        }
        return new(timetables, shapes);
    }

    /// <summary>Options of the last level in both sets, as often as they have ways and once each.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private Pair Count(ulong* one, ulong* other, int words)
    {
        var planes = lastWays;
        if (planes.AllOnce)
        {
            ulong all = 0;
            for (var word = 0; word < words; word++)
                all += (ulong)BitOperations.PopCount(one[word] & other[word]);
            return new(all, all);
        }
        ulong timetables = 0;
        ulong shapes = 0;
        for (var word = 0; word < words; word++)
        {
            var both = one[word] & other[word];
            shapes += (ulong)BitOperations.PopCount(both);
            timetables += planes.Weigh(word, both);
        }
        return new(timetables, shapes);
    }

    private readonly record struct Pair(ulong Timetables, ulong Shapes);
}
