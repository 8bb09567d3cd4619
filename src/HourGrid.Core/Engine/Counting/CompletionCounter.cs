using System.Numerics;
using System.Runtime.CompilerServices;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Counting;

/// <summary>Counts the ways to complete a state, depth first. For one thread at a time.</summary>
/// <remarks>
/// Once no rule can be broken any more, the last levels are counted as sets, by <see cref="TripleCounter"/> and
/// <see cref="PairCounter"/>.
/// </remarks>
internal sealed unsafe class CompletionCounter
{
    /// <summary>
    /// Words that a set may look at without a look at the clock, some milliseconds: where levels are so wide that there
    /// are more, it is counted one option at a time.
    /// </summary>
    private const long MostAtOnce = 1 << 20;

    private readonly StateStep step;
    private readonly Deadline deadline;
    private readonly int[] first;
    private readonly int levels;
    private readonly uint[][] ways;
    private readonly PairCounter pairs;
    private readonly RuledPairCounter? ruled;
    private readonly TripleCounter? triples;
    private readonly TriplesByAmount? ruledTriples;

    // By level, words looked at to choose each of its options; and those of counting the last two or three as a set.
    private readonly long[] workOf;
    private readonly long workOfPair;
    private readonly long workOfTriple;

    public CompletionCounter(StateStep step, WorkLimit limit)
    {
        this.step = step;
        deadline = new(limit);
        var problem = step.Problem;
        first = problem.Layout.First;
        levels = problem.Levels.Count;
        ways = [.. problem.Levels.Select(level => level.Options.Select(option => (uint)option.Ways).ToArray())];
        pairs = new PairCounter(step);
        ruled = step.HasRules ? new RuledPairCounter(step, pairs, deadline) : null;
        triples = levels < 3 ? null : new TripleCounter(step, pairs);
        ruledTriples =
            triples is not null && step.HasRules && new TriplesByAmount(step, triples) is { LanesTell: true } tell
                ? tell
                : null;
        workOf = [.. Enumerable.Range(0, levels).Select(problem.WordsOfLevel)];
        workOfPair = levels < 2 ? 1 : workOf[^2] + workOf[^1];
        workOfTriple = levels < 3 ? 1 : ways[^3].Length * workOfPair / 4;
    }

    /// <summary>Whether the limit stopped the counting, so that what it gave since is less than there is.</summary>
    public bool IsStopped => deadline.HasPassed;

    /// <summary>How many timetables and week shapes complete a state; fewer once stopped.</summary>
    /// <param name="level">The first level that has not chosen.</param>
    /// <param name="state">The state.</param>
    public Count128 Below(int level, ulong* state)
    {
        if (step.Fits64(level))
        {
            var (timetables, shapes) = Narrow(level, state, step.IsFree(Math.Min(level, levels), state));
            return new(timetables, shapes);
        }
        var total = Count128.None;
        var next = step.Scratch(level + 1);
        for (var word = first[level]; word < first[level + 1] && !IsStopped; word++)
        for (var bits = state[word]; bits != 0 && !IsStopped; bits &= bits - 1)
        {
            var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
            if (step.Choose(level, option, state, next))
                total += Below(level + 1, next).Times(ways[level][option]);
        }
        return total;
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private Count64 Narrow(int level, ulong* state, bool isFree)
    {
        if (level == levels)
            return new(1, 1);
        if (level == levels - 1)
            return Last(state, isFree);
        if (level == levels - 2 && !(isFree && workOfPair > MostAtOnce))
            return LastTwo(state, isFree);
        if (
            level == levels - 3
            && workOfTriple <= MostAtOnce
            && (isFree || (ruledTriples is not null && step.WitnessesOutlast(level, state)))
        )
        {
            return deadline.HasPassedAfter(workOfTriple) ? default
                : isFree ? triples!.Count(state)
                : ruledTriples!.Count(state);
        }
        ulong timetables = 0;
        ulong shapes = 0;
        if (deadline.HasPassedAfter(workOf[level]))
            return default;
        var next = step.Scratch(level + 1);
        for (var word = first[level]; word < first[level + 1]; word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
            if (!step.Choose(level, option, state, next))
                continue;
            var below = Narrow(level + 1, next, isFree || step.IsFree(level + 1, next));
            timetables += below.Timetables * ways[level][option];
            shapes += below.Shapes;
            if (IsStopped)
                return new(timetables, shapes);
        }
        return new(timetables, shapes);
    }

    private Count64 LastTwo(ulong* state, bool isFree) =>
        deadline.HasPassedAfter(workOfPair) ? default
        : isFree ? pairs.Count(state + first[levels - 2], state + first[levels - 1])
        : ruled!.Count(state);

    private Count64 Last(ulong* state, bool isFree) =>
        isFree ? pairs.CountLast(state + first[levels - 1]) : ruled!.CountLastAlone(state);
}
