using HourGrid.Core.Measuring;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>Takes the measures of timetables found by ranking, from the tables it has of their options.</summary>
internal sealed class RankedMeasures
{
    private readonly RankedProblem ranked;
    private readonly LeafMeasures leaf;
    private readonly Partial[] partials;

    public RankedMeasures(RankedProblem ranked)
    {
        this.ranked = ranked;
        leaf = new LeafMeasures(ranked.Tables, ranked.Problem.Ask, forScore: false);
        partials = [.. Enumerable.Range(0, ranked.Problem.Levels.Count + 1).Select(_ => ranked.NewPartial())];
    }

    public WeekMeasures Of(Ranked timetable)
    {
        for (var level = 0; level < timetable.Options.Length; level++)
        {
            partials[level + 1].Become(partials[level], ranked.Levels[level], timetable.Options[level]);
        }
        leaf.Measure(timetable.Options);
        var seats = timetable.Bundles.Min(bundle => bundle.Bundle.Sections.Min(section => section.FreeSeats));
        return partials[^1].Measures(leaf, seats);
    }
}
