using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;

namespace HourGrid.Core.Measures;

/// <summary>
/// What a timetable is like, in integers. Per-week figures are taken over the weeks in which it has any meeting, as
/// said of each; a timetable without meetings has 0 for them and no first or last.
/// </summary>
/// <param name="ClassDays">Weekdays with a meeting; the largest week.</param>
/// <param name="IdleMinutes">Minutes between meetings of a day, summed over the week; mean, rounded half up.</param>
/// <param name="EarliestStart">The earliest start of any day, or null without meetings.</param>
/// <param name="LatestEnd">The latest end of any day, or null without meetings.</param>
/// <param name="LongestDay">Minutes from first start to last end of a day; the largest.</param>
/// <param name="LongestStretch">Minutes of the longest run of meetings with every pause shorter than
/// <see cref="Stretch.Pause"/>.</param>
/// <param name="CampusMovesTenths">Changes of campus between consecutive meetings of a day, summed over the week;
/// mean in tenths, rounded half up.</param>
/// <param name="SoftMinutes">Meeting minutes inside Rather-not blocks; mean, rounded half up.</param>
/// <param name="BreaksMissed">Soft breaks not satisfied, over their days; the largest week.</param>
/// <param name="SeatsToSpare">The fewest free seats of any of its sections.</param>
/// <param name="AwayMinutes">Meeting minutes on another campus than the preferred; mean, rounded half up.</param>
/// <param name="WantedTaken">How many courses it takes.</param>
public sealed record WeekMeasures(
    int ClassDays,
    int IdleMinutes,
    Minute? EarliestStart,
    Minute? LatestEnd,
    int LongestDay,
    int LongestStretch,
    int CampusMovesTenths,
    int SoftMinutes,
    int BreaksMissed,
    int SeatsToSpare,
    int AwayMinutes,
    int WantedTaken
);
