namespace HourGrid.Core.Measures;

/// <summary>The latest end of any day; none without meetings. Early is good, down to 16:00.</summary>
/// <remarks>Lower bound: the latest so far, or the earliest that the options to come allow.</remarks>
public sealed class LatestEnd : Measure
{
    private LatestEnd()
        : base("latestEnd", MeasureUnit.TimeOfDay) { }

    /// <summary>The measure.</summary>
    public static LatestEnd Measure { get; } = new();

    /// <inheritdoc/>
    public override string Weight => "earlierFinish";

    internal override int? Of(MeasuredTimetable timetable) => timetable.Most(week => week.Most(day => day.End));

    /// <inheritdoc/>
    public override int BadnessOf(int figure, int coursesInPlay) => Badness(figure);

    /// <summary>Of a latest end, in minutes after midnight.</summary>
    public static int Badness(int minute) => Share(minute - EarlyEnough, 480);

    private const int EarlyEnough = 16 * 60;
}
