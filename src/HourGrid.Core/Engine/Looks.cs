namespace HourGrid.Core.Engine;

/// <summary>
/// Looks at the clock every now and then: a look takes as long as some dozens of words of work. For one thread.
/// </summary>
/// <param name="limit">How long the work may take.</param>
internal sealed class Looks(WorkLimit limit)
{
    /// <summary>Work between two looks, in words looked at or about as much; some 20 to 100 µs.</summary>
    private const int Between = 1 << 15;

    private long left = Between;

    /// <summary>Whether the work has to stop, as far as it was looked at.</summary>
    public bool IsOver { get; private set; }

    /// <summary>Whether the work has to stop, after so much more of it was done or before it is.</summary>
    /// <param name="work">How much, in words looked at.</param>
    public bool After(long work)
    {
        left -= work;
        return left < 0 ? Now() : IsOver;
    }

    /// <summary>Whether the work has to stop; looks in any case.</summary>
    public bool Now()
    {
        left = Between;
        return IsOver = limit.IsOver();
    }
}
