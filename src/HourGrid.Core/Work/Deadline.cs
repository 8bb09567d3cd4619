namespace HourGrid.Core.Work;

/// <summary>
/// When work has to stop. The clock is looked at every now and then: a look takes as long as some dozens of words of work.
/// For one thread.
/// </summary>
/// <param name="limit">How long the work may take.</param>
internal sealed class Deadline(WorkLimit limit)
{
    /// <summary>Work between two looks at the clock, in words looked at or about as much; some 20 to 100 µs.</summary>
    private const int Between = 1 << 15;

    private long left = Between;

    /// <summary>Whether the work has to stop, as far as it was looked at.</summary>
    public bool HasPassed { get; private set; }

    /// <summary>Whether the work has to stop, after so much more of it was done or before it is.</summary>
    /// <param name="work">How much, in words looked at.</param>
    public bool HasPassedAfter(long work)
    {
        left -= work;
        return left < 0 ? HasPassedNow() : HasPassed;
    }

    /// <summary>Whether the work has to stop; looks at the clock in any case.</summary>
    public bool HasPassedNow()
    {
        left = Between;
        return HasPassed = limit.IsOver();
    }
}
