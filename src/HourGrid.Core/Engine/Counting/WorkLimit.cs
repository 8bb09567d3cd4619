using System.Diagnostics;

namespace HourGrid.Core.Engine.Counting;

/// <summary>How long an answer may work. One for each answer; threads of one answer share it.</summary>
public sealed class WorkLimit
{
    private readonly CancellationToken cancellation;
    private readonly CancellationTokenSource? timer;
    private readonly long until;
    private volatile bool isOver;

    /// <param name="budget">Time from now; null for no bound.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    public WorkLimit(TimeSpan? budget = null, CancellationToken cancellation = default)
    {
        this.cancellation = cancellation;
        until = budget is { } time
            ? Stopwatch.GetTimestamp() + (long)(time.TotalSeconds * Stopwatch.Frequency)
            : long.MaxValue;
        if (budget is { } span)
        {
            timer = CancellationTokenSource.CreateLinkedTokenSource(cancellation);
            timer.CancelAfter(span > TimeSpan.Zero ? span : TimeSpan.Zero);
        }
    }

    /// <summary>Never over.</summary>
    public static WorkLimit None => new();

    /// <summary>Stops with the budget and at any moment, for work that gives nothing when it is cut short.</summary>
    public CancellationToken Cancellation => timer?.Token ?? cancellation;

    /// <summary>Whether the work has to stop; once over it stays so. Looks at the clock.</summary>
    public bool IsOver()
    {
        if (!isOver && (cancellation.IsCancellationRequested || Stopwatch.GetTimestamp() >= until))
            isOver = true;
        return isOver;
    }
}
