using System.Numerics;
using System.Runtime.CompilerServices;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Counting;

/// <summary>In how many completions of a state each option stands. For one thread.</summary>
/// <remarks>
/// Where no rule can be broken any more, the last two levels are counted as sets in both directions: for each option of
/// one level, the options of the other that its row, or its column, leaves. Where only sums can be broken, so are the
/// options that take the same off them.
/// </remarks>
internal sealed unsafe class TailOptionCounts<T>
    where T : struct, IBinaryInteger<T>
{
    /// <summary>What a state takes beside its options, as so many words.</summary>
    private const int WorkOfState = 128;

    private readonly StateStep step;
    private readonly T[][] counts;
    private readonly Deadline deadline;
    private readonly int[] first;
    private readonly int levels;
    private readonly ulong[][] ways;
    private readonly BitPlanes[] planes;
    private readonly ulong[] columns;
    private readonly int columnWords;

    // Whether each of the last two levels has one word, and every option of them one bundle.
    private readonly bool isPlain;
    private readonly int stride;

    // Of the last two levels, and a state of their open options.
    private readonly OptionsByAmount ones;
    private readonly OptionsByAmount others;
    private readonly ulong[] open;

    // By level, words looked at to choose each of its options; and those of counting the last two as a set.
    private readonly long[] workOf;
    private readonly long workOfPairs;

    /// <param name="step">The problem.</param>
    /// <param name="columns">Its <see cref="TurnedRows"/>; none where it has fewer than two levels.</param>
    /// <param name="counts">By level and option, what is added to.</param>
    /// <param name="limit">How long it may take.</param>
    public TailOptionCounts(StateStep step, ulong[] columns, T[][] counts, WorkLimit limit)
    {
        this.step = step;
        this.counts = counts;
        deadline = new(limit);
        var problem = step.Problem;
        first = problem.Layout.First;
        levels = problem.Levels.Count;
        ways = [.. problem.Levels.Select(level => level.Options.Select(option => (ulong)option.Ways).ToArray())];
        planes = [.. ways.Select(level => new BitPlanes([.. level.Select(way => (uint)way)]))];
        columnWords = levels < 2 ? 0 : first[levels - 1] - first[levels - 2];
        this.columns = columns;
        ones = new(step, Math.Max(0, levels - 2));
        others = new(step, levels - 1);
        open = GC.AllocateArray<ulong>(problem.Layout.WordCount + 1, pinned: true);
        workOf = [.. Enumerable.Range(0, levels).Select(level => problem.WordsOfLevel(level) + WorkOfState)];
        if (levels < 2)
            return;
        isPlain =
            columnWords == 1
            && first[levels] - first[levels - 1] == 1
            && planes[levels - 2].PerWord == 0
            && planes[levels - 1].PerWord == 0;
        stride = problem.RowWords(levels - 2);
        workOfPairs = problem.WordsOfLevel(levels - 2) + (long)ways[^1].Length * columnWords + WorkOfState;
    }

    /// <summary>Whether the limit stopped it, so that what was counted since is less than there is.</summary>
    public bool IsStopped => deadline.HasPassed;

    /// <summary>Adds up what stands on each option below a state that so many ways lead to.</summary>
    /// <returns>The completions of the state.</returns>
    public T Count(int level, ulong* state, T weight)
    {
        if (level == levels - 2 && step.IsFree(level, state))
            return CountFreePairs(state, weight);
        if (level == levels - 2 && ones.AreFew && step.WitnessesOutlast(level, state))
            return CountByTaking(state, weight);
        if (level == levels)
            return T.One;
        if (deadline.HasPassedAfter(workOf[level]))
            return T.Zero;
        var sum = T.Zero;
        var next = step.Scratch(level + 1);
        for (var word = first[level]; word < first[level + 1] && !IsStopped; word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
            if (!step.Choose(level, option, state, next))
                continue;
            var itsWays = T.CreateTruncating(ways[level][option]);
            var below = Count(level + 1, next, weight * itsWays) * itsWays;
            counts[level][option] += weight * below;
            sum += below;
        }
        return sum;
    }

    private T CountFreePairs(ulong* state, T weight) =>
        deadline.HasPassedAfter(workOfPairs) ? T.Zero
        : isPlain ? CountPlainPairs(state, weight)
        : CountPairs(state, weight);

    private T CountByTaking(ulong* state, T weight)
    {
        var sum = T.Zero;
        var (from, to) = (first[levels - 1], first[levels]);
        var left = Pinned.Pointer(open);
        for (var group = 0; group < ones.Count; group++)
        {
            if (!ones.Open(group, state, left) || !step.TakeFromLanes(levels - 2, ones.OptionOf(group), state, left))
                continue;
            for (var word = from; word < to; word++)
                left[word] = state[word];
            var allowed = others.Left(left);
            for (var word = from; word < to; word++)
                left[word] = allowed[word - from];
            sum += CountFreePairs(left, weight);
        }
        return sum;
    }

    /// <summary>As <see cref="CountPairs"/>, where a word holds each level: most of what there is where hours are irregular.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private T CountPlainPairs(ulong* state, T weight)
    {
        var (ones, others) = (state[first[levels - 2]], state[first[levels - 1]]);
        var (itsOnes, itsOthers) = (counts[levels - 2], counts[levels - 1]);
        var row = step.Row(levels - 2, 0);
        var column = Pinned.Pointer(columns);
        var sum = 0UL;
        for (var bits = ones; bits != 0; bits &= bits - 1)
        {
            var option = BitOperations.TrailingZeroCount(bits);
            var both = (ulong)BitOperations.PopCount(row[option * stride] & others);
            itsOnes[option] += weight * T.CreateTruncating(both);
            sum += both;
        }
        for (var bits = others; bits != 0; bits &= bits - 1)
        {
            var option = BitOperations.TrailingZeroCount(bits);
            var both = (ulong)BitOperations.PopCount(column[option] & ones);
            itsOthers[option] += weight * T.CreateTruncating(both);
        }
        return T.CreateTruncating(sum);
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private T CountPairs(ulong* state, T weight)
    {
        var from = state + first[levels - 2];
        var to = state + first[levels - 1];
        var lastWords = first[levels] - first[levels - 1];
        var (itsOnes, itsOthers) = (counts[levels - 2], counts[levels - 1]);
        var (waysOnes, waysOthers) = (ways[levels - 2], ways[levels - 1]);
        var (planesOnes, planesOthers) = (planes[levels - 2], planes[levels - 1]);
        var row = step.Row(levels - 2, 0);
        var sum = 0UL;
        for (var word = 0; word < columnWords; word++)
        for (var bits = from[word]; bits != 0; bits &= bits - 1)
        {
            var option = (word << 6) + BitOperations.TrailingZeroCount(bits);
            var both = Weigh(planesOthers, row + (long)option * stride, to, lastWords) * waysOnes[option];
            itsOnes[option] += weight * T.CreateTruncating(both);
            sum += both;
        }
        var column = Pinned.Pointer(columns);
        for (var word = 0; word < lastWords; word++)
        for (var bits = to[word]; bits != 0; bits &= bits - 1)
        {
            var option = (word << 6) + BitOperations.TrailingZeroCount(bits);
            var both = Weigh(planesOnes, column + (long)option * columnWords, from, columnWords) * waysOthers[option];
            itsOthers[option] += weight * T.CreateTruncating(both);
        }
        return T.CreateTruncating(sum);
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static ulong Weigh(BitPlanes planes, ulong* one, ulong* other, int words)
    {
        var sum = 0UL;
        for (var word = 0; word < words; word++)
            sum += planes.Weigh(word, one[word] & other[word]);
        return sum;
    }
}
