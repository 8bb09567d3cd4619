using HourGrid.Core.Catalogue;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>The distinct meetings of all options, numbered; whatever depends on one or two meetings is found once.</summary>
internal sealed class MeetingTable
{
    private readonly int[][][] numbers;

    /// <param name="courses">The courses in play.</param>
    /// <param name="limit">Stops the making of it.</param>
    public MeetingTable(IReadOnlyList<CoursePlay> courses, WorkLimit limit)
    {
        var byMeeting = new Dictionary<Meeting, int>();
        var meetings = new List<Meeting>();
        numbers = new int[courses.Count][][];
        for (var course = 0; course < courses.Count; course++)
        {
            var options = courses[course].Options;
            numbers[course] = new int[options.Count][];
            for (var option = 0; option < options.Count; option++)
            {
                limit.ThrowIfOver();
                var optionMeetings = options[option].Meetings;
                var row = numbers[course][option] = new int[optionMeetings.Count];
                for (var i = 0; i < row.Length; i++)
                {
                    if (!byMeeting.TryGetValue(optionMeetings[i], out row[i]))
                    {
                        byMeeting[optionMeetings[i]] = row[i] = meetings.Count;
                        meetings.Add(optionMeetings[i]);
                    }
                }
            }
        }
        Meetings = [.. meetings];
        WeekSets = [.. Meetings.Select(meeting => meeting.Weeks).Distinct()];
    }

    /// <summary>The distinct meetings.</summary>
    public Meeting[] Meetings { get; }

    /// <summary>Their distinct sets of weeks.</summary>
    public WeekSet[] WeekSets { get; }

    /// <summary>Numbers of the meetings of a course's option.</summary>
    public int[] Of(int course, int option) => numbers[course][option];
}
