using HourGrid.Core.Measures;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>Takes the measures of timetables found by ranking, from the tables it has of their options.</summary>
internal sealed class RankedMeasures
{
    private readonly RankedProblem ranked;
    private readonly LeafMeasures leaf;
    private readonly PartialMeasures[] partials;

    public RankedMeasures(RankedProblem ranked)
    {
        this.ranked = ranked;
        leaf = new LeafMeasures(ranked.Tables, ranked.Problem.Ask, forScore: false);
        partials = ranked.NewPartials(ranked.Problem.Levels.Count + 1);
    }

    public WeekMeasures Of(Ranked timetable)
    {
        for (var level = 0; level < timetable.Options.Length; level++)
            partials[level + 1].Become(partials[level], ranked.Levels[level], timetable.Options[level]);
        leaf.Measure(timetable.Options);
        var seats = int.MaxValue;
        foreach (var bundle in timetable.Bundles)
            seats = Math.Min(seats, bundle.Bundle.FewestFreeSeats);
        return partials[^1].Measures(leaf, seats);
    }
}
