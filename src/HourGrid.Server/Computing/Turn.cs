namespace HourGrid.Server.Computing;

/// <summary>A job's wait for a worker.</summary>
/// <param name="job">The job.</param>
/// <param name="arrival">Grows with every wait.</param>
internal sealed class Turn(Job job, long arrival)
{
    // What waits goes on by itself: whoever gives a worker has other things to do.
    private readonly TaskCompletionSource granted = new(TaskCreationOptions.RunContinuationsAsynchronously);

    public Job Job => job;

    /// <summary>Ends once a worker is there.</summary>
    public Task Granted => granted.Task;

    public void Grant() => granted.SetResult();

    /// <summary>
    /// Whether it comes before another: the student who had less lately first, then of one student's jobs the one that had
    /// less, then who came first.
    /// </summary>
    public bool IsBefore(Turn other, TimeSpan now)
    {
        var (used, othersUsed) = (job.Account.UsedAt(now), other.Job.Account.UsedAt(now));
        if (job.Account != other.Job.Account && used != othersUsed)
            return used < othersUsed;
        return job.Used != other.Job.Used ? job.Used < other.Job.Used : arrival < other.Arrival;
    }

    private long Arrival => arrival;
}
