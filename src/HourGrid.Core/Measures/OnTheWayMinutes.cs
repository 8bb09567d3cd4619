namespace HourGrid.Core.Measures;

/// <summary>
/// The travel minutes between consecutive meetings of a day on different campuses, summed over the week; mean, rounded half
/// up. They count also where travel is not respected; meetings without a campus are passed over. Few are good.
/// </summary>
/// <remarks>Lower bound: the shortest way there is, for one campus fewer than there are on a day.</remarks>
public sealed class OnTheWayMinutes : Measure
{
    private OnTheWayMinutes()
        : base("onTheWayMinutes", MeasureUnit.Minutes) { }

    /// <summary>The measure.</summary>
    public static OnTheWayMinutes Measure { get; } = new();

    /// <inheritdoc/>
    public override string Weight => "onTheWay";

    internal override int? Of(MeasuredTimetable timetable) =>
        timetable.Mean(week => week.Sum(day => day.Walk.OnTheWay));

    /// <inheritdoc/>
    public override int BadnessOf(int figure, int coursesInPlay) => Badness(figure);

    /// <summary>Of so many minutes a week.</summary>
    public static int Badness(int minutes) => Share(minutes, 300);
}
