using System.Runtime.CompilerServices;
using HourGrid.Core.Engine.Counting;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>One of the last two levels, where pairs of both are looked at from either side.</summary>
/// <remarks>Unsafe: rows are those of the problem, or in a pinned array held here.</remarks>
internal sealed unsafe class PairSide
{
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
    /// <param name="limit">Stops the making of it.</param>
    public static PairSide Last(RankedProblem ranked, WorkLimit limit)
    {
        var (level, other) = (ranked.Levels[^1], ranked.Levels[^2]);
        var left = LevelBounds.Alone(ranked.Tables, ranked.Levels.Length - 2, ranked.Options[^2]);
        var owner = TurnedRows.Of(ranked.Problem, limit);
        return new(level, other, left, owner, Pinned.Pointer(owner), other.EndWord - other.FirstWord);
    }

    /// <summary>An option's row: a bit for each option of the other level that may stand beside it.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public ulong* Row(int option) => rows + (long)option * words;
}
