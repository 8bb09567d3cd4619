using HourGrid.Core.Catalogue;

namespace HourGrid.Formats.Timetables.Pictures;

/// <summary>
/// What part of the week a picture shows: just the hours that are used, the usual days and those of the weekend that
/// are used. As the hour grid does; <c>tests/geometry</c> holds both to it.
/// </summary>
/// <param name="Days">The days, Monday first.</param>
/// <param name="From">The first hour.</param>
/// <param name="To">The hour after the last.</param>
internal sealed record WeekAxis(IReadOnlyList<Weekday> Days, int From, int To)
{
    private const int UsualDays = 5;
    private const int UsualFrom = 8;
    private const int UsualTo = 20;

    public static WeekAxis Fitting(IReadOnlyList<Meeting> meetings)
    {
        if (meetings.Count == 0)
            return new([.. Weekdays.All.Take(UsualDays)], UsualFrom, UsualTo);
        var last = meetings.Max(meeting => (int)meeting.Day);
        return new(
            [.. Weekdays.All.Take(Math.Max(UsualDays, last + 1))],
            meetings.Min(meeting => meeting.Time.Start.Value) / 60,
            (meetings.Max(meeting => meeting.Time.End.Value) + 59) / 60
        );
    }

    /// <summary>A minute's place along the axis, 0 to 1.</summary>
    public float Along(Minute minute) => (minute.Value - From * 60f) / ((To - From) * 60f);

    /// <summary>The hours at which a line stands.</summary>
    public IEnumerable<int> Hours => Enumerable.Range(From, To - From + 1);
}
