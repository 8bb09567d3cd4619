namespace HourGrid.Core.Measures;

/// <summary>Minutes between the meetings of a day, summed over the week; mean, rounded half up. Few are good.</summary>
/// <remarks>Lower bound: the spans of the days so far, less all minutes that options to come can fill.</remarks>
public sealed class IdleMinutes : Measure
{
    private IdleMinutes()
        : base("idleMinutes", MeasureUnit.Minutes) { }

    /// <summary>The measure.</summary>
    public static IdleMinutes Measure { get; } = new();

    /// <inheritdoc/>
    public override string Weight => "idle";

    /// <inheritdoc/>
    public override int UsualWeight => 60;

    internal override int? Of(MeasuredTimetable timetable) => timetable.Mean(week => week.Sum(day => day.Walk.Idle));

    /// <inheritdoc/>
    public override int BadnessOf(int figure, int coursesInPlay) => Badness(figure);

    /// <summary>Of so many idle minutes a week.</summary>
    public static int Badness(int minutes) => Share(minutes, 1500);
}
