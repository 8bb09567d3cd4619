using System.Numerics;

namespace HourGrid.Core.Engine;

/// <summary>Counts the ways to complete a state; the answers that count or number timetables stand on it.</summary>
/// <remarks>
/// Depth first over the levels, the last level by popcount. What lies below a state depends on the state alone, so
/// the upper levels remember it; near the bottom counting again is cheaper than looking it up. One thread at a time.
/// </remarks>
internal sealed class Counting
{
    private const int LevelsNotWorthRemembering = 2;

    /// <summary>What all tables of one problem may use for their states, in words: 8 MB.</summary>
    private const int MaxWordsRemembered = 1 << 20;

    private readonly Problem problem;
    private readonly int levels;
    private readonly ulong[][] scratch;
    private readonly StateTable?[] remembered;
    private readonly int[][] multiplicities;
    private readonly bool[] allSingle;

    public Counting(Problem problem)
    {
        this.problem = problem;
        levels = problem.Levels.Count;
        scratch = new ulong[levels][];
        remembered = new StateTable?[levels];
        multiplicities = new int[levels][];
        allSingle = new bool[levels];
        var levelsRemembered = levels - LevelsNotWorthRemembering - 1;
        for (var level = 0; level < levels; level++)
        {
            scratch[level] = new ulong[problem.WordCount];
            multiplicities[level] = [.. problem.Levels[level].Shapes.Select(shape => shape.Bundles.Count)];
            allSingle[level] = multiplicities[level].All(count => count == 1);
            if (level > 0 && level < levels - LevelsNotWorthRemembering)
                remembered[level] = new StateTable(
                    problem.WordCount - problem.FirstWord(level),
                    MaxWordsRemembered / levelsRemembered
                );
        }
    }

    /// <summary>How many timetables complete a state in which every level before this one has chosen.</summary>
    public Tally Below(int level, ReadOnlySpan<ulong> state, CancellationToken cancellation)
    {
        if (level == levels)
            return new(1, 1);
        if (level == levels - 1)
            return LastLevel(state);

        var rest = state[problem.FirstWord(level)..];
        var table = remembered[level];
        if (table is not null && table.TryGet(rest, out var known))
            return known;

        cancellation.ThrowIfCancellationRequested();
        UInt128 timetables = 0;
        UInt128 shapes = 0;
        var next = scratch[level];
        for (var word = problem.FirstWord(level); word < problem.FirstWord(level + 1); word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var shape = (word - problem.FirstWord(level)) * 64 + BitOperations.TrailingZeroCount(bits);
            if (!Choose(level, shape, state, next))
                continue;
            var below = Below(level + 1, next, cancellation);
            timetables += below.Timetables * (UInt128)multiplicities[level][shape];
            shapes += below.WeekShapes;
        }
        var tally = new Tally(timetables, shapes);
        table?.Add(rest, tally);
        return tally;
    }

    /// <summary>
    /// Writes into <paramref name="next"/> what may still be chosen after a shape was; false when some later level
    /// has nothing left.
    /// </summary>
    public bool Choose(int level, int shape, ReadOnlySpan<ulong> state, Span<ulong> next)
    {
        var row = problem.Row(level, shape);
        var from = problem.FirstWord(level + 1);
        for (var later = level + 1; later < levels; later++)
        {
            var any = 0UL;
            for (var word = problem.FirstWord(later); word < problem.FirstWord(later + 1); word++)
                any |= next[word] = state[word] & row[word - from];
            if (any == 0)
                return false;
        }
        return true;
    }

    private Tally LastLevel(ReadOnlySpan<ulong> state)
    {
        var last = levels - 1;
        var from = problem.FirstWord(last);
        var counts = multiplicities[last];
        long shapes = 0;
        long timetables = 0;
        for (var word = from; word < problem.WordCount; word++)
        {
            shapes += BitOperations.PopCount(state[word]);
            if (allSingle[last])
                continue;
            for (var bits = state[word]; bits != 0; bits &= bits - 1)
                timetables += counts[(word - from) * 64 + BitOperations.TrailingZeroCount(bits)];
        }
        return new((UInt128)(allSingle[last] ? shapes : timetables), (UInt128)shapes);
    }
}
