using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Timetables;

namespace HourGrid.Bench.Peers;

/// <summary>The rules that look at a whole timetable, as one would first write them: week by week, day by day.</summary>
internal sealed class PlainDayRules(Problem problem)
{
    private readonly Ask ask = problem.Ask;

    private readonly int[] weeks =
    [
        .. problem
            .Courses.SelectMany(course => course.Bundles)
            .SelectMany(bundle => bundle.Meetings)
            .Aggregate(WeekSet.None, (all, meeting) => all.Union(meeting.Weeks))
            .Weeks(),
    ];

    private readonly List<Meeting> today = [];

    public bool MayLeaveOut(int course)
    {
        var wanted = problem.Courses[course].Wanted;
        return wanted.Role != CourseRole.Must || ask.EitherOr.Any(choice => choice.Courses.Contains(wanted.Course));
    }

    /// <summary>Whether a course may be taken beside those before it: no either–or has all it takes.</summary>
    public bool MayTake(int course, int[] taken)
    {
        foreach (var choice in ask.EitherOr)
        {
            if (!choice.Courses.Contains(problem.Courses[course].Wanted.Course))
                continue;
            var before = 0;
            for (var other = 0; other < course; other++)
                if (taken[other] > 0 && choice.Courses.Contains(problem.Courses[other].Wanted.Course))
                    before++;
            if (before >= choice.Max)
                return false;
        }
        return true;
    }

    /// <param name="chosen">The meetings of each course taken.</param>
    /// <param name="taken">By course, the number of its bundle plus one; 0 when it is left out.</param>
    public bool Keep(List<Meeting[]> chosen, int[] taken)
    {
        if (chosen.Count == 0)
            return false;
        foreach (var choice in ask.EitherOr)
        {
            var count = 0;
            for (var course = 0; course < taken.Length; course++)
                if (taken[course] > 0 && choice.Courses.Contains(problem.Courses[course].Wanted.Course))
                    count++;
            if (count < choice.Min || count > choice.Max)
                return false;
        }
        if (ask.Credits is not { Min: null, Max: null })
        {
            var credits = 0;
            for (var course = 0; course < taken.Length; course++)
                if (taken[course] > 0)
                    credits += problem.Courses[course].Bundles[taken[course] - 1].Credits.Hundredths;
            if (
                credits < (ask.Credits.Min?.Hundredths ?? 0)
                || credits > (ask.Credits.Max?.Hundredths ?? int.MaxValue)
            )
                return false;
        }
        return !HasDayRules || weeks.All(week => KeepsWeek(chosen, week));
    }

    private bool HasDayRules =>
        ask.DayLimits is not { MaxDays: null, MaxMinutesPerDay: null, MaxStretchMinutes: null }
        || ask.Campus.OnePerDay
        || ask.Breaks.Any(one => one.Strength == Strength.Cannot);

    private bool KeepsWeek(List<Meeting[]> chosen, int week)
    {
        var days = 0;
        foreach (var day in Weekdays.All)
        {
            today.Clear();
            foreach (var course in chosen)
            foreach (var meeting in course)
                if (meeting.Day == day && meeting.Weeks.Contains(week))
                    today.Add(meeting);
            if (today.Count == 0)
                continue;
            days++;
            today.Sort();
            if (!KeepsDay(day, week))
                return false;
        }
        return days <= (ask.DayLimits.MaxDays ?? Weekdays.PerWeek);
    }

    private bool KeepsDay(Weekday day, int week)
    {
        var minutes = 0;
        var stretchStart = today[0].Time.Start.Value;
        var end = stretchStart;
        CampusId? campus = null;
        foreach (var meeting in today)
        {
            minutes += meeting.Time.Length;
            if (meeting.Time.Start.Value - end >= Stretch.Pause)
                stretchStart = meeting.Time.Start.Value;
            end = Math.Max(end, meeting.Time.End.Value);
            if (end - stretchStart > (ask.DayLimits.MaxStretchMinutes ?? Minute.PerDay))
                return false;
            if (meeting.Campus is { } place)
            {
                if (ask.Campus.OnePerDay && campus is { } other && other != place)
                    return false;
                campus = place;
            }
        }
        return minutes <= (ask.DayLimits.MaxMinutesPerDay ?? Minute.PerDay)
            && ask.Breaks.All(one =>
                one.Strength != Strength.Cannot || !one.Days.Contains(day) || HasFree(one, week)
            );
    }

    private bool HasFree(Break wanted, int week)
    {
        var free = wanted.Window.Start.Value;
        foreach (
            var time in today
                .Select(meeting => meeting.Time)
                .Concat(
                    ask.TimeBlocks.Where(block =>
                            block.Strength == Strength.Cannot
                            && block.Days.Contains(today[0].Day)
                            && block.Weeks.Contains(week)
                        )
                        .Select(block => block.Time)
                )
                .Order()
        )
        {
            if (Math.Min(time.Start.Value, wanted.Window.End.Value) - free >= wanted.Minutes)
                return true;
            free = Math.Max(free, time.End.Value);
        }
        return wanted.Window.End.Value - free >= wanted.Minutes;
    }
}
