namespace HourGrid.Core.Measures;

/// <summary>The earliest start of any day; none without meetings. Late is good, up to 10:00.</summary>
/// <remarks>Lower bound: the earliest so far, or the latest that the options to come allow.</remarks>
public sealed class EarliestStart : Measure
{
    private EarliestStart()
        : base("earliestStart", MeasureUnit.TimeOfDay) { }

    /// <summary>The measure.</summary>
    public static EarliestStart Measure { get; } = new();

    /// <inheritdoc/>
    public override string Weight => "laterStart";

    /// <inheritdoc/>
    public override bool IsMoreBetter => true;

    internal override int? Of(MeasuredTimetable timetable) => timetable.Least(week => week.Least(day => day.Start));

    /// <inheritdoc/>
    public override int BadnessOf(int figure, int coursesInPlay) => Badness(figure);

    /// <summary>Of an earliest start, in minutes after midnight.</summary>
    public static int Badness(int minute) => Share(LateEnough - minute, LateEnough);

    private const int LateEnough = 10 * 60;
}
