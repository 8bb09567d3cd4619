namespace HourGrid.Core.Engine;

/// <summary>How many there are, exactly.</summary>
/// <param name="Timetables">Timetables.</param>
/// <param name="WeekShapes">Week shapes among them.</param>
public readonly record struct Tally(UInt128 Timetables, UInt128 WeekShapes)
{
    /// <summary>None at all.</summary>
    public static Tally None => default;
}
