using HourGrid.Core.Asking;
using HourGrid.Core.Measures;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>The weights of an ask, looked up once: a search reads them at every node.</summary>
/// <param name="weights">What matters.</param>
internal sealed class MeasureWeights(Weights weights)
{
    private readonly int[] weightOf = [.. MeasureList.All.Select(measure => measure.WeightIn(weights))];

    /// <summary>How much a measure counts, 0 to 100.</summary>
    public int this[Measure measure] => weightOf[measure.Place];
}
