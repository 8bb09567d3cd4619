using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Measures;

/// <summary>Soft breaks not satisfied, over their days; the largest week. Few are good.</summary>
/// <remarks>Lower bound: none; a day has to be whole.</remarks>
public sealed class BreaksMissed : Measure
{
    private BreaksMissed()
        : base("breaksMissed", MeasureUnit.Count) { }

    /// <summary>The measure.</summary>
    public static BreaksMissed Measure { get; } = new();

    /// <inheritdoc/>
    public override string Weight => "breaksMissed";

    /// <inheritdoc/>
    public override int UsualWeight => 50;

    internal override int? Of(MeasuredTimetable timetable) =>
        timetable.Most(week => week.Sum(day => day.SoftBreaksMissed())) ?? 0;

    /// <inheritdoc/>
    public override int BadnessOf(int figure, int coursesInPlay) => Badness(figure);

    /// <summary>Of so many soft breaks missed.</summary>
    public static int Badness(int breaks) => Share(breaks, Weekdays.PerWeek);
}
