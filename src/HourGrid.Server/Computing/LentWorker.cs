using System.Diagnostics;
using HourGrid.Core.Work;

namespace HourGrid.Server.Computing;

/// <summary>A worker of the queue, on one thread of a job.</summary>
/// <param name="queue">The queue.</param>
/// <param name="job">The job.</param>
internal sealed class LentWorker(FairQueue queue, Job job) : Worker
{
    /// <summary>Of the time that a job waits, so much counts against its budgets: what takes long says so in the end.</summary>
    private const double WaitThatCounts = 1 / 3.0;

    public Job Job => job;

    /// <summary>Up to when its work was charged.</summary>
    public TimeSpan Since { get; set; } = FairQueue.Now;

    /// <summary>When it was lent last.</summary>
    public TimeSpan Began { get; private set; } = FairQueue.Now;

    /// <summary>Notes that it is lent anew.</summary>
    public void Begin() => Since = Began = FairQueue.Now;

    protected override long OwnClock =>
        Stopwatch.GetTimestamp() - (long)(job.Waited.TotalSeconds * (1 - WaitThatCounts) * Stopwatch.Frequency);

    public void Run(Action work) => Lend(work);

    public T Run<T>(Func<T> work)
    {
        T found = default!;
        Lend(() => found = work());
        return found;
    }

    protected override void YieldWhenDue() => queue.YieldWhenDue(this);

    protected override void GiveUpWhile(Action wait) => queue.GiveUpWhile(this, wait);

    protected override Task? TryBeginIdle(Action work) => queue.TryBegin(job, work);
}
