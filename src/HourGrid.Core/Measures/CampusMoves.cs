namespace HourGrid.Core.Measures;

/// <summary>Changes of campus between consecutive meetings of a day, summed over the week; mean in tenths, rounded half up. Meetings without a campus are passed over. Few are good.</summary>
/// <remarks>Lower bound: one fewer than there are campuses on a day.</remarks>
public sealed class CampusMoves : Measure
{
    private CampusMoves()
        : base("campusMovesTenths", MeasureUnit.Tenths) { }

    /// <summary>The measure.</summary>
    public static CampusMoves Measure { get; } = new();

    /// <inheritdoc/>
    public override string Weight => "moves";

    /// <inheritdoc/>
    public override int UsualWeight => 20;

    internal override int? Of(MeasuredTimetable timetable) =>
        timetable.Mean(week => 10 * week.Sum(day => day.Walk.Moves));

    /// <inheritdoc/>
    public override int BadnessOf(int figure, int coursesInPlay) => Badness(figure);

    /// <summary>Of campus moves a week, in tenths.</summary>
    public static int Badness(int tenths) => Share(tenths, 100);
}
