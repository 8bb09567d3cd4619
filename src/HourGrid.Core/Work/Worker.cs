using System.Diagnostics;

namespace HourGrid.Core.Work;

/// <summary>
/// One of a bounded number of workers, lent to a piece of work that shares them with others. The engine yields its worker
/// every few microseconds, and begins helpers only where a worker is idle.
/// </summary>
/// <remarks>A thread to which none is lent has the machine for itself.</remarks>
public abstract class Worker
{
    [ThreadStatic]
    private static Worker? ofThread;

    /// <summary>
    /// The clock by which budgets of work are measured, in ticks of <see cref="Stopwatch"/>: the work's own, which goes
    /// slower while the work waits for a worker.
    /// </summary>
    public static long Clock => ofThread?.OwnClock ?? Stopwatch.GetTimestamp();

    /// <inheritdoc cref="Clock"/>
    protected abstract long OwnClock { get; }

    /// <summary>Lets others work whose turn it is, and comes back when it is this work's again.</summary>
    public static void Yield() => ofThread?.YieldWhenDue();

    /// <summary>Waits for what other work does, and lets others work in the meantime.</summary>
    /// <param name="wait">Blocks until it is done.</param>
    public static void WaitFor(Action wait)
    {
        ArgumentNullException.ThrowIfNull(wait);
        if (ofThread is { } worker)
            worker.GiveUpWhile(wait);
        else
            wait();
    }

    /// <summary>Begins a part of the work on another worker, if one is idle.</summary>
    /// <param name="work">The part; it must not be needed.</param>
    /// <returns>Its end; null where no worker is idle.</returns>
    internal static Task? TryBegin(Action work) =>
        ofThread is { } worker ? worker.TryBeginIdle(work) : Task.Run(work);

    /// <inheritdoc cref="Yield"/>
    protected abstract void YieldWhenDue();

    /// <inheritdoc cref="WaitFor"/>
    protected abstract void GiveUpWhile(Action wait);

    /// <inheritdoc cref="TryBegin"/>
    protected abstract Task? TryBeginIdle(Action work);

    /// <summary>Lends this worker to work on the calling thread, for as long as it runs.</summary>
    /// <param name="work">The work.</param>
    protected void Lend(Action work)
    {
        ArgumentNullException.ThrowIfNull(work);
        var before = ofThread;
        ofThread = this;
        try
        {
            work();
        }
        finally
        {
            ofThread = before;
        }
    }
}
