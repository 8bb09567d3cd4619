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
internal sealed unsafe class StateStep : IDisposable
{
    private readonly LevelRows[] rows;
    private readonly ulong*[] adds;
    private readonly int[] first;
    private readonly int levels;

    // Whether every level has one word, so that words and levels are numbered alike.
    private readonly bool isNarrow;
    private readonly int witnessesAt;
    private readonly int lanesAt;
    private readonly int sumWords;
    private readonly ulong[] guards;
    private readonly ulong[] sumLows;
    private readonly WitnessFields fields;
    private readonly Lookahead lookahead;

    // One state for each level, one after the other.
    private readonly ulong[] scratch;
    private readonly int words;

    public StateStep(Problem problem)
    {
        Problem = problem;
        var layout = problem.Layout;
        first = layout.First;
        levels = problem.Levels.Count;
        witnessesAt = first[^1];
        lanesAt = layout.SumsAt;
        sumWords = layout.Guards.Length;
        (guards, sumLows) = (layout.Guards, layout.SumLows);
        fields = new(layout);
        rows = new LevelRows[levels];
        adds = new ulong*[levels];
        words = layout.WordCount + 1;
        scratch = PinnedWords.Rent(words * (levels + 1));
        for (var level = 0; level < levels; level++)
        {
            rows[level] = new(Pinned.Pointer(problem.Words) + problem.RowsAt[level], lanesAt - first[level + 1]);
            adds[level] = Pinned.Pointer(problem.Words) + problem.AddsAt[level];
        }
        lookahead = problem.Lookahead;
        HasRules = lanesAt + sumWords > witnessesAt;
        isNarrow = witnessesAt == levels;
    }

    public Problem Problem { get; }

    /// <summary>Whether there are witnesses or sums at all.</summary>
    public bool HasRules { get; }

    /// <summary>Whether 64 bits hold every count of completions from a level on.</summary>
    public bool Fits64(int level) => lookahead.Fits64[level];

    /// <summary>A state of one's own for each level.</summary>
    public ulong* Scratch(int level) => Pinned.Pointer(scratch) + (long)level * words;

    /// <summary>Gives the memory back; it must not be used after.</summary>
    public void Dispose() => PinnedWords.Return(scratch);

    /// <summary>The words of an option's row that belong to the next level on.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public ulong* Row(int level, int option) => rows[level].Of(option);

    /// <summary>The words of an option's row that belong to witnesses.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private ulong* WitnessesOf(int level, int option) => Row(level, option) + (witnessesAt - first[level + 1]);

