namespace HourGrid.Core.Catalogue;

/// <summary>How a section is taught.</summary>
public enum DeliveryMode
{
    /// <summary>In a room.</summary>
    InPerson,

    /// <summary>Partly in a room, partly online.</summary>
    Hybrid,

    /// <summary>Online at set hours.</summary>
    OnlineLive,

    /// <summary>Online at no set hours.</summary>
    Online,
}

/// <summary>What the registrar says of a section.</summary>
public enum SectionStatus
{
    /// <summary>Students may register while seats last.</summary>
    Open,

    /// <summary>It takes no one at present.</summary>
    Closed,

    /// <summary>It will not take place.</summary>
    Cancelled,
}

/// <summary>Seats and waitlist of one section as printed.</summary>
/// <param name="Capacity">Seats in all; for a shared pool, seats of the pool.</param>
/// <param name="Enrolled">Students of this section who hold one.</param>
/// <param name="WaitlistCapacity">Places in the waitlist.</param>
/// <param name="Waitlisted">Students who wait.</param>
public readonly record struct SeatFigures(int Capacity, int Enrolled, int WaitlistCapacity, int Waitlisted);

/// <summary>One offering of a component of a course in a term: what a student registers for.</summary>
public sealed record Section
{
    /// <summary>Its registration number, unique within the term.</summary>
    public required RegistrationNumber Number { get; init; }

    /// <summary>The label students know it by, such as <c>L02</c>.</summary>
    public required string Label { get; init; }

    /// <summary>The term in which it takes place.</summary>
    public required TermId Term { get; init; }

    /// <summary>Lecture, lab, recitation, seminar, studio or another kind of class; lower case.</summary>
    public required string Component { get; init; }

    /// <summary>The arrangement of the course to which it belongs; empty for the unnamed one.</summary>
    public string Arrangement { get; init; } = "";

    /// <summary>The part of the term, or null for the whole.</summary>
    public string? Part { get; init; }

    /// <summary>Credits given by this section itself, if any.</summary>
    public Credits? Credits { get; init; }

    /// <summary>How it is taught.</summary>
    public DeliveryMode Mode { get; init; }

    /// <summary>The campus it is filed under, or null.</summary>
    public CampusId? Campus { get; init; }

    /// <summary>The campus where it is taught: none for a section taught online, wherever it is filed.</summary>
    public CampusId? TaughtOn => Mode is DeliveryMode.Online or DeliveryMode.OnlineLive ? null : Campus;

    /// <summary>Who teaches it.</summary>
    public IReadOnlyList<string> Instructors { get; init; } = [];

    /// <summary>Seats and waitlist.</summary>
    public SeatFigures Seats { get; init; }

    /// <summary>The registrar's word on it.</summary>
    public SectionStatus Status { get; init; }

    /// <summary>Whether the instructor must consent.</summary>
    public bool Consent { get; init; }

    /// <summary>Remarks for students; may be empty.</summary>
    public string Notes { get; init; } = "";

    /// <summary>Textbooks and other things this section needs; may be empty.</summary>
    public string Materials { get; init; } = "";

    /// <summary>Sections of the same course with which it must be taken, as declared on this side.</summary>
    public IReadOnlyList<RegistrationNumber> LinkedTo { get; init; } = [];

    /// <summary>The name of the pool of seats it shares with others, or null.</summary>
    public string? SeatsShared { get; init; }

    /// <summary>Its meetings as printed; empty when it has no set hours.</summary>
    public IReadOnlyList<MeetingPattern> Patterns { get; init; } = [];
}
