using HourGrid.Core.Asking;
using HourGrid.Core.Measures;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>The weights of an ask, looked up once: a search reads them at every node.</summary>
/// <param name="weights">What matters.</param>
internal sealed class MeasureWeights(Weights weights)
{
    public readonly int ClassDays = Core.Measures.ClassDays.Measure.WeightIn(weights);
    public readonly int Idle = IdleMinutes.Measure.WeightIn(weights);
    public readonly int LaterStart = EarliestStart.Measure.WeightIn(weights);
    public readonly int EarlierFinish = LatestEnd.Measure.WeightIn(weights);
    public readonly int Stretch = LongestStretch.Measure.WeightIn(weights);
    public readonly int Moves = CampusMoves.Measure.WeightIn(weights);
    public readonly int Soft = SoftMinutes.Measure.WeightIn(weights);
    public readonly int BreaksMissed = Core.Measures.BreaksMissed.Measure.WeightIn(weights);
    public readonly int Seats = SeatsToSpare.Measure.WeightIn(weights);
    public readonly int Away = AwayMinutes.Measure.WeightIn(weights);
    public readonly int Wanted = WantedTaken.Measure.WeightIn(weights);
}
