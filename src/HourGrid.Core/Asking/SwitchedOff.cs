using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Asking;

/// <summary>Rules a student switched off without losing them. No answer looks at them.</summary>
public sealed record SwitchedOff
{
    /// <summary>Bounds on the credits taken.</summary>
    public CreditBounds Credits { get; init; }

    /// <summary>Hours that are taken.</summary>
    public IReadOnlyList<TimeBlock> TimeBlocks { get; init; } = [];

    /// <summary>Floating free time.</summary>
    public IReadOnlyList<Break> Breaks { get; init; } = [];

    /// <summary>Limits on each day and on the week.</summary>
    public DayLimits DayLimits { get; init; } = new();

    /// <summary>Campuses allowed.</summary>
    public IReadOnlyList<CampusId> Campuses { get; init; } = [];

    /// <summary>Delivery modes allowed.</summary>
    public IReadOnlyList<DeliveryMode> Modes { get; init; } = [];
}
