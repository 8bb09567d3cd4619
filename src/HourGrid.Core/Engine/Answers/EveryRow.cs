using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>
/// Takes rows as they are written; by several threads at the same time. The memory is used again after it returns.
/// </summary>
/// <param name="rows">Whole rows, one after another.</param>
public delegate void TakeRows(ReadOnlySpan<ushort> rows);

/// <summary>
/// Writes every timetable as a row of numbers: for each course in play, the number of its bundle among
/// <see cref="CoursePlay.Bundles"/>, or <see cref="NotTaken"/>. For whoever wants all of them; nothing is kept.
/// </summary>
public static class EveryRow
{
    /// <summary>Stands for a course that is not taken, and behind the last course of a row.</summary>
    public const ushort NotTaken = ushort.MaxValue;

    private const int LevelsBelow = 2;
    private const int StatesAtATime = 4;

    /// <summary>Numbers in a row of a problem: the courses in play, filled up to a multiple of eight.</summary>
    public static int WidthOf(Problem problem)
    {
        ArgumentNullException.ThrowIfNull(problem);
        return (Math.Max(1, problem.Courses.Count) + 7) / 8 * 8;
    }

    /// <summary>Writes all rows, in no particular order.</summary>
    /// <param name="problem">What is asked.</param>
    /// <param name="take">Takes the rows.</param>
    /// <param name="budget">How long it may take; null for as long as it takes.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <returns>Whether all were written; otherwise the time was up.</returns>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    public static bool Write(
        Problem problem,
        TakeRows take,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        ArgumentNullException.ThrowIfNull(problem);
        ArgumentNullException.ThrowIfNull(take);
        var root = Root.Of(problem, Lifted.None(problem.Rules.Count));
        if (root.IsDead)
            return true;
        var limit = new WorkLimit(budget, cancellation);
        var layers = new StateLayers(new StateStep(problem), [root], LevelsBelow, limit);
        var isWhole = !limit.IsOver() && WriteBelow(problem, layers, root, take, limit);
        layers.Release();
        cancellation.ThrowIfCancellationRequested();
        return isWhole;
    }

    private static bool WriteBelow(Problem problem, StateLayers layers, Root root, TakeRows take, WorkLimit limit)
    {
        var into = new WaysInto(layers.Layers);
        var parts = new RowParts(problem);
        var frontier = layers.Frontier;
        var taken = 0;
        var isStopped = false;
        ParallelRun.Of(
            Environment.ProcessorCount,
            worker =>
            {
                using var own = worker == 0 ? null : new StateStep(problem);
                var writer = new RowWriter(own ?? layers.Step, layers, into, parts, root.HoldsNothing, take, limit);
                while (!writer.IsStopped)
                {
                    var from = Interlocked.Add(ref taken, StatesAtATime) - StatesAtATime;
                    if (from >= frontier.Count)
                    {
                        writer.Flush();
                        return;
                    }
                    for (var state = from; state < Math.Min(from + StatesAtATime, frontier.Count); state++)
                        writer.WriteThrough(state);
                }
                Volatile.Write(ref isStopped, true);
            }
        );
        return !isStopped;
    }
}
