using HourGrid.Core.Asking;
using HourGrid.Core.Measures;

namespace HourGrid.Core.Comparing;

/// <summary>What a row of a comparison is about.</summary>
public enum ComparedMeasure
{
    /// <summary>Class days.</summary>
    ClassDays,

    /// <summary>Idle minutes.</summary>
    Idle,

    /// <summary>Earliest start, minutes after midnight.</summary>
    EarliestStart,

    /// <summary>Latest end, minutes after midnight.</summary>
    LatestEnd,

    /// <summary>Minutes of the longest day.</summary>
    LongestDay,

    /// <summary>Minutes of the longest stretch.</summary>
    LongestStretch,

    /// <summary>Campus moves, in tenths.</summary>
    CampusMoves,

    /// <summary>Minutes in Rather-not hours.</summary>
    Soft,

    /// <summary>Soft breaks missed.</summary>
    BreaksMissed,

    /// <summary>The fewest free seats of any section.</summary>
    SeatsToSpare,

    /// <summary>Minutes away from the preferred campus.</summary>
    Away,

    /// <summary>Courses taken.</summary>
    WantedTaken,
}

/// <summary>One measure of several timetables side by side.</summary>
/// <param name="Measure">Which.</param>
/// <param name="Values">Its value for each, in its own unit; null where it has none.</param>
/// <param name="Best">Which of them are the best; more than one where they tie, none where all are equal.</param>
/// <param name="IsEqual">Whether all are equal.</param>
/// <param name="Weight">How much it matters to the student, 0 to 100.</param>
public sealed record MeasureRow(
    ComparedMeasure Measure,
    IReadOnlyList<int?> Values,
    IReadOnlyList<bool> Best,
    bool IsEqual,
    int Weight
);

/// <summary>Sets measures side by side, in the order of what matters.</summary>
public static class MeasureRows
{
    /// <summary>A row for each measure: what matters most first, then in the order of <see cref="ComparedMeasure"/>.</summary>
    /// <param name="measures">Of each timetable, at least one.</param>
    /// <param name="weights">What matters.</param>
    public static IReadOnlyList<MeasureRow> Of(IReadOnlyList<WeekMeasures> measures, Weights weights)
    {
        return [.. Rows().OrderByDescending(row => row.Weight).ThenBy(row => row.Measure)];

        IEnumerable<MeasureRow> Rows()
        {
            yield return Row(ComparedMeasure.ClassDays, one => one.ClassDays, weights.ClassDays);
            yield return Row(ComparedMeasure.Idle, one => one.IdleMinutes, weights.Idle);
            yield return Row(
                ComparedMeasure.EarliestStart,
                one => one.EarliestStart?.Value,
                weights.LaterStart,
                isMoreBetter: true
            );
            yield return Row(ComparedMeasure.LatestEnd, one => one.LatestEnd?.Value, weights.EarlierFinish);
            // Long days matter to nobody's score; they stand by where a short stretch does.
            yield return Row(ComparedMeasure.LongestDay, one => one.LongestDay, weights.Stretch);
            yield return Row(ComparedMeasure.LongestStretch, one => one.LongestStretch, weights.Stretch);
            yield return Row(ComparedMeasure.CampusMoves, one => one.CampusMovesTenths, weights.Moves);
            yield return Row(ComparedMeasure.Soft, one => one.SoftMinutes, weights.Soft);
            yield return Row(ComparedMeasure.BreaksMissed, one => one.BreaksMissed, weights.BreaksMissed);
            yield return Row(
                ComparedMeasure.SeatsToSpare,
                one => one.SeatsToSpare,
                weights.Seats,
                isMoreBetter: true
            );
            yield return Row(ComparedMeasure.Away, one => one.AwayMinutes, weights.Away);
            yield return Row(ComparedMeasure.WantedTaken, one => one.WantedTaken, weights.Wanted, isMoreBetter: true);
        }

        MeasureRow Row(ComparedMeasure measure, Func<WeekMeasures, int?> value, int weight, bool isMoreBetter = false)
        {
            int?[] values = [.. measures.Select(value)];
            var isEqual = values.Distinct().Count() == 1;
            var best = isMoreBetter ? values.Max() : values.Min();
            return new(
                measure,
                values,
                [.. values.Select(one => !isEqual && one == best && best is not null)],
                isEqual,
                weight
            );
        }
    }
}
