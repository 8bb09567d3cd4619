using System.Numerics;
using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using HourGrid.Core.Engine.Counting;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>
/// Finds the endings of the rows that go through a state: every way to complete it, in the numbers of bundles. As many
/// at a time as stay in the nearest cache. For one thread.
/// </summary>
internal sealed unsafe class RowEndings
{
    private const int AtATime = 1024;

    private readonly StateStep step;
    private readonly RowParts parts;
    private readonly int from;
    private readonly Action whenFull;
    private readonly Deadline deadline;
    private readonly int[] first;
    private readonly int levels;
    private readonly OptionsByAmount last;

    // What no open option of the last level takes more of off each sum, and the witnesses that none of them rules out.
    private readonly ulong[] mostTaken;
    private readonly ulong[] outlast;

    // By level, the numbers of what is chosen, and whether each level before has but one.
    private readonly ushort[][] chosen;
    private readonly bool[] isPlain;

    // An ending, with the first number of each level.
    private readonly ushort[] ending;
    private readonly ushort[] lastNumbers;
    private readonly ushort[] all;

    // Words looked at to choose each option of the last two levels; and of the last alone, where rules can be broken.
    private readonly long workOfPairs;
    private readonly long workOfLast;
    private int lasts;

    /// <param name="step">The problem, for this thread.</param>
    /// <param name="parts">What stands where in a row.</param>
    /// <param name="from">The level from which on they are endings.</param>
    /// <param name="whenFull">Called when there is no room for more; makes room by <see cref="Clear"/>.</param>
    /// <param name="deadline">Stops it, so that not all are found.</param>
    public RowEndings(StateStep step, RowParts parts, int from, Action whenFull, Deadline deadline)
    {
        (this.step, this.parts, this.from, this.whenFull, this.deadline) = (step, parts, from, whenFull, deadline);
        var layout = step.Problem.Layout;
        first = layout.First;
        levels = step.Problem.Levels.Count;
        last = new OptionsByAmount(step, levels - 1);
        mostTaken = GC.AllocateArray<ulong>(layout.Guards.Length + 1, pinned: true);
        outlast = step.NewWitnesses();
        chosen = new ushort[levels][];
        isPlain = new bool[levels];
        workOfPairs = levels < 2 ? 0 : step.Problem.WordsOfLevel(levels - 2);
        workOfLast = step.Problem.WordsOfLevel(levels - 1);
        isPlain[from] = true;
        lastNumbers = new ushort[parts.Numbers[^1].Sum(optionNumbers => optionNumbers.Length)];
        all = new ushort[AtATime * parts.Width];
        ending = new ushort[parts.Width];
        ending.AsSpan(parts.Courses).Fill(EveryRow.NotTaken);
    }

    /// <summary>How many there are.</summary>
    public int Count { get; private set; }

    /// <summary>Those found, one after the other; each 0 where levels before have their numbers.</summary>
    public ReadOnlySpan<ushort> All => all.AsSpan(0, Count * parts.Width);

    /// <summary>Lets go of those found.</summary>
    public void Clear() => Count = 0;

    /// <summary>Adds the endings of a state.</summary>
    public void Find(ulong* state)
    {
        if (from < levels - 1)
            FindFrom(from, state);
        else
        {
            LookAhead(state);
            EndWithOpen(state);
        }
    }

    private void FindFrom(int level, ulong* state)
    {
        if (level == levels - 2)
        {
            FindPairs(state);
            return;
        }
        var next = step.Scratch(level + 1);
        var words = step.Problem.RowWords(level);
        for (var word = first[level]; word < first[level + 1]; word++)
        for (var bits = state[word]; bits != 0 && !deadline.HasPassed; bits &= bits - 1)
        {
            var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
            deadline.HasPassedAfter(words);
            if (!step.Choose(level, option, state, next))
                continue;
            Take(level, option);
            FindFrom(level + 1, next);
        }
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private void FindPairs(ulong* state)
    {
        LookAhead(state);
        var level = levels - 2;
        deadline.HasPassedAfter(workOfPairs);
        var lastFirst = first[level + 1];
        var next = step.Scratch(level + 1);
        for (var word = first[level]; word < lastFirst; word++)
        for (var bits = state[word]; bits != 0 && !deadline.HasPassed; bits &= bits - 1)
        {
            var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
            var row = step.Row(level, option);
            var any = 0UL;
            for (var lastWord = lastFirst; lastWord < first[levels]; lastWord++)
                any |= next[lastWord] = state[lastWord] & row[lastWord - lastFirst];
            if (any == 0 || (step.HasRules && !step.KeepsRules(level, option, state, next)))
                continue;
            Take(level, option);
            EndWithOpen(next);
        }
    }

    /// <summary>Finds what the options of the last level that are open can do to the rules at most.</summary>
    private void LookAhead(ulong* state)
    {
        if (step.HasRules)
            step.FindOutlook(levels - 1, state, outlast, Pinned.Pointer(mostTaken));
    }

    private void Take(int level, int option)
    {
        var optionNumbers = chosen[level] = parts.Numbers[level][option];
        ending[parts.PlaceOf[level]] = optionNumbers[0];
        isPlain[level + 1] = isPlain[level] && optionNumbers.Length == 1;
    }

    /// <summary>Adds an ending for each bundle that may stand last, with each of those of what is chosen before.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private void EndWithOpen(ulong* state)
    {
        var level = levels - 1;
        var numbers = parts.Numbers[level];
        var open = step.LanesHold(state, Pinned.Pointer(mostTaken)) ? state + first[level] : last.Left(state);
        var isFree = step.WitnessesLast(state, outlast);
        lasts = 0;
        if (!isFree)
            deadline.HasPassedAfter(workOfLast);
        for (var word = 0; word < first[levels] - first[level]; word++)
        for (var bits = open[word]; bits != 0; bits &= bits - 1)
        {
            var option = (word << 6) + BitOperations.TrailingZeroCount(bits);
            if (isFree || step.WitnessesAllow(level, option, state))
                foreach (var number in numbers[option])
                    lastNumbers[lasts++] = number;
        }
        if (isPlain[level])
            EndWithEach();
        else
            Combine(from);
    }

    /// <summary>Ends with each of the last numbers for each way to take one of the numbers from a level on.</summary>
    private void Combine(int level)
    {
        if (level == levels - 1)
        {
            EndWithEach();
            return;
        }
        foreach (var number in chosen[level])
        {
            if (deadline.HasPassed)
                return;
            ending[parts.PlaceOf[level]] = number;
            Combine(level + 1);
        }
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private void EndWithEach()
    {
        var place = parts.PlaceOf[^1];
        var width = parts.Width;
        ref var optionNumbers = ref MemoryMarshal.GetArrayDataReference(ending);
        ref var into = ref MemoryMarshal.GetArrayDataReference(all);
        for (var i = 0; i < lasts; i++)
        {
            var at = Count * width;
            for (var part = 0; part < width; part += Vector128<ushort>.Count)
                Vector128.LoadUnsafe(ref optionNumbers, (nuint)part).StoreUnsafe(ref into, (nuint)(at + part));
            Unsafe.Add(ref into, at + place) = lastNumbers[i];
            if (++Count == AtATime)
                whenFull();
        }
    }
}
