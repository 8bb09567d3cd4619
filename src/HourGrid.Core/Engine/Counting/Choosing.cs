using System.Numerics;
using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using HourGrid.Core.Engine.Compiling;

namespace HourGrid.Core.Engine.Counting;

/// <summary>
/// The step from a state to the next: everything a search needs to know of a problem. For one thread at a time.
/// </summary>
/// <remarks>
/// Unsafe throughout: a state is a pointer to <see cref="StateLayout.WordCount"/> words, of which those before its
/// level's first are not read. Rows, adds and scratch are pinned arrays held by this object, and options come from the
/// bits of states, so no pointer leaves its array.
/// </remarks>
internal sealed unsafe class Choosing : IDisposable
{
    private readonly ulong*[] rows;
    private readonly ulong*[] adds;
    private readonly int[] first;
    private readonly int levels;

    // Whether every level has one word, so that words and levels are numbered alike.
    private readonly bool isNarrow;
    private readonly int witnessesAt;
    private readonly int narrowWords;
    private readonly int lanesAt;
    private readonly int laneWords;
    private readonly ulong[] lows;
    private readonly ulong[] spares;
    private readonly ulong[] guards;
    private readonly (int From, int Words)[] wide;

    // By level: the witnesses that no option from the level on rules out, and the most those options take off lanes.
    private readonly ulong[][] lasting;
    private readonly ulong[][] mostTaken;

    private readonly bool[] fits64;

    // One state for each level, one after the other.
    private readonly ulong[] scratch;
    private readonly int words;

    public Choosing(Problem problem)
    {
        Problem = problem;
        var layout = problem.Layout;
        first = layout.First;
        levels = problem.Levels.Count;
        witnessesAt = first[^1];
        narrowWords = layout.Lows.Length;
        lanesAt = layout.LanesAt;
        laneWords = layout.Guards.Length;
        (lows, spares, guards, wide) = (layout.Lows, layout.Spares, layout.Guards, [.. layout.Wide]);
        rows = new ulong*[levels];
        adds = new ulong*[levels];
        words = layout.WordCount + 1;
        scratch = PinnedWords.Rent(words * (levels + 1));
        for (var level = 0; level < levels; level++)
        {
            rows[level] = Pinned.Pointer(problem.Words) + problem.RowsAt[level];
            adds[level] = Pinned.Pointer(problem.Words) + problem.AddsAt[level];
        }
        (lasting, mostTaken) = Outlook();
        fits64 = FindFits64();
        HasRules = lanesAt + laneWords > witnessesAt;
        isNarrow = witnessesAt == levels;
    }

    public Problem Problem { get; }

    /// <summary>Whether there are witnesses or lanes at all.</summary>
    public bool HasRules { get; }

    /// <summary>Whether 64 bits hold every count of completions from a level on.</summary>
    public bool Fits64(int level) => fits64[level];

    /// <summary>A state of one's own for each level.</summary>
    public ulong* Scratch(int level) => Pinned.Pointer(scratch) + (long)level * words;

    /// <summary>Gives the memory back; it must not be used after.</summary>
    public void Dispose() => PinnedWords.Return(scratch);

    /// <summary>The words of an option's row that belong to the next level on.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public ulong* Row(int level, int option) => rows[level] + (long)option * (lanesAt - first[level + 1]);

    /// <summary>
    /// Writes into <paramref name="next"/> what may still be chosen after an option was; false when some later level
    /// has nothing left or a rule is broken.
    /// </summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public bool Choose(int level, int option, ulong* state, ulong* next)
    {
        // Row word 0 belongs to state word first[level + 1].
        var row = Row(level, option) - first[level + 1];
        if (isNarrow)
        {
            for (var word = level + 1; word < levels; word++)
                if ((next[word] = state[word] & row[word]) == 0)
                    return false;
            return !HasRules || KeepsRules(level, option, state, next);
        }
        for (var later = level + 1; later < levels; later++)
        {
            var any = 0UL;
            for (var word = first[later]; word < first[later + 1]; word++)
                any |= next[word] = state[word] & row[word];
            if (any == 0)
                return false;
        }
        return !HasRules || KeepsRules(level, option, state, next);
    }

    /// <summary>As <see cref="Choose"/>, for the witnesses and the lanes alone.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public bool KeepsRules(int level, int option, ulong* state, ulong* next)
    {
        var row = Row(level, option) - first[level + 1];
        if (!FieldsLast(state + witnessesAt, row + witnessesAt, next + witnessesAt))
            return false;
        foreach (var (from, words) in wide)
        {
            var any = 0UL;
            for (var word = from; word < from + words; word++)
                any |= next[word] = state[word] & row[word];
            if (any == 0)
                return false;
        }
        return TakeFromLanes(level, option, state, next);
    }

