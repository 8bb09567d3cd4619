using System.Numerics;
using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;

namespace HourGrid.Core.Engine.Counting;

/// <summary>Counts the triples of options of the last three levels that may stand together, where no rule is left to break.</summary>
/// <remarks>
/// For each option left of the third-last level, what its row leaves of the last two is counted as pairs. Where each
/// of the three levels is one word, or the last one two, that stays in registers, without a call or a state written.
/// </remarks>
internal sealed unsafe class TripleCounter
{
    private readonly StateStep step;
    private readonly PairCounter pairs;
    private readonly BitPlanes planes;
    private readonly uint[] ways;
    private readonly uint[] pairWays;
    private readonly int level;
    private readonly int[] first;
    private readonly bool isNarrow;
    private readonly bool lastIsTwoWords;

    /// <param name="step">A problem of three levels at least.</param>
    /// <param name="pairs">Counts its pairs.</param>
    public TripleCounter(StateStep step, PairCounter pairs)
    {
        this.step = step;
        this.pairs = pairs;
        var levels = step.Problem.Levels;
        level = levels.Count - 3;
        first = step.Problem.Layout.First;
        ways = [.. levels[^3].Options.Select(option => (uint)option.Ways)];
        pairWays = [.. levels[^2].Options.Select(option => (uint)option.Ways)];
        planes = new([.. levels[^1].Options.Select(option => (uint)option.Ways)]);
        isNarrow = first[^1] - first[^4] == 3 && planes.PerWord <= 1;
        lastIsTwoWords = first[^1] - first[^2] == 2 && planes.PerWord == 0;
    }

    /// <summary>Triples, from a state in which all but the last three levels have chosen.</summary>
    public Count64 Count(ulong* state) =>
        isNarrow ? CountWords(state + first[level])
        : lastIsTwoWords ? CountTwoWords(state)
        : CountWide(state);

    /// <param name="left">What is left of each of the three, a word each.</param>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private Count64 CountWords(ulong* left)
    {
        ulong timetables = 0;
        ulong shapes = 0;
        var rows = step.Row(level, 0);
        var stride = step.Problem.RowWords(level);
        var pairRows = step.Row(level + 1, 0);
        var pairStride = step.Problem.RowWords(level + 1);
        // Invariant: options come from the bits of a state, so they lie within the arrays of their level.
        ref var way = ref MemoryMarshal.GetArrayDataReference(ways);
        ref var pairWay = ref MemoryMarshal.GetArrayDataReference(pairWays);
        var twice = planes.Plane(0, 0);
        for (var bits = left[0]; bits != 0; bits &= bits - 1)
        {
            var option = BitOperations.TrailingZeroCount(bits);
            var row = rows + option * stride;
            var others = left[2] & row[1];
            if (others == 0)
                continue;
            ulong weighed = 0;
            ulong counted = 0;
            if (twice == 0)
                for (var ones = left[1] & row[0]; ones != 0; ones &= ones - 1)
                {
                    var one = BitOperations.TrailingZeroCount(ones);
                    var count = (ulong)BitOperations.PopCount(pairRows[one * pairStride] & others);
                    counted += count;
                    weighed += count * Unsafe.Add(ref pairWay, one);
                }
            else
                for (var ones = left[1] & row[0]; ones != 0; ones &= ones - 1)
                {
                    var one = BitOperations.TrailingZeroCount(ones);
                    var both = pairRows[one * pairStride] & others;
                    var count = BitOperations.PopCount(both);
                    counted += (ulong)count;
                    weighed += (ulong)(count + BitOperations.PopCount(both & twice)) * Unsafe.Add(ref pairWay, one);
                }
            shapes += counted;
            timetables += weighed * Unsafe.Add(ref way, option);
        }
        return new(timetables, shapes);
    }

    /// <summary>Where the last level is two words, and each of its options has one bundle.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private Count64 CountTwoWords(ulong* state)
    {
        ulong timetables = 0;
        ulong shapes = 0;
        var pairWords = first[^2] - first[^3];
        var pairs = state + first[^3];
        var (last0, last1) = (pairs[pairWords], pairs[pairWords + 1]);
        var pairRows = step.Row(level + 1, 0);
        var pairStride = step.Problem.RowWords(level + 1);
        ref var way = ref MemoryMarshal.GetArrayDataReference(ways);
        ref var pairWay = ref MemoryMarshal.GetArrayDataReference(pairWays);
        for (var word = first[level]; word < first[level + 1]; word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
            var row = step.Row(level, option);
            var (others0, others1) = (last0 & row[pairWords], last1 & row[pairWords + 1]);
            if ((others0 | others1) == 0)
                continue;
            ulong weighed = 0;
            for (var pairWord = 0; pairWord < pairWords; pairWord++)
            for (var ones = pairs[pairWord] & row[pairWord]; ones != 0; ones &= ones - 1)
            {
                var one = (pairWord << 6) + BitOperations.TrailingZeroCount(ones);
                var optionRow = pairRows + one * pairStride;
                var count = (ulong)(
                    BitOperations.PopCount(optionRow[0] & others0) + BitOperations.PopCount(optionRow[1] & others1)
                );
                shapes += count;
                weighed += count * Unsafe.Add(ref pairWay, one);
            }
            timetables += weighed * Unsafe.Add(ref way, option);
        }
        return new(timetables, shapes);
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private Count64 CountWide(ulong* state)
    {
        ulong timetables = 0;
        ulong shapes = 0;
        var next = step.Scratch(level + 1);
        for (var word = first[level]; word < first[level + 1]; word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
            var row = step.Row(level, option) - first[level + 1];
            var any = 0UL;
            for (var later = first[level + 1]; later < first[level + 2]; later++)
                any |= next[later] = state[later] & row[later];
            if (any == 0)
                continue;
            for (var later = first[level + 2]; later < first[level + 3]; later++)
                next[later] = state[later] & row[later];
            var pairCounts = pairs.Count(next + first[level + 1], next + first[level + 2]);
            shapes += pairCounts.Shapes;
            timetables += pairCounts.Timetables * ways[option];
        }
        return new(timetables, shapes);
    }
}
