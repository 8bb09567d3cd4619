using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Searching;

/// <summary>When the sections of a course meet, hour by hour: for each weekday, how many meet in each hour.</summary>
/// <param name="FirstHour">The hour of the first figure of each day, 0…23.</param>
/// <param name="Days">For each weekday from Monday, a figure for each hour from the first on.</param>
public sealed record WeekStamp(int FirstHour, IReadOnlyList<IReadOnlyList<int>> Days)
{
    private const int MinutesPerHour = 60;

    /// <summary>The stamp of some sections.</summary>
    /// <param name="sections">The sections; each counts once in an hour of a day.</param>
    /// <param name="frame">What to show, see <see cref="StampFrame"/>.</param>
    public static WeekStamp Of(IEnumerable<OfferedSection> sections, StampFrame frame)
    {
        var days = new int[frame.Days][];
        for (var day = 0; day < days.Length; day++)
            days[day] = new int[frame.EndHour - frame.FirstHour];
        foreach (var section in sections)
        {
            var counted = new HashSet<(int, int)>();
            foreach (var meeting in section.Meetings)
                for (
                    var hour = meeting.Time.Start.Value / MinutesPerHour;
                    hour * MinutesPerHour < meeting.Time.End.Value;
                    hour++
                )
                    if (counted.Add(((int)meeting.Day, hour)))
                        days[(int)meeting.Day][hour - frame.FirstHour]++;
        }
        return new(frame.FirstHour, days);
    }
}

/// <summary>The days and hours that hold every meeting of a term, so that all its stamps are drawn alike.</summary>
/// <param name="Days">Weekdays from Monday: 5, or as many as any section needs.</param>
/// <param name="FirstHour">The first hour, 0…23.</param>
/// <param name="EndHour">The hour after the last, 1…24.</param>
public readonly record struct StampFrame(int Days, int FirstHour, int EndHour)
{
    private const int MinutesPerHour = 60;
    private const int UsualDays = 5;
    private const int UsualStart = 8;
    private const int UsualEnd = 18;

    /// <summary>The frame of a term's sections; never smaller than a usual week.</summary>
    public static StampFrame Of(IEnumerable<OfferedSection> sections)
    {
        var (days, first, end) = (UsualDays, UsualStart, UsualEnd);
        foreach (var meeting in sections.SelectMany(section => section.Meetings))
        {
            days = Math.Max(days, (int)meeting.Day + 1);
            first = Math.Min(first, meeting.Time.Start.Value / MinutesPerHour);
            end = Math.Max(end, (meeting.Time.End.Value + MinutesPerHour - 1) / MinutesPerHour);
        }
        return new(days, first, end);
    }
}
