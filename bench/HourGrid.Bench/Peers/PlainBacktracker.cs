using System.Diagnostics;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Timetables;

namespace HourGrid.Bench.Peers;

/// <summary>
/// What one would write first: course after course, bundle after bundle, each held against those chosen, meeting
/// against meeting; rules that look at a whole day are looked at once all courses are chosen.
/// </summary>
/// <remarks>It starts from the same admissible bundles as the engine. Past its time it says how far it came.</remarks>
internal sealed class PlainBacktracker
{
    private readonly Problem problem;
    private readonly ConflictCheck conflicts;
    private readonly Meeting[][][] meetings;
    private readonly List<Meeting[]> chosen = [];
    private readonly int[] taken;
    private readonly PlainDayRules rules;
    private readonly long until;
    private long visited;
    private long found;
    private bool isOver;
    private int looks;

    private PlainBacktracker(Problem problem, TimeSpan time)
    {
        this.problem = problem;
        conflicts = ConflictCheck.Of(problem.Snapshot, problem.Ask);
        meetings = [.. problem.Courses.Select(c => c.Bundles.Select(b => b.Meetings.ToArray()).ToArray())];
        taken = new int[problem.Courses.Count];
        rules = new(problem);
        until = Stopwatch.GetTimestamp() + (long)(time.TotalSeconds * Stopwatch.Frequency);
    }

    /// <param name="Timetables">Those found.</param>
    /// <param name="Seconds">The time it took; where it was stopped, what the whole would take at that pace.</param>
    /// <param name="IsExtrapolated">Whether it was stopped.</param>
    public sealed record Result(long Timetables, double Seconds, bool IsExtrapolated);

    public static Result Count(Problem problem, TimeSpan time)
    {
        var one = new PlainBacktracker(problem, time);
        var start = Stopwatch.GetTimestamp();
        one.Choose(0);
        var seconds = Stopwatch.GetElapsedTime(start).TotalSeconds;
        return new(one.found, one.isOver ? seconds * (AllNodes(problem) / one.visited) : seconds, one.isOver);
    }

    /// <summary>
    /// How many nodes a whole run visits: the conflict-free choices for the first courses, for each number of courses.
    /// Counted by the engine, so that a run that was stopped is extrapolated by work done and not by a guess.
    /// </summary>
    private static double AllNodes(Problem problem)
    {
        var ask = problem.Ask;
        var rules = new PlainDayRules(problem);
        var nodes = 1.0;
        for (var courses = 1; courses <= problem.Courses.Count; courses++)
        {
            var part = ask with
            {
                Wanted =
                [
                    .. problem
                        .Courses.Take(courses)
                        .Select(
                            (course, i) =>
                                course.Wanted with
                                {
                                    Role = rules.MayLeaveOut(i) ? CourseRole.IfItFits : CourseRole.Must,
                                }
                        ),
                ],
                EitherOr =
                [
                    .. ask
                        .EitherOr.Select(choice =>
                            choice with
                            {
                                Courses =
                                [
                                    .. choice.Courses.Where(course =>
                                        problem.Courses.Take(courses).Any(one => one.Offered.Course.Id == course)
                                    ),
                                ],
                                Min = 0,
                            }
                        )
                        .Where(choice => choice.Courses.Count > 0),
                ],
                Credits = default,
                Breaks = [],
                DayLimits = ask.DayLimits with { MaxDays = null, MaxMinutesPerDay = null, MaxStretchMinutes = null },
                Campus = ask.Campus with { OnePerDay = false },
            };
            nodes += (double)Counts.Of(Problem.Compile(problem.Snapshot, part)).Total.Timetables;
        }
        return nodes;
    }

    /// <param name="course">The course that chooses.</param>
    private void Choose(int course)
    {
        visited++;
        if (course == meetings.Length)
        {
            if (rules.Keep(chosen, taken))
                found++;
            return;
        }
        if ((++looks & 1023) == 0 && Stopwatch.GetTimestamp() > until)
            isOver = true;
        for (var bundle = 0; bundle < meetings[course].Length && !isOver; bundle++)
        {
            if (!rules.MayTake(course, taken) || !Fits(meetings[course][bundle]))
                continue;
            chosen.Add(meetings[course][bundle]);
            taken[course] = bundle + 1;
            Choose(course + 1);
            chosen.RemoveAt(chosen.Count - 1);
        }
        if (!isOver && rules.MayLeaveOut(course))
        {
            taken[course] = 0;
            Choose(course + 1);
        }
    }

    private bool Fits(Meeting[] next)
    {
        foreach (var other in chosen)
        foreach (var one in next)
        foreach (var another in other)
            if (conflicts.Conflict(one, another))
                return false;
        return true;
    }
}
