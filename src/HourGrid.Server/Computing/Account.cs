namespace HourGrid.Server.Computing;

/// <summary>What one student had computed lately, and has under way.</summary>
internal sealed class Account
{
    /// <summary>Seconds after which half of what was computed is forgotten.</summary>
    private const double HalfLife = 10;

    private double used;
    private TimeSpan usedAt;

    /// <summary>Jobs that wait or work.</summary>
    public int Jobs { get; set; }

    /// <summary>Jobs that have begun; they hold a thread even while they wait.</summary>
    public int Begun { get; set; }

    /// <summary>Seconds of work, of which the older ones count less.</summary>
    public double UsedAt(TimeSpan now) => used * double.Exp2((usedAt - now).TotalSeconds / HalfLife);

    public void Charge(TimeSpan work, TimeSpan now)
    {
        used = UsedAt(now) + work.TotalSeconds;
        usedAt = now;
    }
}
