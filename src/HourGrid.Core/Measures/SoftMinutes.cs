using HourGrid.Core.Asking;

namespace HourGrid.Core.Measures;

/// <summary>Meeting minutes inside Rather-not blocks, each once; mean, rounded half up. Few are good.</summary>
/// <remarks>Lower bound: the sum of the least of each course.</remarks>
public sealed class SoftMinutes : Measure
{
    private SoftMinutes()
        : base("softMinutes", MeasureUnit.Minutes) { }

    /// <summary>The measure.</summary>
    public static SoftMinutes Measure { get; } = new();

    /// <inheritdoc/>
    public override string Weight => "soft";

    /// <inheritdoc/>
    public override int UsualWeight => 50;

    internal override int? Of(MeasuredTimetable timetable) =>
        timetable.Mean(week => week.Sum(day => day.BusyMinutesIn(Strength.RatherNot)));

    /// <inheritdoc/>
    public override int BadnessOf(int figure, int coursesInPlay) => Badness(figure);

    /// <summary>Of so many minutes in Rather-not blocks.</summary>
    public static int Badness(int minutes) => Share(minutes, 600);
}
