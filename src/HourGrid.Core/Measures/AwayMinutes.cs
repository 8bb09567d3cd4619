namespace HourGrid.Core.Measures;

/// <summary>Meeting minutes on another campus than the preferred; mean, rounded half up. Few are good.</summary>
/// <remarks>Lower bound: the sum of the least of each course.</remarks>
public sealed class AwayMinutes : Measure
{
    private AwayMinutes()
        : base("awayMinutes", MeasureUnit.Minutes) { }

    /// <summary>The measure.</summary>
    public static AwayMinutes Measure { get; } = new();

    /// <inheritdoc/>
    public override string Weight => "away";

    internal override int? Of(MeasuredTimetable timetable) =>
        timetable.Mean(week => week.Sum(day => day.MinutesAway()));

    /// <inheritdoc/>
    public override int BadnessOf(int figure, int coursesInPlay) => Badness(figure);

    /// <summary>Of so many minutes away from the preferred campus.</summary>
    public static int Badness(int minutes) => Share(minutes, 1500);
}