    /// <summary>As <see cref="Choose"/>, for the lanes alone.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public bool TakeFromLanes(int level, int option, ulong* state, ulong* next)
    {
        var taken = adds[level] + (long)option * laneWords;
        ref var guard = ref MemoryMarshal.GetArrayDataReference(guards);
        for (var word = 0; word < laneWords; word++)
        {
            var left = next[lanesAt + word] = state[lanesAt + word] - taken[word];
            if ((~left & Unsafe.Add(ref guard, word)) != 0)
                return false;
        }
        return true;
    }

    /// <summary>Whether no choice from a level on can break a rule any more.</summary>
    public bool IsFree(int level, ulong* state) =>
        !HasRules || (WitnessesOutlast(level, state) && LanesLast(level, state));

    /// <summary>Whether no choice from a level on can take the last witness of a rule.</summary>
    public bool WitnessesOutlast(int level, ulong* state) => WitnessesLast(state, lasting[level]);

    /// <summary>Whether every rule has a witness left among those given.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public bool WitnessesLast(ulong* state, ulong[] outlast)
    {
        fixed (ulong* mask = outlast)
            if (!FieldsLast(state + witnessesAt, mask, null))
                return false;
        foreach (var (from, words) in wide)
        {
            var any = 0UL;
            for (var word = from; word < from + words; word++)
                any |= state[word] & outlast[word - witnessesAt];
            if (any == 0)
                return false;
        }
        return true;
    }

    /// <summary>Whether nothing that the levels from one on can take off the lanes is too much.</summary>
    public bool LanesLast(int level, ulong* state)
    {
        ref var most = ref MemoryMarshal.GetArrayDataReference(mostTaken[level]);
        ref var guard = ref MemoryMarshal.GetArrayDataReference(guards);
        for (var word = 0; word < laneWords; word++)
            if ((~(state[lanesAt + word] - Unsafe.Add(ref most, word)) & Unsafe.Add(ref guard, word)) != 0)
                return false;
        return true;
    }

    /// <summary>Whether the lanes have enough left for an option.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public bool LanesAllow(int level, int option, ulong* state)
    {
        var taken = adds[level] + (long)option * laneWords;
        ref var guard = ref MemoryMarshal.GetArrayDataReference(guards);
        for (var word = 0; word < laneWords; word++)
            if ((~(state[lanesAt + word] - taken[word]) & Unsafe.Add(ref guard, word)) != 0)
                return false;
        return true;
    }

    /// <summary>Whether an option leaves every rule a witness.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public bool WitnessesAllow(int level, int option, ulong* state)
    {
        var row = Row(level, option) - first[level + 1];
        if (!FieldsLast(state + witnessesAt, row + witnessesAt, null))
            return false;
        foreach (var (from, words) in wide)
        {
            var any = 0UL;
            for (var word = from; word < from + words; word++)
                any |= state[word] & row[word];
            if (any == 0)
                return false;
        }
        return true;
    }

    /// <summary>All witnesses, and a vector more.</summary>
    public ulong[] NewWitnesses()
    {
        var witnesses = new ulong[lanesAt - witnessesAt + Vector256<ulong>.Count];
        witnesses.AsSpan().Fill(ulong.MaxValue);
        return witnesses;
    }

    /// <summary>Takes away the witnesses that any open option of a level rules out.</summary>
    /// <param name="level">The level.</param>
    /// <param name="state">Has a bit for every option that is open.</param>
    /// <param name="witnesses">As <see cref="NewWitnesses"/> makes them.</param>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public void CutToOpen(int level, ulong* state, ulong[] witnesses)
    {
        // Past its end a row goes on with what comes after it, which is of no use here and does no harm.
        for (var from = 0; from < lanesAt - witnessesAt; from += Vector256<ulong>.Count)
        {
            var left = Vector256.LoadUnsafe(ref witnesses[0], (nuint)from);
            for (var word = first[level]; word < first[level + 1]; word++)
            for (var bits = state[word]; bits != 0; bits &= bits - 1)
            {
                var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
                left &= Vector256.Load(Row(level, option) + witnessesAt - first[level + 1] + from);
            }
            left.StoreUnsafe(ref witnesses[0], (nuint)from);
        }
    }

