namespace HourGrid.Server.Computing;

/// <summary>What is computed for one request.</summary>
/// <param name="account">The account of who asks.</param>
/// <param name="isWhole">Whether it does not yield while it works.</param>
internal sealed class Job(Account account, bool isWhole)
{
    private int workers;
    private TimeSpan idleSince;

    public Account Account => account;

    public bool IsWhole => isWhole;

    public bool HasBegun { get; set; }

    /// <summary>How long it has worked, on all of its workers together.</summary>
    public TimeSpan Used { get; set; }

    /// <summary>How long it has waited since it began, while none of its workers worked.</summary>
    public TimeSpan Waited { get; private set; }

    public void GetsWorker(TimeSpan now)
    {
        if (workers++ == 0 && HasBegun)
            Waited += now - idleSince;
        HasBegun = true;
    }

    public void LosesWorker(TimeSpan now)
    {
        if (--workers == 0)
            idleSince = now;
    }
}
