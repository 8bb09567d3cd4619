using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>
/// A rule in the normal form <em>a sum stays under a limit</em>. Every course has an option that adds 0, so what is
/// left of the limit is what later courses may still add beyond the least they must.
/// </summary>
/// <param name="Wish">The number of the wish.</param>
/// <param name="Adds">What each option adds, by course and option; 0 or more.</param>
/// <param name="Limit">The limit; negative when even the least of every course is too much.</param>
internal sealed record Lane(int Wish, int[][] Adds, int Limit)
{
    /// <summary>The most that all courses together can add.</summary>
    public int MostAdded => Adds.Sum(course => course.Max());
}

/// <summary>Brings the rules that add up (credits, either–or, minutes a day) into the form of <see cref="Lane"/>.</summary>
internal sealed class Lanes
{
    private readonly Ask ask;
    private readonly IReadOnlyList<CoursePlay> courses;
    private readonly WorkLimit limit;
    private readonly List<Lane> lanes = [];

    private Lanes(Ask ask, IReadOnlyList<CoursePlay> courses, WorkLimit limit)
    {
        this.limit = limit;
        this.ask = ask;
        this.courses = courses;
    }

    /// <summary>The rules an ask sets; those that cannot be broken are left out.</summary>
    public static IReadOnlyList<Lane> Of(
        Ask ask,
        IReadOnlyList<Wish> wishes,
        IReadOnlyList<CoursePlay> courses,
        MeetingTable table,
        WorkLimit limit
    )
    {
        var found = new Lanes(ask, courses, limit);
        // Without any option the course has no timetable, whatever else is asked.
        if (courses.Any(course => course.Options.Count == 0))
            return [];
        for (var id = 0; id < wishes.Count; id++)
            if (wishes[id].Kind == WishKind.Credits)
                found.AddCredits(id);
            else if (wishes[id].Kind == WishKind.EitherOr)
                found.AddEitherOr(id, ask.EitherOr[wishes[id].Index]);
            else if (wishes[id].Kind == WishKind.MaxMinutesPerDay)
                found.AddMinutes(id, ask.DayLimits.MaxMinutesPerDay!.Value, table);
        return found.lanes;
    }

    private void AddCredits(int id)
    {
        int[][] credits = [.. courses.Select(c => c.Options.Select(o => o.Credits.Hundredths).ToArray())];
        if (ask.Credits.Max is { } max)
            AddAtMost(id, credits, max.Hundredths);
        if (ask.Credits.Min is { } min)
            AddAtLeast(id, credits, min.Hundredths);
    }

    private void AddEitherOr(int id, EitherOr choice)
    {
        int[][] taken =
        [
            .. courses.Select(course =>
                course
                    .Options.Select(option =>
                        !option.IsAbsent && choice.Courses.Contains(course.Wanted.Course) ? 1 : 0
                    )
                    .ToArray()
            ),
        ];
        AddAtMost(id, taken, choice.Max);
        AddAtLeast(id, taken, choice.Min);
    }

    private void AddMinutes(int id, int most, MeetingTable table)
    {
        foreach (var weeks in WeekClasses.Binding(table.WeekSets, []))
        foreach (var day in Weekdays.All)
            AddAtMost(
                id,
                [.. courses.Select(course => course.Options.Select(o => MinutesOn(o, day, weeks)).ToArray())],
                most
            );
    }

    private static int MinutesOn(CourseOption option, Weekday day, WeekSet weeks)
    {
        // Meetings of one course may overlap within a section; a minute counts once.
        var minutes = 0;
        var until = 0;
        foreach (var meeting in option.Meetings)
        {
            if (meeting.Day != day || !meeting.Weeks.Overlaps(weeks))
                continue;
            minutes += Math.Max(0, meeting.Time.End.Value - Math.Max(until, meeting.Time.Start.Value));
            until = Math.Max(until, meeting.Time.End.Value);
        }
        return minutes;
    }

    private void AddAtLeast(int id, int[][] amounts, int least)
    {
        int[] most = [.. amounts.Select(course => course.Max())];
        int[][] shortOfMost =
        [
            .. amounts.Zip(most, (course, its) => course.Select(amount => its - amount).ToArray()),
        ];
        AddAtMost(id, shortOfMost, most.Sum() - least);
    }

    private void AddAtMost(int id, int[][] amounts, int most)
    {
        limit.ThrowIfOver();
        int[] least = [.. amounts.Select(course => course.Min())];
        int[][] beyondLeast =
        [
            .. amounts.Zip(least, (course, its) => course.Select(amount => amount - its).ToArray()),
        ];
        var lane = new Lane(id, beyondLeast, most - least.Sum());
        if (lane.MostAdded > lane.Limit)
            lanes.Add(lane);
    }
}
