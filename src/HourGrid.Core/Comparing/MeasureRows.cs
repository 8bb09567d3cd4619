using HourGrid.Core.Asking;
using HourGrid.Core.Measures;

namespace HourGrid.Core.Comparing;

/// <summary>One measure of several timetables side by side.</summary>
/// <param name="Measure">Which.</param>
/// <param name="Values">Its figure for each; null where it has none.</param>
/// <param name="Best">Which of them are the best; more than one where they tie, none where all are equal.</param>
/// <param name="IsEqual">Whether all are equal.</param>
/// <param name="Weight">How much it matters to the student, 0 to 100.</param>
public sealed record MeasureRow(
    Measure Measure,
    IReadOnlyList<int?> Values,
    IReadOnlyList<bool> Best,
    bool IsEqual,
    int Weight
);

/// <summary>Sets measures side by side, in the order of what matters.</summary>
public static class MeasureRows
{
    /// <summary>A row for each measure: what matters most first, then in the order of <see cref="MeasureList"/>.</summary>
    /// <param name="measures">Of each timetable, at least one.</param>
    /// <param name="weights">What matters.</param>
    public static IReadOnlyList<MeasureRow> Of(IReadOnlyList<WeekMeasures> measures, Weights weights) =>
        [
            .. MeasureList
                .All.Select(measure => RowOf(measure, measures, weights))
                .OrderByDescending(row => row.Weight),
        ];

    private static MeasureRow RowOf(Measure measure, IReadOnlyList<WeekMeasures> measures, Weights weights)
    {
        int?[] values = [.. measures.Select(one => one[measure])];
        var isEqual = values.Distinct().Count() == 1;
        var best = measure.IsMoreBetter ? values.Max() : values.Min();
        return new(
            measure,
            values,
            [.. values.Select(one => !isEqual && one == best && best is not null)],
            isEqual,
            measure.MattersIn(weights)
        );
    }
}
