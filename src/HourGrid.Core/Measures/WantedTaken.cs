namespace HourGrid.Core.Measures;

/// <summary>How many courses it takes. Many are good.</summary>
/// <remarks>Lower bound: all courses to come taken.</remarks>
public sealed class WantedTaken : Measure
{
    private WantedTaken()
        : base("wantedTaken", MeasureUnit.Count) { }

    /// <summary>The measure.</summary>
    public static WantedTaken Measure { get; } = new();

    /// <inheritdoc/>
    public override string Weight => "wanted";

    /// <inheritdoc/>
    public override int UsualWeight => 100;

    /// <inheritdoc/>
    public override bool IsMoreBetter => true;

    internal override int? Of(MeasuredTimetable timetable) => timetable.CoursesTaken;

    /// <inheritdoc/>
    public override int BadnessOf(int figure, int coursesInPlay) => Badness(figure, coursesInPlay);

    /// <summary>Of so many courses taken, of so many in play.</summary>
    public static int Badness(int taken, int coursesInPlay) => Share(coursesInPlay - taken, coursesInPlay);
}