    /// <summary>
    /// Writes into <paramref name="next"/> what may still be chosen after an option was; false when some later level
    /// has nothing left or a rule is broken.
    /// </summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public bool Choose(int level, int option, ulong* state, ulong* next)
    {
        // Row word 0 belongs to the first state word of the next level.
        var row = Row(level, option);
        if (isNarrow)
        {
            row -= level + 1;
            for (int word = level + 1, end = levels; word < end; word++)
                if ((next[word] = state[word] & row[word]) == 0)
                    return false;
            return !HasRules || KeepsRules(level, option, state, next);
        }
        row -= first[level + 1];
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

    /// <summary>As <see cref="Choose"/>, for the witnesses and the sums alone.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public bool KeepsRules(int level, int option, ulong* state, ulong* next) =>
        fields.Last(state + witnessesAt, WitnessesOf(level, option), next + witnessesAt)
        && TakeFromLanes(level, option, state, next);

    /// <summary>As <see cref="Choose"/>, for the sums alone.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public bool TakeFromLanes(int level, int option, ulong* state, ulong* next)
    {
        var taken = TakenBy(level, option);
        ref var guard = ref MemoryMarshal.GetArrayDataReference(guards);
        for (var word = 0; word < sumWords; word++)
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
    public bool WitnessesOutlast(int level, ulong* state) => WitnessesLast(state, lookahead.Lasting[level]);

    /// <summary>Whether every rule has a witness left among those given.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public bool WitnessesLast(ulong* state, ulong[] outlast)
    {
        fixed (ulong* mask = outlast)
            return fields.Last(state + witnessesAt, mask, null);
    }

    /// <summary>Whether nothing that the levels from one on can take off the sums is too much.</summary>
    public bool LanesLast(int level, ulong* state)
    {
        fixed (ulong* most = lookahead.MostTaken[level])
            return LanesHold(state, most);
    }

    /// <summary>Whether the sums have so much left.</summary>
    /// <param name="state">The state.</param>
    /// <param name="taken">An amount for each sum, where a state has what is left.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public bool LanesHold(ulong* state, ulong* taken)
    {
        ref var guard = ref MemoryMarshal.GetArrayDataReference(guards);
        for (var word = 0; word < sumWords; word++)
            if ((~(state[lanesAt + word] - taken[word]) & Unsafe.Add(ref guard, word)) != 0)
                return false;
        return true;
    }

    /// <summary>Whether the sums have enough left for an option.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public bool LanesAllow(int level, int option, ulong* state) => LanesHold(state, TakenBy(level, option));

    /// <summary>What an option takes off the sums.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private ulong* TakenBy(int level, int option) => adds[level] + (long)option * sumWords;

    /// <summary>Whether an option leaves every rule a witness.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public bool WitnessesAllow(int level, int option, ulong* state) =>
        fields.Last(state + witnessesAt, WitnessesOf(level, option), null);

    /// <summary>
    /// All witnesses, and a vector more: past its end a row goes on with what comes after it, which is of no use here and
    /// does no harm.
    /// </summary>
    public ulong[] NewWitnesses()
    {
        var witnesses = new ulong[lanesAt - witnessesAt + Vector256<ulong>.Count];
        witnesses.AsSpan().Fill(ulong.MaxValue);
        return witnesses;
    }

    /// <summary>
    /// Finds the witnesses that no open option of a level rules out, and what none of them takes more of off the sums.
    /// </summary>
    /// <param name="level">The level.</param>
    /// <param name="state">Has a bit for every option that is open.</param>
    /// <param name="witnesses">As <see cref="NewWitnesses"/> makes them; written over.</param>
    /// <param name="taken">An amount for each sum; written over.</param>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public void FindOutlook(int level, ulong* state, ulong[] witnesses, ulong* taken)
    {
        witnesses.AsSpan().Fill(ulong.MaxValue);
        for (var sum = 0; sum < sumWords; sum++)
            taken[sum] = 0;
        for (var word = first[level]; word < first[level + 1]; word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
            var optionWitnesses = WitnessesOf(level, option);
            for (var from = 0; from < lanesAt - witnessesAt; from += Vector256<ulong>.Count)
            {
                var left =
                    Vector256.LoadUnsafe(ref witnesses[0], (nuint)from) & Vector256.Load(optionWitnesses + from);
                left.StoreUnsafe(ref witnesses[0], (nuint)from);
            }
            // The bits of several amounts together are no less than any of them, and stay below the guard.
            var takes = TakenBy(level, option);
            for (var sum = 0; sum < sumWords; sum++)
                taken[sum] |= takes[sum];
        }
    }

    /// <summary>Takes away the witnesses that any open option of a level rules out.</summary>
    /// <param name="level">The level.</param>
    /// <param name="state">Has a bit for every option that is open.</param>
    /// <param name="witnesses">As <see cref="NewWitnesses"/> makes them.</param>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public void CutToOpen(int level, ulong* state, ulong[] witnesses)
    {
        for (var from = 0; from < lanesAt - witnessesAt; from += Vector256<ulong>.Count)
        {
            var left = Vector256.LoadUnsafe(ref witnesses[0], (nuint)from);
            for (var word = first[level]; word < first[level + 1]; word++)
            for (var bits = state[word]; bits != 0; bits &= bits - 1)
            {
                var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
                left &= Vector256.Load(WitnessesOf(level, option) + from);
            }
            left.StoreUnsafe(ref witnesses[0], (nuint)from);
        }
    }

    /// <summary>
    /// Makes states equal that have the same completions: a rule that can no longer be broken keeps all its witnesses
    /// that last, and a sum no more than can still be taken.
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
        fields.Level(state + witnessesAt, lookahead.Lasting[level]);
        for (var word = 0; word < sumWords; word++)
        {
            ref var left = ref state[lanesAt + word];
            var most = lookahead.MostTaken[level][word];
            // Taking the most off leaves a guard where there is as much.
            var fields = BitFields.Below((left - most) & guards[word], guards[word], sumLows[word]);
            left = (left & ~fields) | (most & fields);
        }
    }

    /// <summary>The rows of a level, one after the other.</summary>
    private readonly struct LevelRows(ulong* first, int words)
    {
        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        public ulong* Of(int option) => first + (long)option * words;
    }
}
