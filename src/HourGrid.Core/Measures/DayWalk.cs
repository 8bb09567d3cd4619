using HourGrid.Core.Timetables;

namespace HourGrid.Core.Measures;

/// <summary>A meeting on one day, as whole timetables are measured.</summary>
/// <param name="Day">Which day: its number in a week, or among all days of all week classes.</param>
/// <param name="Start">The minute it starts at.</param>
/// <param name="End">The minute it ends at.</param>
/// <param name="Campus">The number of its campus, or <see cref="CampusNumbers.None"/>.</param>
internal readonly record struct DayMeeting(int Day, int Start, int End, int Campus);

/// <summary>What is seen on the way through the meetings of a day, in their order.</summary>
internal readonly struct DayWalk
{
    /// <param name="meetings">By start; at least one, and all of one day.</param>
    /// <param name="campuses">The campuses they are on.</param>
    public DayWalk(ReadOnlySpan<DayMeeting> meetings, CampusNumbers campuses)
    {
        var (start, end, campus) = (meetings[0].Start, meetings[0].Start, -1);
        foreach (ref readonly var meeting in meetings)
        {
            var pause = meeting.Start - end;
            if (pause > 0)
                Idle += pause;
            if (pause >= Stretch.Pause)
                start = meeting.Start;
            end = Math.Max(end, meeting.End);
            LongestStretch = Math.Max(LongestStretch, end - start);
            if (meeting.Campus < 0)
                continue;
            if (campus >= 0 && meeting.Campus != campus)
            {
                Moves++;
                OnTheWay += campuses.MinutesBetween(campus, meeting.Campus);
            }
            campus = meeting.Campus;
        }
    }

    /// <summary>Minutes between meetings.</summary>
    public int Idle { get; }

    /// <summary>Minutes of the longest run without a pause.</summary>
    public int LongestStretch { get; }

    /// <summary>Changes of campus.</summary>
    public int Moves { get; }

    /// <summary>Minutes from campus to campus.</summary>
    public int OnTheWay { get; }
}
