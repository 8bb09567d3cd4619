namespace HourGrid.Core.Measures;

/// <summary>
/// What a timetable is like: a figure of each measure. Per-week figures are taken over the weeks in which it has any meeting,
/// as each measure says; a timetable without meetings has 0 for them and no first or last.
/// </summary>
public sealed class WeekMeasures : IEquatable<WeekMeasures>
{
    private readonly int?[] figures;

    /// <param name="figureOf">The figure of each measure; null where there is none.</param>
    public WeekMeasures(Func<Measure, int?> figureOf) => figures = [.. MeasureList.All.Select(figureOf)];

    /// <param name="figures">By <see cref="Measure.Place"/>.</param>
    internal WeekMeasures(int?[] figures) => this.figures = figures;

    /// <summary>The figure of a measure; null where the timetable has none.</summary>
    public int? this[Measure measure] => figures[measure.Place];

    /// <summary>The score: the sum of each weight times how bad its measure is. The lowest is the best.</summary>
    /// <param name="weights">What matters.</param>
    /// <param name="coursesInPlay">Courses that are not set aside, at least 1.</param>
    public int Score(Asking.Weights weights, int coursesInPlay) =>
        MeasureList.Weighed.Sum(measure =>
            this[measure] is { } figure ? measure.WeightIn(weights) * measure.BadnessOf(figure, coursesInPlay) : 0
        );

    /// <inheritdoc/>
    public bool Equals(WeekMeasures? other) => other is not null && figures.AsSpan().SequenceEqual(other.figures);

    /// <inheritdoc/>
    public override bool Equals(object? obj) => Equals(obj as WeekMeasures);

    /// <inheritdoc/>
    public override int GetHashCode() => figures.Aggregate(0, HashCode.Combine);
}
