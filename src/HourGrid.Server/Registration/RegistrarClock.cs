namespace HourGrid.Server.Registration;

/// <summary>The registrar's clock, as far as it is known: by how much it went before ours when it was read last.</summary>
internal sealed class RegistrarClock(TimeProvider clock)
{
    private long aheadTicks;

    public DateTime UtcNow => clock.GetUtcNow().UtcDateTime + TimeSpan.FromTicks(Interlocked.Read(ref aheadTicks));

    /// <summary>The registrar has said what time it is.</summary>
    public void Read(DateTime registrarUtc) =>
        Interlocked.Exchange(ref aheadTicks, (registrarUtc - clock.GetUtcNow().UtcDateTime).Ticks);
}
