namespace HourGrid.Core.Measures;

/// <summary>Minutes of the longest run of meetings of a day with every pause shorter than <see cref="Timetables.Stretch.Pause"/>; the largest. Short is good.</summary>
/// <remarks>Lower bound: the longest that any option has by itself.</remarks>
public sealed class LongestStretch : Measure
{
    private LongestStretch()
        : base("longestStretch", MeasureUnit.Minutes) { }

    /// <summary>The measure.</summary>
    public static LongestStretch Measure { get; } = new();

    /// <inheritdoc/>
    public override string Weight => "stretch";

    internal override int? Of(MeasuredTimetable timetable) =>
        timetable.Most(week => week.Most(day => day.Walk.LongestStretch)) ?? 0;

    /// <inheritdoc/>
    public override int BadnessOf(int figure, int coursesInPlay) => Badness(figure);

    /// <summary>Of a longest stretch in minutes.</summary>
    public static int Badness(int minutes) => Share(minutes, 480);
}
