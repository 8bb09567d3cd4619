using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Counting;

/// <summary>The count of one root or several: the layers, and the completions below the frontier, on all processors.</summary>
internal sealed unsafe class TimetableCount : IDisposable
{
    /// <summary>Below this many states one thread is done before another has started.</summary>
    private const int WorthSharing = 64;

    private const int StatesAtATime = 16;

    private readonly Problem problem;
    private readonly Count128[] totals;

    private TimetableCount(Problem problem, IReadOnlyList<Root> roots, StateLayers? layers)
    {
        this.problem = problem;
        Roots = roots;
        Layers = layers;
        totals = new Count128[roots.Count];
    }

    public IReadOnlyList<Root> Roots { get; }

    /// <summary>Null where every root is dead.</summary>
    public StateLayers? Layers { get; }

    /// <summary>Timetables and week shapes of the first root; fewer than there are unless <see cref="IsExact"/>.</summary>
    public Count128 Total => totals[0];

    /// <summary>The same for each root.</summary>
    public IReadOnlyList<Count128> Totals => totals;

    public bool IsExact { get; private set; } = true;

    /// <summary>Counts, as far as the limit allows.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="roots">Where to start.</param>
    /// <param name="levelsBelow">How many levels are left to the search below the layers.</param>
    /// <param name="limit">How long it may take.</param>
    public static TimetableCount Of(Problem problem, IReadOnlyList<Root> roots, int levelsBelow, WorkLimit limit)
    {
        Root[] alive = [.. roots.Where(root => !root.IsDead)];
        if (alive.Length == 0)
            return new(problem, roots, null);
        var count = new TimetableCount(
            problem,
            roots,
            new StateLayers(new StateStep(problem), alive, levelsBelow, limit)
        );
        if (limit.IsOver())
            count.IsExact = false;
        else
            count.CountFrontier(limit);
        return count;
    }

    /// <summary>Gives the memory of the layers back; the total stays.</summary>
    public void Dispose() => Layers?.Release();

    private void CountFrontier(WorkLimit limit)
    {
        var frontier = Layers!.Frontier;
        frontier.PrepareBelow();
        Array.Clear(frontier.Below);
        var taken = 0;
        var stopped = false;
        var below = limit.Leaving(0.5, Layers.GoingOver);
        ParallelRun.Of(
            frontier.Count < WorthSharing ? 1 : Environment.ProcessorCount,
            worker =>
            {
                using var own = worker == 0 ? null : new StateStep(problem);
                var counter = new CompletionCounter(own ?? Layers.Step, below);
                while (!counter.IsStopped && !below.IsOver())
                {
                    var from = Interlocked.Add(ref taken, StatesAtATime) - StatesAtATime;
                    if (from >= frontier.Count)
                        return;
                    for (var state = from; state < Math.Min(from + StatesAtATime, frontier.Count); state++)
                        frontier.Below[state] = counter.Below(frontier.Level, frontier.State(state));
                }
                Volatile.Write(ref stopped, true);
            }
        );
        IsExact = !stopped;
        if (taken == 0)
            return;
        Layers.CountUpwards();
        var alive = 0;
        for (var root = 0; root < totals.Length; root++)
        {
            if (Roots[root].IsDead)
                continue;
            // Leaving every course out is not a timetable; it is counted last of all, so a count that was stopped may
            // not have come to it.
            var total = Layers.BelowRoot(alive++);
            totals[root] =
                Roots[root].HoldsNothing && total.Timetables > 0
                    ? new(total.Timetables - 1, total.WeekShapes - 1)
                    : total;
        }
    }
}
