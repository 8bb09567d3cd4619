using HourGrid.Core.Engine.Compiling;

namespace HourGrid.Core.Engine.Counting;

/// <summary>The count of a root: its layers, and the completions below the frontier, on all processors.</summary>
internal sealed unsafe class TimetableCount : IDisposable
{
    /// <summary>Below this many states one thread is done before another has started.</summary>
    private const int WorthSharing = 64;

    private const int StatesAtATime = 16;

    private readonly Problem problem;

    private TimetableCount(Problem problem, Root root, StateLayers? layers)
    {
        this.problem = problem;
        Root = root;
        Layers = layers;
    }

    public Root Root { get; }

    /// <summary>Null where the root is dead.</summary>
    public StateLayers? Layers { get; }

    /// <summary>Timetables and week shapes; fewer than there are unless <see cref="IsExact"/>.</summary>
    public Tally Total { get; private set; }

    public bool IsExact { get; private set; } = true;

    /// <summary>Counts, as far as the limit allows.</summary>
    public static TimetableCount Of(Problem problem, Root root, WorkLimit limit)
    {
        if (root.IsDead)
            return new(problem, root, null);
        var layers = new StateLayers(new Choosing(problem), root, limit);
        var count = new TimetableCount(problem, root, layers);
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
        Shared.Run(
            frontier.Count < WorthSharing ? 1 : Environment.ProcessorCount,
            worker =>
            {
                using var own = worker == 0 ? null : new Choosing(problem);
                var counter = new CompletionCounter(own ?? Layers.Choosing, limit);
                while (!counter.IsStopped)
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
        Layers.CountUpwards();
        // Leaving every course out is not a timetable; it is counted last of all, so a count that was stopped may
        // not have come to it.
        var total = Layers.Layers[0].Below[0];
        if (Root.HoldsNothing && total.Timetables > 0)
            total = new(total.Timetables - 1, total.WeekShapes - 1);
        Total = total;
    }
}
