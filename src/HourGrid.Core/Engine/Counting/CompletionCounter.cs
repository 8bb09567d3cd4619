using System.Numerics;
using System.Runtime.CompilerServices;
using HourGrid.Core.Engine.Compiling;

namespace HourGrid.Core.Engine.Counting;

/// <summary>Counts the ways to complete a state, depth first. For one thread at a time.</summary>
/// <remarks>
/// Once no rule can be broken any more, the last levels are counted as sets, by <see cref="TripleCounter"/> and
/// <see cref="PairCounter"/>.
/// </remarks>
internal sealed unsafe class CompletionCounter
{
    /// <summary>Words looked at between two looks at the clock; some 50 µs.</summary>
    private const int WorkBetweenLooks = 1 << 15;

    /// <summary>
    /// Words that triples may look at without a look at the clock, some milliseconds: where levels are so wide that there
    /// are more, their pairs are counted one option at a time.
    /// </summary>
    private const long MostAtOnce = 1 << 20;

    private readonly Choosing choosing;
    private readonly WorkLimit limit;
    private readonly int[] first;
    private readonly int levels;
    private readonly uint[][] ways;
    private readonly PairCounter pairs;
    private readonly RuledPairCounter? ruled;
    private readonly TripleCounter? triples;
    private readonly TriplesByTaking? ruledTriples;
    private readonly bool canCountTriples;
    private readonly int workOfPair;
    private readonly long workOfTriple;
    private long work;

    public CompletionCounter(Choosing choosing, WorkLimit limit)
    {
        this.choosing = choosing;
        this.limit = limit;
        var problem = choosing.Problem;
        first = problem.Layout.First;
        levels = problem.Levels.Count;
        ways = [.. problem.Levels.Select(level => level.Options.Select(option => (uint)option.Ways).ToArray())];
        pairs = new PairCounter(choosing);
        ruled = choosing.HasRules ? new RuledPairCounter(choosing, pairs, limit) : null;
        triples = levels < 3 ? null : new TripleCounter(choosing, pairs);
        ruledTriples =
            triples is not null
            && choosing.HasRules
            && new TriplesByTaking(choosing, triples) is { LanesTell: true } tell
                ? tell
                : null;
        workOfPair = levels < 2 ? 1 : ways[^2].Length * (first[^1] - first[^2]);
        workOfTriple = levels < 3 ? 1 : (long)ways[^3].Length * workOfPair / 4;
        canCountTriples = workOfTriple <= MostAtOnce;
    }

    /// <summary>Whether the limit stopped the counting, so that what it gave since is less than there is.</summary>
    public bool IsStopped { get; private set; }

    /// <summary>How many timetables and week shapes complete a state; fewer once stopped.</summary>
    /// <param name="level">The first level that has not chosen.</param>
    /// <param name="state">The state.</param>
    public Tally Below(int level, ulong* state)
    {
        if (choosing.Fits64(level))
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

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private Pair Narrow(int level, ulong* state, bool isFree)
    {
        if (level == levels)
            return new(1, 1);
        if (level == levels - 1)
            return Last(state, isFree);
        if (level == levels - 2)
            return LastTwo(state, isFree);
        if (
            level == levels - 3
            && canCountTriples
            && (isFree || (ruledTriples is not null && choosing.WitnessesOutlast(level, state)))
        )
        {
            Look(workOfTriple);
            return isFree ? triples!.Count(state) : ruledTriples!.Count(state);
        }
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
        Look(workOfPair);
        if (isFree)
            return pairs.Count(state + first[levels - 2], state + first[levels - 1]);
        var count = ruled!.Count(state);
        IsStopped |= ruled.IsStopped;
        return count;
    }

    private Pair Last(ulong* state, bool isFree) =>
        isFree ? pairs.CountLast(state + first[levels - 1]) : ruled!.CountLastAlone(state);

    private void Look(long done)
    {
        work += done;
        if (work <= WorkBetweenLooks)
            return;
        work = 0;
        IsStopped = IsStopped || limit.IsOver();
    }
}
