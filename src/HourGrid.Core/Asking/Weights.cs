namespace HourGrid.Core.Asking;

/// <summary>What matters: how much each measure counts, 0 (not at all) to 100.</summary>
public sealed record Weights
{
    /// <summary>Few days with class.</summary>
    public int ClassDays { get; init; } = 60;

    /// <summary>Little idle time between classes.</summary>
    public int Idle { get; init; } = 60;

    /// <summary>A later start.</summary>
    public int LaterStart { get; init; }

    /// <summary>An earlier finish.</summary>
    public int EarlierFinish { get; init; }

    /// <summary>Short unbroken stretches.</summary>
    public int Stretch { get; init; }

    /// <summary>Few moves between campuses.</summary>
    public int Moves { get; init; } = 20;

    /// <summary>Few minutes in Rather-not blocks.</summary>
    public int Soft { get; init; } = 50;

    /// <summary>Few soft breaks missed.</summary>
    public int BreaksMissed { get; init; } = 50;

    /// <summary>Seats to spare.</summary>
    public int Seats { get; init; }

    /// <summary>Little time away from the preferred campus.</summary>
    public int Away { get; init; }

    /// <summary>Many of the wanted courses.</summary>
    public int Wanted { get; init; } = 100;
}
