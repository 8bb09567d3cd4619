using System.Diagnostics;
using Google.OrTools.Sat;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Measures;
using HourGrid.Core.Timetables;

namespace HourGrid.Bench.Peers;

/// <summary>
/// CP-SAT with one worker, on the same bundles: a variable a bundle, one bundle a course, no two that conflict. For its
/// best it minimises class days and idle minutes alone, so that is what the engine is asked to rank by beside it.
/// </summary>
/// <remarks>It is held only against asks of must courses with no rule beyond bundles and conflicts.</remarks>
internal static class ConstraintSolver
{
    /// <summary>What it ranks by.</summary>
    public static Weights Weights { get; } =
        MeasureList.Weighed.Aggregate(
            new Weights(),
            (weights, measure) =>
                weights.With(
                    measure.Weight!,
                    measure == ClassDays.Measure || measure == IdleMinutes.Measure ? measure.UsualWeight : 0
                )
        );

    /// <param name="Found">Timetables it listed.</param>
    /// <param name="Seconds">The time it took.</param>
    /// <param name="IsDone">Whether it finished: all listed, or the best proven.</param>
    public sealed record Result(long Found, double Seconds, bool IsDone);

    public static Result ListAll(Problem problem, TimeSpan time)
    {
        var model = new CpModel();
        AddBundles(model, problem);
        var solver = new CpSolver
        {
            StringParameters =
                $"num_workers:1 enumerate_all_solutions:true max_time_in_seconds:{time.TotalSeconds:F0}",
        };
        var counter = new Counter();
        var start = Stopwatch.GetTimestamp();
        var status = solver.Solve(model, counter);
        return new(counter.Count, Stopwatch.GetElapsedTime(start).TotalSeconds, status == CpSolverStatus.Optimal);
    }

    public static Result FindBest(Problem problem, TimeSpan time)
    {
        var model = new CpModel();
        var bundles = AddBundles(model, problem);
        AddObjective(model, problem, bundles);
        var solver = new CpSolver { StringParameters = $"num_workers:1 max_time_in_seconds:{time.TotalSeconds:F0}" };
        var start = Stopwatch.GetTimestamp();
        var status = solver.Solve(model);
        return new(1, Stopwatch.GetElapsedTime(start).TotalSeconds, status == CpSolverStatus.Optimal);
    }

    private static BoolVar[][] AddBundles(CpModel model, Problem problem)
    {
        var conflicts = ConflictCheck.Of(problem.Snapshot, problem.Ask);
        BoolVar[][] taken =
        [
            .. problem.Courses.Select(
                (course, c) => course.Bundles.Select((_, b) => model.NewBoolVar($"{c}/{b}")).ToArray()
            ),
        ];
        foreach (var course in taken)
            model.AddExactlyOne(course);
        for (var one = 0; one < taken.Length; one++)
        for (var other = one + 1; other < taken.Length; other++)
        for (var i = 0; i < taken[one].Length; i++)
        for (var j = 0; j < taken[other].Length; j++)
            if (
                conflicts.Conflict(
                    problem.Courses[one].Bundles[i].Meetings,
                    problem.Courses[other].Bundles[j].Meetings
                )
            )
                model.AddBoolOr([taken[one][i].Not(), taken[other][j].Not()]);
        return taken;
    }

    private static void AddObjective(CpModel model, Problem problem, BoolVar[][] taken)
    {
        var meetings = problem.Courses.SelectMany(course => course.Bundles).SelectMany(bundle => bundle.Meetings);
        var weeks = meetings.Select(meeting => meeting.Weeks).Distinct().ToArray();
        var classes = Enumerable
            .Range(1, WeekSet.MaxWeek)
            .GroupBy(week => string.Join(' ', weeks.Select(set => set.Contains(week))))
            .Where(group => weeks.Any(set => set.Contains(group.First())))
            .Select(group => (Week: group.First(), Count: group.Count()))
            .ToArray();
        var all = classes.Sum(one => one.Count);
        var cost = LinearExpr.NewBuilder();
        foreach (var (week, count) in classes)
        foreach (var day in Weekdays.All)
            AddDay(model, problem, taken, cost, day, week, (double)count / all);
        model.Minimize(cost);
    }

    private static void AddDay(
        CpModel model,
        Problem problem,
        BoolVar[][] taken,
        LinearExprBuilder cost,
        Weekday day,
        int week,
        double share
    )
    {
        var used = model.NewBoolVar($"used {day} {week}");
        var start = model.NewIntVar(0, Minute.PerDay, $"start {day} {week}");
        var end = model.NewIntVar(0, Minute.PerDay, $"end {day} {week}");
        model.Add(end >= start);
        var weightOfMinute = (int)(1000 * share * IdleMinutes.Measure.WeightIn(problem.Ask.Weights) * 1000 / 1500);
        for (var course = 0; course < taken.Length; course++)
        for (var bundle = 0; bundle < taken[course].Length; bundle++)
        {
            var today = problem
                .Courses[course]
                .Bundles[bundle]
                .Meetings.Where(meeting => meeting.Day == day && meeting.Weeks.Contains(week))
                .ToArray();
            if (today.Length == 0)
                continue;
            var its = taken[course][bundle];
            model.AddImplication(its, used);
            model.Add(start <= today.Min(meeting => meeting.Time.Start.Value)).OnlyEnforceIf(its);
            model.Add(end >= today.Max(meeting => meeting.Time.End.Value)).OnlyEnforceIf(its);
            cost.AddTerm(its, -weightOfMinute * today.Sum(meeting => meeting.Time.Length));
        }
        cost.AddTerm(end, weightOfMinute);
        cost.AddTerm(start, -weightOfMinute);
        cost.AddTerm(
            used,
            (int)(1000 * share * ClassDays.Measure.WeightIn(problem.Ask.Weights) * 1000 / Weekdays.PerWeek)
        );
    }

    private sealed class Counter : CpSolverSolutionCallback
    {
        public long Count { get; private set; }

        public override void OnSolutionCallback() => Count++;
    }
}
