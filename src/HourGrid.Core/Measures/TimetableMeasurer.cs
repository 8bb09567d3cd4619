using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;

namespace HourGrid.Core.Measures;

/// <summary>Takes the measures of timetables under one ask.</summary>
/// <param name="snapshot">The catalogue they are of.</param>
/// <param name="ask">Whose soft rules and preferred campus are counted.</param>
public sealed class TimetableMeasurer(CatalogueSnapshot snapshot, Ask ask)
{
    private readonly WeekSet[] blockWeeks = [.. ask.TimeBlocks.Select(block => block.Weeks).Distinct()];
    private readonly CampusNumbers campuses = new(snapshot);

    /// <summary>The measures of a timetable.</summary>
    public WeekMeasures Of(Timetable timetable)
    {
        var meetings = timetable.Sections.SelectMany(section => section.Meetings).Order().ToArray();
        var weeks = WeekClasses
            .Of(meetings.Select(meeting => meeting.Weeks), blockWeeks)
            .Select(alike => WeekOf(meetings, alike));
        var measured = new MeasuredTimetable(timetable, [.. weeks]);
        return new(measure => measure.Of(measured));
    }

    private MeasuredWeek WeekOf(Meeting[] meetings, WeekSet alike)
    {
        var week = alike.Weeks().First();
        var days = meetings
            .Where(meeting => meeting.Weeks.Contains(week))
            .GroupBy(meeting => meeting.Day)
            .Select(day => new MeasuredDay(ask, [.. day], week, campuses));
        return new(alike.Count, [.. days]);
    }
}
