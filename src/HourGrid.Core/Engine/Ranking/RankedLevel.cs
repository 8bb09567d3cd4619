using System.Runtime.Intrinsics;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>What every node of a search for the best needs to know of its level, in one place.</summary>
/// <remarks>Unsafe: the vectors are those of the tables that <paramref name="ranked"/> holds.</remarks>
/// <param name="ranked">What is ranked.</param>
/// <param name="level">The level's number.</param>
internal sealed unsafe class RankedLevel(RankedProblem ranked, int level)
{
    /// <summary>The first word of a state that has its options.</summary>
    public readonly int FirstWord = ranked.Problem.Layout.First[level];

    /// <summary>The word after the last of them.</summary>
    public readonly int EndWord = ranked.Problem.Layout.First[level + 1];

    /// <summary>The first option; the others follow, <see cref="WeekTables.VectorsOfOption"/> vectors each.</summary>
    public readonly Vector256<short>* Options = ranked.Tables.FirstOf(level);

    /// <summary>What the measures need to know of each option.</summary>
    public readonly OptionTable[] Tables = ranked.Tables.Options[level];

    /// <summary>By option: the most seats to spare of any bundle of the same hours.</summary>
    public readonly int[] MostSpare = ranked.MostSpare[level];

    /// <summary>What it and the levels after it add at least.</summary>
    public readonly LevelBounds With = ranked.Bounds[level];

    /// <summary>What the levels after it add at least.</summary>
    public readonly LevelBounds After = ranked.Bounds[level + 1];
}
