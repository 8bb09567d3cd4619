namespace HourGrid.StandIns.Campus;

/// <summary>The registrar's clock, which the clerk can move.</summary>
internal sealed class CampusClock(TimeProvider machine)
{
    private long aheadSeconds;

    /// <summary>By how much it goes before the machine's.</summary>
    public TimeSpan Ahead
    {
        get => TimeSpan.FromSeconds(Interlocked.Read(ref aheadSeconds));
        set => Interlocked.Exchange(ref aheadSeconds, (long)value.TotalSeconds);
    }

    public DateTime UtcNow => machine.GetUtcNow().UtcDateTime + Ahead;
}
