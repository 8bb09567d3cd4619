using System.Numerics;
using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;

namespace HourGrid.Core.Engine.Counting;

/// <summary>Counts the pairs of options of the last two levels that may stand together, where no rule is left to break.</summary>
/// <remarks>
/// This is where counting spends its time. For each option left of the second-last level, the options that its row
/// leaves of the last one are counted a word at a time, without a branch. Where options of the last level have several
/// ways, planes of those above the first are counted beside (<see cref="BitPlanes"/>).
/// </remarks>
internal sealed unsafe class PairCounter
{
    private readonly StateStep step;
    private readonly uint[] ways;
    private readonly BitPlanes planes;
    private readonly int level;
    private readonly int words;
    private readonly int lastWords;
    private readonly int stride;

    // What is left of the last level, cut by each plane: the same for every option of the other level.
    private readonly ulong[] cut;

    public PairCounter(StateStep step)
    {
        this.step = step;
        var levels = step.Problem.Levels;
        var first = step.Problem.Layout.First;
        level = levels.Count - 2;
        planes = new([.. levels[^1].Options.Select(option => (uint)option.Ways)]);
        lastWords = first[^1] - first[^2];
        cut = GC.AllocateArray<ulong>(lastWords * planes.PerWord + 1, pinned: true);
        if (level < 0)
        {
            ways = [];
            return;
        }
        ways = [.. levels[level].Options.Select(option => (uint)option.Ways)];
        words = first[^2] - first[^3];
        stride = step.Problem.RowWords(level);
    }

    /// <summary>Pairs of an option of one set and an option of the other that do not conflict.</summary>
    /// <param name="ones">What is left of the second-last level.</param>
    /// <param name="others">What is left of the last level.</param>
    public Count64 Count(ulong* ones, ulong* others) =>
        lastWords == 2 && planes.PerWord <= 1 ? CountTwoWords(ones, others)
        : planes.PerWord == 0 && words == 1 && lastWords == 1 ? CountWord(ones[0], others[0])
        : CountWords(ones, others);

    /// <summary>Options left of the last level.</summary>
    public Count64 CountLast(ulong* left)
    {
        ulong timetables = 0;
        ulong shapes = 0;
        for (var word = 0; word < lastWords; word++)
        {
            shapes += (ulong)BitOperations.PopCount(left[word]);
            timetables += planes.Weigh(word, left[word]);
        }
        return new(timetables, shapes);
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private Count64 CountWord(ulong ones, ulong others)
    {
        ulong timetables = 0;
        ulong shapes = 0;
        var row = step.Row(level, 0);
        ref var way = ref MemoryMarshal.GetArrayDataReference(ways);
        for (; ones != 0; ones &= ones - 1)
        {
            var option = BitOperations.TrailingZeroCount(ones);
            var count = (ulong)BitOperations.PopCount(row[option * stride] & others);
            shapes += count;
            timetables += count * Unsafe.Add(ref way, option);
        }
        return new(timetables, shapes);
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private Count64 CountTwoWords(ulong* ones, ulong* others)
    {
        ulong timetables = 0;
        ulong shapes = 0;
        var (left0, left1) = (others[0], others[1]);
        var (twice0, twice1) = (left0 & planes.Plane(0, 0), left1 & planes.Plane(1, 0));
        ref var way = ref MemoryMarshal.GetArrayDataReference(ways);
        for (var word = 0; word < words; word++)
        {
            var row = step.Row(level, word * 64);
            for (var bits = ones[word]; bits != 0; bits &= bits - 1)
            {
                var option = BitOperations.TrailingZeroCount(bits);
                var optionRow = row + option * stride;
                var count =
                    BitOperations.PopCount(optionRow[0] & left0) + BitOperations.PopCount(optionRow[1] & left1);
                shapes += (ulong)count;
                count +=
                    BitOperations.PopCount(optionRow[0] & twice0) + BitOperations.PopCount(optionRow[1] & twice1);
                timetables += (ulong)count * Unsafe.Add(ref way, word * 64 + option);
            }
        }
        return new(timetables, shapes);
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private Count64 CountWords(ulong* ones, ulong* others)
    {
        ulong timetables = 0;
        ulong shapes = 0;
        var perWord = planes.PerWord;
        var cut = Pinned.Pointer(this.cut);
        for (var word = 0; word < lastWords; word++)
        for (var plane = 0; plane < perWord; plane++)
            cut[word * perWord + plane] = others[word] & planes.Plane(word, plane);
        ref var way = ref MemoryMarshal.GetArrayDataReference(ways);
        for (var word = 0; word < words; word++)
        {
            var row = step.Row(level, word * 64);
            for (var bits = ones[word]; bits != 0; bits &= bits - 1)
            {
                var option = BitOperations.TrailingZeroCount(bits);
                var optionRow = row + option * stride;
                ulong count = 0;
                for (var lastWord = 0; lastWord < lastWords; lastWord++)
                    count += (ulong)BitOperations.PopCount(optionRow[lastWord] & others[lastWord]);
                var weight = count;
                for (int lastWord = 0, at = 0; at < lastWords * perWord; lastWord++)
                for (var plane = 0; plane < perWord; plane++, at++)
                    weight += (ulong)BitOperations.PopCount(optionRow[lastWord] & cut[at]) << plane;
                shapes += count;
                timetables += weight * Unsafe.Add(ref way, word * 64 + option);
            }
        }
        return new(timetables, shapes);
    }
}
