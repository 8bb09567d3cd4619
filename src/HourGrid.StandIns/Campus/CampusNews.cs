namespace HourGrid.StandIns.Campus;

/// <summary>Wakes who waits for something to happen.</summary>
internal sealed class CampusNews
{
    private TaskCompletionSource next = New();

    /// <summary>Ends when something happens after this was asked for.</summary>
    public Task Next => Volatile.Read(ref next).Task;

    public void Tell() => Interlocked.Exchange(ref next, New()).SetResult();

    private static TaskCompletionSource New() => new(TaskCreationOptions.RunContinuationsAsynchronously);
}