    /// <summary>
    /// Whether a mask leaves every narrow rule a witness: four words at a time where there are as many, the last four over
    /// those before them.
    /// </summary>
    /// <param name="witnesses">The words of a state that hold witnesses.</param>
    /// <param name="mask">As many words.</param>
    /// <param name="into">Takes the witnesses left, as far as they were looked at; may be null.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private bool FieldsLast(ulong* witnesses, ulong* mask, ulong* into)
    {
        ref var spare = ref MemoryMarshal.GetArrayDataReference(spares);
        ref var low = ref MemoryMarshal.GetArrayDataReference(lows);
        if (narrowWords < Vector256<ulong>.Count)
        {
            for (var word = 0; word < narrowWords; word++)
            {
                var left = witnesses[word] & mask[word];
                if (into != null)
                    into[word] = left;
                var spareBits = Unsafe.Add(ref spare, word);
                if ((((left | spareBits) - Unsafe.Add(ref low, word)) & spareBits) != spareBits)
                    return false;
            }
            return true;
        }
        var lastFour = narrowWords - Vector256<ulong>.Count;
        for (var word = 0; ; word = Math.Min(word + Vector256<ulong>.Count, lastFour))
        {
            var left = Vector256.Load(witnesses + word) & Vector256.Load(mask + word);
            if (into != null)
                left.Store(into + word);
            var spareBits = Vector256.LoadUnsafe(ref spare, (nuint)word);
            if ((((left | spareBits) - Vector256.LoadUnsafe(ref low, (nuint)word)) & spareBits) != spareBits)
                return false;
            if (word == lastFour)
                return true;
        }
    }

    /// <summary>
    /// Makes states equal that have the same completions: a rule that can no longer be broken keeps all its witnesses
    /// that last, and a lane no more than can still be taken.
    /// </summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public void Normalize(int level, ulong* state)
    {
        if (HasRules)
            NormalizeRules(level, state);
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private void NormalizeRules(int level, ulong* state)
    {
        var outlast = lasting[level];
        for (var word = 0; word < narrowWords; word++)
        {
            var safe = (((state[witnessesAt + word] & outlast[word]) | spares[word]) - lows[word]) & spares[word];
            for (; safe != 0; safe &= safe - 1)
            {
                // The field below the spare bit: down to its lowest bit, the highest one under the spare.
                var spare = safe & (~safe + 1);
                var below = lows[word] & (spare - 1);
                var field = spare - (1UL << (63 - (int)ulong.LeadingZeroCount(below)));
                state[witnessesAt + word] = (state[witnessesAt + word] & ~field) | (outlast[word] & field);
            }
        }
        foreach (var lane in lanes)
        {
            var most = mostTaken[level][lane.Word] >> lane.Shift & lane.Mask;
            var left = state[lanesAt + lane.Word] >> lane.Shift & lane.Mask;
            if (left > most)
                state[lanesAt + lane.Word] -= (left - most) << lane.Shift;
        }
    }

    private (int Word, int Shift, ulong Mask)[] lanes = [];

    private bool[] FindFits64()
    {
        var fits = new bool[levels + 1];
        UInt128 product = 1;
        for (var level = levels; level >= 0 && product <= long.MaxValue; level--)
        {
            if (level < levels)
                product *= (UInt128)Math.Max(1, Problem.Levels[level].Options.Sum(option => (long)option.Ways));
            fits[level] = product <= long.MaxValue;
        }
        return fits;
    }

    private (ulong[][] Lasting, ulong[][] MostTaken) Outlook()
    {
        var layout = Problem.Layout;
        lanes =
        [
            .. Enumerable
                .Range(0, Problem.Lanes.Count)
                .Select(lane => layout.LanePlace(lane))
                .Select(place => (place.Word, place.Shift, (1UL << place.Width) - 1)),
        ];
        var outlast = new ulong[levels + 1][];
        var most = new ulong[levels + 1][];
        outlast[levels] = new ulong[lanesAt - witnessesAt];
        outlast[levels].AsSpan().Fill(ulong.MaxValue);
        most[levels] = new ulong[laneWords];
        for (var level = levels - 1; level >= 0; level--)
        {
            outlast[level] = [.. outlast[level + 1]];
            most[level] = [.. most[level + 1]];
            for (var option = 0; option < Problem.Levels[level].Options.Count; option++)
            for (var word = 0; word < lanesAt - witnessesAt; word++)
                outlast[level][word] &= Row(level, option)[witnessesAt - first[level + 1] + word];
            foreach (var (word, shift, mask) in lanes)
            {
                var largest = 0UL;
                for (var option = 0; option < Problem.Levels[level].Options.Count; option++)
                    largest = Math.Max(largest, adds[level][option * laneWords + word] >> shift & mask);
                most[level][word] += largest << shift;
            }
        }
        return (outlast, most);
    }
}
