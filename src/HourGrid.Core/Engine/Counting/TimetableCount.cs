using HourGrid.Core.Engine.Compiling;

namespace HourGrid.Core.Engine.Counting;

/// <summary>The count of a root: its layers, and the completions below the frontier, on all processors.</summary>
internal sealed unsafe class TimetableCount
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

    private void CountFrontier(WorkLimit limit)
    {
        var frontier = Layers!.Frontier;
        frontier.Below = new Tally[frontier.Count];
        var taken = 0;
        var stopped = false;
        Shared.Run(
            frontier.Count < WorthSharing ? 1 : Environment.ProcessorCount,
            worker =>
            {
                var counter = new CompletionCounter(worker == 0 ? Layers.Choosing : new Choosing(problem), limit);
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
        var total = Tally.None;
        for (var state = 0; state < frontier.Count; state++)
            total += frontier.Above[state].Times(frontier.Below[state]);
        // Leaving every course out is not a timetable; it is counted last of all, so a count that was stopped may
        // not have come to it.
        if (Root.HoldsNothing && total.Timetables > 0)
            total = new(total.Timetables - 1, total.WeekShapes - 1);
        Total = total;
    }
}
