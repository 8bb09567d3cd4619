using System.Diagnostics;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Server.Computing;

namespace HourGrid.Server.Workbench;

/// <summary>
/// What can be counted of an ask: how many there are, where sections stand, what rules cost. None of it depends on what
/// is merely preferred, so asks that differ in that share it.
/// </summary>
/// <param name="count">How many there are.</param>
/// <param name="took">How long the count took.</param>
internal sealed class CountedAsk(CountAnswer count, TimeSpan took)
{
    /// <summary>Bytes of a figure and what it belongs to, about.</summary>
    private const int BytesOfFigure = 100;

    private static readonly TimeSpan LongestCount = TimeSpan.FromSeconds(3);

    /// <summary>What costs take longer for is told as bounds.</summary>
    private static readonly TimeSpan LongestCosts = TimeSpan.FromSeconds(1);

    /// <summary>Standings come after the count and do not hold it up.</summary>
    private static readonly TimeSpan LongestDetail = TimeSpan.FromSeconds(3);

    // What time did not suffice for is tried anew the next time.
    private readonly Once<StandingsAnswer> standings = new(answer => answer.IsExact);
    private readonly Once<CostsAnswer> costs = new(answer => answer.IsExact);

    public CountAnswer Count => count;

    public TimeSpan Took => took;

    /// <summary>Counts a compiled ask.</summary>
    public static CountedAsk Of(Problem problem, CancellationToken cancellation)
    {
        var started = Stopwatch.GetTimestamp();
        var count = Counts.Of(problem, LongestCount, cancellation);
        return new(count, Stopwatch.GetElapsedTime(started));
    }

    /// <summary>Bytes it may come to hold, about.</summary>
    public static long SizeOf(Problem problem) =>
        BytesOfFigure
        * (
            10
            + problem.Rules.Count
            + problem.Ask.Wanted.Sum(wanted => (long)problem.Snapshot.Find(wanted.Course)!.Sections.Count)
        );

    public StandingsAnswer Standings(Problem problem, CancellationToken cancellation) =>
        standings.OrFind(() => Core.Engine.Answers.Standings.Of(problem, LongestDetail, cancellation), cancellation);

    public CostsAnswer Costs(Problem problem, CancellationToken cancellation) =>
        costs.OrFind(
            () =>
                RuleCosts.Of(
                    problem.Snapshot,
                    problem.Ask,
                    LongestCosts,
                    count.IsExact ? count.Total.Timetables : null,
                    cancellation
                ),
            cancellation
        );
}
