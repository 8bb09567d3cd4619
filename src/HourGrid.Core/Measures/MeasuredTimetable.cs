using HourGrid.Core.Timetables;

namespace HourGrid.Core.Measures;

/// <summary>A timetable with what measures ask of it. Weeks without any meeting are left out.</summary>
/// <param name="timetable">The timetable.</param>
/// <param name="weeks">Its weeks with a meeting.</param>
internal sealed class MeasuredTimetable(Timetable timetable, IReadOnlyList<MeasuredWeek> weeks)
{
    /// <summary>The fewest free seats of any section.</summary>
    public int FewestFreeSeats => timetable.Sections.Min(section => section.FreeSeats);

    /// <summary>How many courses it takes.</summary>
    public int CoursesTaken => timetable.Bundles.Count;

    /// <summary>The figure of the week that has most; null without meetings.</summary>
    public int? Most(Func<MeasuredWeek, int> figure) => weeks.Count == 0 ? null : weeks.Max(figure);

    /// <summary>The figure of the week that has least; null without meetings.</summary>
    public int? Least(Func<MeasuredWeek, int> figure) => weeks.Count == 0 ? null : weeks.Min(figure);

    /// <summary>The mean over all weeks, rounded half up; 0 without meetings.</summary>
    public int Mean(Func<MeasuredWeek, int> figure)
    {
        var count = weeks.Sum(week => week.Count);
        return count == 0 ? 0 : (2 * weeks.Sum(week => week.Count * figure(week)) + count) / (2 * count);
    }
}
