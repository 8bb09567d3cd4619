using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Asking;

/// <summary>The part of a sketch that the engine answers: wanted courses and rules, for one term.</summary>
public sealed record Ask
{
    /// <summary>The most courses an ask may name.</summary>
    public const int MaxWanted = 100;

    /// <summary>The most time blocks, and the most breaks, an ask may hold.</summary>
    public const int MaxRules = 500;

    /// <summary>The term.</summary>
    public required TermId Term { get; init; }

    /// <summary>The wanted courses, each course once.</summary>
    public required IReadOnlyList<WantedCourse> Wanted { get; init; }

    /// <summary>Choices among courses; a course is in at most one.</summary>
    public IReadOnlyList<EitherOr> EitherOr { get; init; } = [];

    /// <summary>Bounds on the credits taken.</summary>
    public CreditBounds Credits { get; init; }

    /// <summary>Hours that are taken.</summary>
    public IReadOnlyList<TimeBlock> TimeBlocks { get; init; } = [];

    /// <summary>Floating free time.</summary>
    public IReadOnlyList<Break> Breaks { get; init; } = [];

    /// <summary>Limits on each day and on the week.</summary>
    public DayLimits DayLimits { get; init; } = new();

    /// <summary>What is asked of campuses.</summary>
    public CampusPreferences Campus { get; init; } = new();

    /// <summary>Delivery modes allowed; empty allows all.</summary>
    public IReadOnlyList<DeliveryMode> Modes { get; init; } = [];

    /// <summary>Which sections count as takeable by their seats.</summary>
    public SeatsAdmitted Seats { get; init; }

    /// <summary>Sections the student already holds.</summary>
    public IReadOnlyList<RegistrationNumber> Registered { get; init; } = [];

    /// <summary>What matters, for ranking.</summary>
    public Weights Weights { get; init; } = new();

    /// <summary>Rules that are switched off: kept for later, and of no effect on any answer.</summary>
    public SwitchedOff Off { get; init; } = new();
}

/// <summary>Bounds on the credits of a timetable.</summary>
/// <param name="Min">At least this, or null for no bound.</param>
/// <param name="Max">At most this, or null for no bound.</param>
public readonly record struct CreditBounds(Credits? Min, Credits? Max);

/// <summary>Which sections may be taken, by their seats.</summary>
public enum SeatsAdmitted
{
    /// <summary>Those with a free seat.</summary>
    Open,

    /// <summary>Those with a free seat or a free place in the waitlist.</summary>
    Waitlist,

    /// <summary>All.</summary>
    Any,
}
