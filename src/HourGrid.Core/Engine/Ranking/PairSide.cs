using System.Runtime.CompilerServices;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>One of the last two levels, where pairs of both are looked at from either side.</summary>
/// <remarks>Unsafe: rows are those of the problem, or in a pinned array held here.</remarks>
internal sealed unsafe class PairSide
{
    private const int Bits = 64;

    private readonly ulong[] owner;
    private readonly ulong* rows;
    private readonly int words;

    private PairSide(RankedLevel level, RankedLevel other, LevelBounds left, ulong[] owner, ulong* rows, int words)
    {
        (Level, Other, Left) = (level, other, left);
        this.owner = owner;
        this.rows = rows;
        this.words = words;
    }

    public RankedLevel Level { get; }

    /// <summary>The other of the two.</summary>
    public RankedLevel Other { get; }

    /// <summary>What the other adds at least.</summary>
    public LevelBounds Left { get; }

    /// <summary>The second-last level: its rows are those of the problem.</summary>
    public static PairSide SecondLast(RankedProblem ranked)
    {
        var (problem, levels) = (ranked.Problem, ranked.Levels);
        var rows = Pinned.Pointer(problem.Words) + problem.RowsAt[^2];
        return new(
            levels[^2],
            levels[^1],
            levels[^2].After,
            problem.Words,
            rows,
            problem.RowWords(levels.Length - 2)
        );
    }

    /// <summary>The last level: its rows are those of the other turned round.</summary>
    /// <param name="ranked">What is ranked, of two levels at least.</param>
    /// <param name="cancellation">Stops the making of it.</param>
    public static PairSide Last(RankedProblem ranked, CancellationToken cancellation)
    {
        var (level, other) = (ranked.Levels[^1], ranked.Levels[^2]);
        var left = LevelBounds.Alone(ranked.Tables, ranked.Levels.Length - 2, ranked.Options[^2]);
        var words = other.EndWord - other.FirstWord;
        var owner = GC.AllocateArray<ulong>(level.Tables.Length * words, pinned: true);
        Turn(ranked.Problem, level, other, owner, cancellation);
        return new(level, other, left, owner, Pinned.Pointer(owner), words);
    }

    /// <summary>An option's row: a bit for each option of the other level that may stand beside it.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public ulong* Row(int option) => rows + (long)option * words;

    private static void Turn(
        Problem problem,
        RankedLevel level,
        RankedLevel other,
        ulong[] into,
        CancellationToken cancellation
    )
    {
        var words = other.EndWord - other.FirstWord;
        Span<ulong> block = stackalloc ulong[Bits];
        for (var group = 0; group < words; group++)
        for (var word = 0; word < level.EndWord - level.FirstWord; word++)
        {
            cancellation.ThrowIfCancellationRequested();
            for (var i = 0; i < Bits; i++)
            {
                var option = group * Bits + i;
                block[i] = option < other.Tables.Length ? problem.RowOf(problem.Levels.Count - 2, option)[word] : 0;
            }
            Turn(block);
            for (var i = 0; i < Math.Min(Bits, level.Tables.Length - word * Bits); i++)
                into[(word * Bits + i) * words + group] = block[i];
        }
    }

    /// <summary>
    /// Turns a square of bits round, so that rows become columns: halves are exchanged, then halves of halves
    /// (Warren, "Hacker's Delight", 7-3).
    /// </summary>
    private static void Turn(Span<ulong> block)
    {
        var mask = ulong.MaxValue >> Bits / 2;
        for (var half = Bits / 2; half != 0; half /= 2, mask ^= mask << half)
        for (var row = 0; row < Bits; row = ((row | half) + 1) & ~half)
        {
            var exchanged = ((block[row] >> half) ^ block[row | half]) & mask;
            block[row] ^= exchanged << half;
            block[row | half] ^= exchanged;
        }
    }
}
