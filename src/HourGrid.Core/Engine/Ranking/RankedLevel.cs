using System.Runtime.Intrinsics;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>What every node of a search for the best needs to know of its level, in one place.</summary>
/// <remarks>Unsafe: the vectors are those of the tables that the problem holds.</remarks>
internal sealed unsafe class RankedLevel
{
    /// <param name="ranked">What is ranked, all but its levels.</param>
    /// <param name="level">The level's number.</param>
    public RankedLevel(RankedProblem ranked, int level)
    {
        var layout = ranked.Problem.Layout;
        (FirstWord, EndWord) = (layout.First[level], layout.First[level + 1]);
        Options = ranked.Tables.FirstOf(level);
        Tables = ranked.Tables.Options[level];
        MostSpare = ranked.MostSpare[level];
        (With, After) = (ranked.Bounds[level], ranked.Bounds[level + 1]);
        CountAlike = Array.TrueForAll(
            Tables,
            option => option.Head.Taken == Tables[0].Head.Taken && option.Head.Changes == Tables[0].Head.Changes
        );
        var parts = ranked.Options[level].Select(RankedProblem.First).ToArray();
        Smallest = [.. Enumerable.Range(0, parts.Length)];
        Array.Sort(parts, Smallest, Comparer<int[]>.Create((x, y) => RegistrationOrder.CompareParts(x, y)));
        PlaceOf = new int[Smallest.Length];
        for (var place = 0; place < Smallest.Length; place++)
            PlaceOf[Smallest[place]] = place;
    }

    /// <summary>The first word of a state that has its options.</summary>
    public readonly int FirstWord;

    /// <summary>The word after the last of them.</summary>
    public readonly int EndWord;

    /// <summary>The first option; the others follow, <see cref="WeekTables.VectorsOfOption"/> vectors each.</summary>
    public readonly Vector256<short>* Options;

    /// <summary>What the measures need to know of each option.</summary>
    public readonly OptionTable[] Tables;

    /// <summary>Whether all its options take as many courses, and are as many changes.</summary>
    public readonly bool CountAlike;

    /// <summary>By option: the most seats to spare of any bundle of the same hours.</summary>
    public readonly int[] MostSpare;

    /// <summary>What it and the levels after it add at least.</summary>
    public readonly LevelBounds With;

    /// <summary>What the levels after it add at least.</summary>
    public readonly LevelBounds After;

    /// <summary>Its options, the one with the smallest part first.</summary>
    public readonly int[] Smallest;

    /// <summary>By option: its place in <see cref="Smallest"/>.</summary>
    public readonly int[] PlaceOf;

    /// <summary>
    /// Puts the least cost first, and of equals the option with the smallest part, since those that have it come first
    /// in the order of timetables.
    /// </summary>
    /// <param name="costs">As <see cref="PartialMeasures.CostsWith"/> lists them.</param>
    public void Sort(Span<long> costs)
    {
        if (costs.Length < 2)
            return;
        foreach (ref var cost in costs)
            cost = PartialMeasures.Listed(PartialMeasures.CostOf(cost), PlaceOf[PartialMeasures.OptionOf(cost)]);
        costs.Sort();
        foreach (ref var cost in costs)
            cost = PartialMeasures.Listed(PartialMeasures.CostOf(cost), Smallest[PartialMeasures.OptionOf(cost)]);
    }
}
