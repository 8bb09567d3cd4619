namespace HourGrid.Core.Engine.Counting;

/// <summary>A tally of the last levels, which 64 bits hold.</summary>
/// <param name="Timetables">Timetables.</param>
/// <param name="Shapes">Week shapes.</param>
internal readonly record struct Count64(ulong Timetables, ulong Shapes);
