namespace HourGrid.Server.Computing;

/// <summary>What one student had computed lately, and has under way.</summary>
internal sealed class Account
{
    /// <summary>Seconds after which half of what was computed is forgotten.</summary>
    private const double HalfLife = 10;

    /// <summary>Seconds of work up to which there is no difference.</summary>
    private const double Least = 0.016;

    private const double Step = 4;

    private double used;
    private TimeSpan usedAt;
    private int level;

    /// <summary>From when on it is another one.</summary>
    private TimeSpan levelEnds = TimeSpan.MaxValue;

    /// <summary>Jobs that wait or work.</summary>
    public int Jobs { get; set; }

    /// <summary>Jobs that have begun; they hold a thread even while they wait.</summary>
    public int Begun { get; set; }

    /// <summary>Seconds of work, of which the older ones count less.</summary>
    public double UsedAt(TimeSpan now) => used * double.Exp2((usedAt - now).TotalSeconds / HalfLife);

    /// <summary>The same in steps, each four times the one before: who is on one step had about as much.</summary>
    public int LevelAt(TimeSpan now)
    {
        if (now >= levelEnds)
            FindLevel(now);
        return level;
    }

    public void Charge(TimeSpan work, TimeSpan now)
    {
        used = UsedAt(now) + work.TotalSeconds;
        usedAt = now;
        FindLevel(now);
    }

    private void FindLevel(TimeSpan now)
    {
        var steps = double.Log2(double.Max(UsedAt(now), Least) / Least) / double.Log2(Step);
        level = (int)steps;
        levelEnds =
            level == 0
                ? TimeSpan.MaxValue
                : now + TimeSpan.FromSeconds((steps - level) * double.Log2(Step) * HalfLife);
    }
}
