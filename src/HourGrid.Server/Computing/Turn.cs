namespace HourGrid.Server.Computing;

/// <summary>A job's wait for a worker.</summary>
/// <param name="job">The job.</param>
/// <param name="since">When the wait began.</param>
internal sealed class Turn(Job job, TimeSpan since)
{
    /// <summary>What a job has had of the workers holds it back so many times as long, behind those who had as much lately.</summary>
    private const double HeldBack = 4;

    /// <summary>No longer than this: what takes long comes to its end, too.</summary>
    private static readonly TimeSpan LongestHeldBack = TimeSpan.FromSeconds(1);

    // What waits goes on by itself: whoever gives a worker has other things to do.
    private readonly TaskCompletionSource granted = new(TaskCreationOptions.RunContinuationsAsynchronously);

    public Job Job => job;

    /// <summary>Ends once a worker is there.</summary>
    public Task Granted => granted.Task;

    private TimeSpan Due
    {
        get
        {
            var held = job.Used * HeldBack;
            return since + (held < LongestHeldBack ? held : LongestHeldBack);
        }
    }

    public void Grant() => granted.SetResult();

    /// <summary>
    /// Whether it comes before another: the student who had far less lately first, then the one who has less under way, of
    /// one student's jobs the one that had less, then who waits longer.
    /// </summary>
    public bool IsBefore(Turn other, TimeSpan now) =>
        Clearly(other, now) is var order && (order == 0 ? Due < other.Due : order < 0);

    /// <summary>Whether it comes before another whoever waits longer.</summary>
    public bool IsClearlyBefore(Turn other, TimeSpan now) => Clearly(other, now) < 0;

    private int Clearly(Turn other, TimeSpan now)
    {
        if (job.Account == other.Job.Account)
            return job.Used.CompareTo(other.Job.Used);
        var level = job.Account.LevelAt(now).CompareTo(other.Job.Account.LevelAt(now));
        return level != 0 ? level : OthersBegun(job).CompareTo(OthersBegun(other.Job));
    }

    private static int OthersBegun(Job job) => job.Account.Begun - (job.HasBegun ? 1 : 0);
}
