using System.Diagnostics;

namespace HourGrid.Core.Work;

/// <summary>How long an answer may work. One for each answer; threads of one answer share it.</summary>
/// <remarks>
/// It looks at the clock itself: a timer would need a thread, and those are taken by the answers that it is to end.
/// </remarks>
internal sealed class WorkLimit
{
    private readonly CancellationToken cancellation;
    private readonly long until;
    private volatile bool isOver;

    /// <param name="budget">Time from now; null for no bound.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    public WorkLimit(TimeSpan? budget = null, CancellationToken cancellation = default)
        : this(Moment(budget), cancellation) { }

    private WorkLimit(long until, CancellationToken cancellation)
    {
        this.until = until;
        this.cancellation = cancellation;
    }

    /// <summary>Whether nobody waits for the answer any more, whatever is left of the time.</summary>
    public bool IsCancelled => cancellation.IsCancellationRequested;

    /// <summary>Whether the work has to stop; once over it stays so. Looks at the clock, and yields the worker.</summary>
    public bool IsOver()
    {
        Worker.Yield();
        if (!isOver && (IsCancelled || Worker.Clock >= until))
            isOver = true;
        return isOver;
    }

    /// <summary>Stops work that gives nothing when it is cut short.</summary>
    /// <exception cref="OperationCanceledException">The work has to stop.</exception>
    public void ThrowIfOver()
    {
        if (IsOver())
            throw new OperationCanceledException(cancellation);
    }

    /// <summary>Stops work for which nobody waits any more.</summary>
    /// <exception cref="OperationCanceledException">Nobody does.</exception>
    public void ThrowIfCancelled() => cancellation.ThrowIfCancellationRequested();

    /// <summary>The same, but over earlier: for work after which there is more to do.</summary>
    /// <param name="share">The share of what is left of the time that is kept for that, 0 to 1.</param>
    /// <param name="most">No more than this is kept; null for no bound.</param>
    public WorkLimit Leaving(double share, TimeSpan? most = null)
    {
        if (until == long.MaxValue)
            return this;
        var kept = (long)(Math.Max(0, until - Worker.Clock) * share);
        return new(until - Math.Min(kept, Ticks(most ?? TimeSpan.MaxValue)), cancellation);
    }

    private static long Moment(TimeSpan? budget)
    {
        var now = Worker.Clock;
        return budget is { } time ? now + Math.Min(Ticks(time), long.MaxValue - now) : long.MaxValue;
    }

    // What is more than a number holds becomes the largest one.
    private static long Ticks(TimeSpan time) => (long)(time.TotalSeconds * Stopwatch.Frequency);
}
