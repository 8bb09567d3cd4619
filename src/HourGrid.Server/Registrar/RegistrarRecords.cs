using HourGrid.Core.Catalogue;

namespace HourGrid.Server.Registrar;

/// <summary>Something that happened at the registrar.</summary>
/// <param name="Id">Its number; they grow.</param>
/// <param name="Kind">What kind of thing.</param>
/// <param name="Json">What, as JSON.</param>
internal sealed record RegistrarEvent(long Id, string Kind, string Json);

/// <summary>The seats of a term.</summary>
/// <param name="LastEvent">What happened after this event is not in it.</param>
/// <param name="Sections">Its sections.</param>
internal sealed record TermSeats(long LastEvent, IReadOnlyList<SectionSeats> Sections);

/// <summary>The seats of a section.</summary>
/// <param name="Term">Its term.</param>
/// <param name="Number">Its registration number.</param>
/// <param name="Capacity">Seats.</param>
/// <param name="Enrolled">Seats taken.</param>
/// <param name="WaitlistCapacity">Places in the waitlist.</param>
/// <param name="Waitlisted">Places taken.</param>
internal sealed record SectionSeats(
    string Term,
    string Number,
    int Capacity,
    int Enrolled,
    int WaitlistCapacity,
    int Waitlisted
)
{
    public SeatFigures Figures => new(Capacity, Enrolled, WaitlistCapacity, Waitlisted);
}

/// <summary>A permission that a student asked for.</summary>
/// <param name="Course">For which course.</param>
/// <param name="Kind">What for: consent, prerequisite or restriction.</param>
/// <param name="Words">Why.</param>
/// <param name="IsGranted">Whether it was granted; null while nobody has decided.</param>
/// <param name="Answer">The instructor's words.</param>
internal sealed record Permission(string Course, string Kind, string Words, bool? IsGranted, string Answer);

/// <summary>What a student asks an instructor for, or a code that gives it.</summary>
/// <param name="Student">Who asks.</param>
/// <param name="Term">For which term.</param>
/// <param name="Course">For which course; null with a code.</param>
/// <param name="Kind">What for; null with a code.</param>
/// <param name="Words">Why, to be read by the instructor.</param>
/// <param name="Code">A code handed out on paper; null to ask.</param>
internal sealed record PermissionRequest(
    string Student,
    string Term,
    string? Course,
    string? Kind,
    string? Words,
    string? Code
);
