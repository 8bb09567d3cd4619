using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Measures;

/// <summary>Weekdays with a meeting; the largest week. Few are good.</summary>
/// <remarks>Lower bound: the fewest weekdays that the days used so far and any options to come make.</remarks>
public sealed class ClassDays : Measure
{
    private ClassDays()
        : base("classDays", MeasureUnit.Count) { }

    /// <summary>The measure.</summary>
    public static ClassDays Measure { get; } = new();

    /// <inheritdoc/>
    public override string Weight => "classDays";

    /// <inheritdoc/>
    public override int UsualWeight => 60;

    internal override int? Of(MeasuredTimetable timetable) => timetable.Most(week => week.Days.Count) ?? 0;

    /// <inheritdoc/>
    public override int BadnessOf(int figure, int coursesInPlay) => Badness(figure);

    /// <summary>Of so many class days.</summary>
    public static int Badness(int days) => Share(days, Weekdays.PerWeek);
}
