using System.Numerics;
using System.Runtime.CompilerServices;

namespace HourGrid.Core.Engine.Counting;

/// <summary>The options of a level by what they take off the sums, so that sums are looked at once for many. For one thread.</summary>
/// <remarks>Unsafe: what is left is written to a pinned array held here, of as many words as the level has.</remarks>
internal sealed unsafe class OptionsByAmount
{
    private const int Most = 8;

    private readonly StateStep step;
    private readonly int level;
    private readonly int first;
    private readonly int words;
    private readonly ulong[] left;
    private readonly List<(int Option, ulong[] Set)> groups;

    public OptionsByAmount(StateStep step, int level)
    {
        this.step = step;
        this.level = level;
        var layout = step.Problem.Layout;
        first = layout.First[level];
        words = layout.First[level + 1] - first;
        left = GC.AllocateArray<ulong>(words + 1, pinned: true);
        groups = Group(step.Problem, level);
    }

    /// <summary>Whether options differ so little in what they take that it is of use to look at them by it.</summary>
    public bool AreFew => groups.Count > 0;

    /// <summary>How many there are, where they are few.</summary>
    public int Count => groups.Count;

    /// <summary>An option that takes as much as all of a group.</summary>
    public int OptionOf(int group) => groups[group].Option;

    /// <summary>Writes the open options of a group; false when there are none.</summary>
    /// <param name="group">The group.</param>
    /// <param name="state">Has a bit for every option that is open.</param>
    /// <param name="into">A state, of which the words of the level are written.</param>
    public bool Open(int group, ulong* state, ulong* into)
    {
        var set = groups[group].Set;
        var any = 0UL;
        for (var word = 0; word < words; word++)
            any |= into[first + word] = state[first + word] & set[word];
        return any != 0;
    }

    /// <summary>The words of the level with the open options that the sums still allow.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public ulong* Left(ulong* state)
    {
        if (step.LanesLast(level, state))
            return state + first;
        var allowed = Pinned.Pointer(left);
        var count = 0;
        for (var word = 0; word < words; word++)
            count += BitOperations.PopCount(allowed[word] = state[first + word]);
        if (!AreFew || count <= groups.Count)
            return OneByOne(state, allowed);
        for (var word = 0; word < words; word++)
            allowed[word] = 0;
        foreach (var (option, set) in groups)
            if (step.LanesAllow(level, option, state))
                for (var word = 0; word < words; word++)
                    allowed[word] |= state[first + word] & set[word];
        return allowed;
    }

    private ulong* OneByOne(ulong* state, ulong* allowed)
    {
        for (var word = 0; word < words; word++)
        for (var bits = allowed[word]; bits != 0; bits &= bits - 1)
            if (!step.LanesAllow(level, (word << 6) + BitOperations.TrailingZeroCount(bits), state))
                allowed[word] &= ~(bits & (~bits + 1));
        return allowed;
    }

    /// <summary>Each with one of its options; none where there are too many to be of use.</summary>
    private static List<(int Option, ulong[] Set)> Group(Problem problem, int level)
    {
        var found = new List<(int Option, ulong[] Set)>();
        var options = problem.Levels[level].Options.Count;
        for (var option = 0; option < options; option++)
        {
            var amounts = problem.AddsOf(level, option);
            var group = 0;
            while (group < found.Count && !problem.AddsOf(level, found[group].Option).SequenceEqual(amounts))
                group++;
            if (group == Most)
                return [];
            if (group == found.Count)
                found.Add((option, new ulong[(options + 63) / 64]));
            found[group].Set[option / 64] |= 1UL << (option % 64);
        }
        return found;
    }
}
