using System.Globalization;
using System.Text;
using HourGrid.Bench.Ladder;
using HourGrid.Bench.Peers;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;

namespace HourGrid.Bench;

/// <summary>Measures one rung; in a process of its own, so that its peak memory is its own.</summary>
internal static class RungBench
{
    private const int MemoryWritten = 256 << 20;

    private const int SolverTurns = 5;

    private static readonly TimeSpan CountBudget = TimeSpan.FromSeconds(5);
    private static readonly TimeSpan PeerTime = TimeSpan.FromSeconds(10);
    private static readonly TimeSpan SolverTime = TimeSpan.FromSeconds(60);

    public static RungReport Measure(Rung rung, bool withPeers)
    {
        var problem = Problem.Compile(rung.Snapshot, rung.Ask);
        var count = Counts.Of(problem, CountBudget);
        var report = new RungReport
        {
            Rung = rung.Name,
            Bundles = string.Join('/', problem.Courses.Select(course => course.Bundles.Count)),
            Timetables = count.Total.Timetables.ToString("N0", CultureInfo.InvariantCulture),
            WeekShapes = count.Total.WeekShapes.ToString("N0", CultureInfo.InvariantCulture),
            IsExact = count.IsExact,
            EstimateError = count.Estimate?.RelativeError,
            CompileMs = Timing.Median(() => Problem.Compile(rung.Snapshot, rung.Ask)),
            CountMs = Timing.Median(() => Counts.Of(problem, CountBudget)),
        };
        if (!count.IsExact)
            return report with { PeakMegabytes = PeakMegabytes() };
        report = WithAnswers(report, rung, problem);
        report = report with { PeakMegabytes = PeakMegabytes() };
        // After the peak is taken: measuring what memory writes takes some itself.
        if (count.Total.Timetables > 100_000 && count.Total.Timetables < 1_000_000_000)
            report = WithRows(report, problem);
        return withPeers ? WithPeers(report, rung, problem) : report;
    }

    private static RungReport WithAnswers(RungReport report, Rung rung, Problem problem)
    {
        var (snapshot, ask) = (rung.Snapshot, rung.Ask);
        var hasNone = report.Timetables == "0";
        void Count() => Counts.Of(Problem.Compile(snapshot, ask), CountBudget);
        return report with
        {
            Best1000Ms = Timing.Median(() => Best.Of(problem, 1000, budget: CountBudget)),
            Best200ShapesMs = Timing.Median(() => Best.Of(problem, 200, byShape: true, budget: CountBudget)),
            Standings = Timing.ByTurns(() => Standings.Of(problem, CountBudget), Count),
            Costs = Timing.ByTurns(() => RuleCosts.Of(snapshot, ask, CountBudget), Count),
            Rules = RuleCosts.Of(snapshot, ask, CountBudget).Costs.Count,
            WhyNone = Timing.ByTurns(() => WhyNone.Of(snapshot, hasNone ? ask : Hopeless(ask), CountBudget), Count),
            Live = Timing.ByTurns(
                () =>
                {
                    var live = Problem.Compile(snapshot, ask);
                    Standings.Of(live, CountBudget);
                    Best.Of(live, 200, byShape: true, budget: CountBudget);
                    RuleCosts.Of(snapshot, ask, CountBudget);
                },
                Count
            ),
        };
    }

    /// <summary>The same ask with hours that leave nothing of it but a few ways out.</summary>
    private static Ask Hopeless(Ask ask) =>
        ask with
        {
            TimeBlocks =
            [
                .. ask.TimeBlocks,
                new(
                    WeekdaySet.Of(Weekday.Monday, Weekday.Wednesday, Weekday.Friday),
                    new(new(8 * 60), new(20 * 60)),
                    Strength.Cannot,
                    WeekSet.All,
                    ""
                ),
            ],
            DayLimits = ask.DayLimits with { MaxDays = 2 },
        };

    private static RungReport WithRows(RungReport report, Problem problem)
    {
        var buffer = new byte[MemoryWritten];
        var written = 0L;
        var rows = 0L;
        var width = EveryRow.WidthOf(problem);
        // What this machine writes: more memory than its caches hold, filled from end to end by one thread.
        var time = Timing.ByTurns(
            () =>
            {
                rows = 0;
                EveryRow.Write(problem, block => Interlocked.Add(ref rows, block.Length / width), CountBudget);
            },
            () => buffer.AsSpan().Fill((byte)++written)
        );
        return report with
        {
            RowsPerSecond = rows / time.Ms * 1000,
            WriteBytesPerSecond = buffer.LongLength / time.PeerMs * 1000,
        };
    }

    private static RungReport WithPeers(RungReport report, Rung rung, Problem problem)
    {
        var plain = PlainBacktracker.Count(problem, PeerTime);
        report = report with { PlainSeconds = plain.Seconds, PlainIsExtrapolated = plain.IsExtrapolated };
        if (rung.Name != "M")
            return report;
        var all = ConstraintSolver.ListAll(problem, PeerTime);
        var asSolver = Problem.Compile(rung.Snapshot, rung.Ask with { Weights = ConstraintSolver.Weights });
        var ours = new List<double>();
        var solvers = new List<ConstraintSolver.Result>();
        // By turns, so that what else the machine does falls on both alike.
        for (var turn = 0; turn < SolverTurns; turn++)
        {
            ours.Add(Timing.Median(() => Best.Of(asSolver, 1000)));
            solvers.Add(ConstraintSolver.FindBest(asSolver, SolverTime));
        }
        return report with
        {
            SolverListsPerSecond = all.Found / all.Seconds,
            Best1000AsSolverMs = ours.Order().ElementAt(SolverTurns / 2),
            SolverBestSeconds = solvers.Select(one => one.Seconds).Order().ElementAt(SolverTurns / 2),
            SolverBestIsProven = solvers.All(one => one.IsDone),
        };
    }

    /// <summary>The most memory this process has had.</summary>
    public static double PeakMegabytes()
    {
        var line = File.ReadLines("/proc/self/status")
            .First(one => one.StartsWith("VmHWM", StringComparison.Ordinal));
        var kilobytes = new StringBuilder();
        foreach (var character in line.Where(char.IsAsciiDigit))
            kilobytes.Append(character);
        return double.Parse(kilobytes.ToString(), CultureInfo.InvariantCulture) / 1024;
    }
}
