using System.ComponentModel.DataAnnotations;
using HourGrid.Core.Catalogue;

namespace HourGrid.Server.Registrar;

/// <summary>Something that happened at the registrar.</summary>
/// <param name="Id">Its number; they grow.</param>
/// <param name="Kind">What kind of thing.</param>
/// <param name="Json">What, as JSON.</param>
internal sealed record RegistrarEvent(long Id, string Kind, string Json)
{
    /// <summary>Whether it is about what a student holds or waits for.</summary>
    public bool IsOfStanding => Kind is "registration" or "place";
}

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
/// <param name="Course">For which course; null for an approval, which is of the whole term.</param>
/// <param name="Kind">What for: consent, prerequisite, restriction or approval.</param>
/// <param name="Words">Why.</param>
/// <param name="IsGranted">Whether it was granted; null while nobody has decided.</param>
/// <param name="Answer">The words of who decided.</param>
internal sealed record Permission(string? Course, string Kind, string Words, bool? IsGranted, string Answer);

/// <summary>What a student asks an instructor or the adviser for, or a code that gives it.</summary>
/// <param name="Student">Who asks.</param>
/// <param name="Term">For which term.</param>
/// <param name="Course">For which course; null with a code, and for an approval.</param>
/// <param name="Kind">What for; null with a code.</param>
/// <param name="Words">Why, to be read by who decides.</param>
/// <param name="Code">A code handed out on paper; null to ask.</param>
internal sealed record PermissionRequest(
    string Student,
    string Term,
    string? Course,
    string? Kind,
    string? Words,
    string? Code
);

/// <summary>What a student holds and waits for in a term, and when the student may register.</summary>
/// <param name="NowUtc">The time by the registrar's clock.</param>
/// <param name="LastEvent">What happened after this event is not in it.</param>
/// <param name="Phase">The phase of the term; null before the first.</param>
/// <param name="PhaseEndsUtc">When the next phase begins; null in the last.</param>
/// <param name="OpensUtc">From when the student may register; null where that is not known yet.</param>
/// <param name="Held">Bundles held, in the order of registering.</param>
/// <param name="Waiting">Places in line, in the order of joining.</param>
/// <param name="Ended">What was dropped, let in, left or removed, in the order of time.</param>
/// <param name="Credits">Credits held.</param>
internal sealed record Standing(
    DateTime NowUtc,
    long LastEvent,
    string? Phase,
    DateTime? PhaseEndsUtc,
    DateTime? OpensUtc,
    IReadOnlyList<HeldBundle> Held,
    IReadOnlyList<WaitingPlace> Waiting,
    IReadOnlyList<EndedRegistration> Ended,
    decimal Credits
)
{
    public static Standing Nothing(DateTime nowUtc) => new(nowUtc, 0, null, null, null, [], [], [], 0);
}

/// <summary>A course held.</summary>
/// <param name="Course">The course.</param>
/// <param name="Sections">Its sections.</param>
/// <param name="Confirmation">The confirmation number.</param>
/// <param name="AtUtc">When it was registered, by the registrar's clock.</param>
/// <param name="Credits">Its credits.</param>
internal sealed record HeldBundle(
    string Course,
    IReadOnlyList<string> Sections,
    string Confirmation,
    DateTime AtUtc,
    decimal Credits
);

/// <summary>A place in a line.</summary>
/// <param name="Id">Which place.</param>
/// <param name="Course">The course.</param>
/// <param name="Sections">The bundle that is waited for.</param>
/// <param name="GivingUp">Sections held that are dropped when it is let in.</param>
/// <param name="Place">The place now.</param>
/// <param name="Of">How many wait in that line.</param>
/// <param name="FirstPlace">The place at first.</param>
/// <param name="AtUtc">Since when.</param>
/// <param name="LetsIn">Who lets in: <c>line</c> or <c>instructor</c>.</param>
/// <param name="PassedOver">Why another was let in before; empty where nobody was.</param>
internal sealed record WaitingPlace(
    int Id,
    string Course,
    IReadOnlyList<string> Sections,
    IReadOnlyList<string> GivingUp,
    int Place,
    int Of,
    int FirstPlace,
    DateTime AtUtc,
    string LetsIn,
    string PassedOver
);

/// <summary>Something held or waited for that is not any more.</summary>
/// <param name="Kind"><c>dropped</c>, <c>letIn</c>, <c>left</c> or <c>removed</c>.</param>
/// <param name="Course">The course.</param>
/// <param name="Sections">The sections.</param>
/// <param name="Why">Why.</param>
/// <param name="AtUtc">When, by the registrar's clock.</param>
internal sealed record EndedRegistration(
    string Kind,
    string Course,
    IReadOnlyList<string> Sections,
    string Why,
    DateTime AtUtc
);

/// <summary>What a student wants done.</summary>
/// <param name="Key">By which it is known; null to have it checked alone.</param>
/// <param name="Student">Whose it is.</param>
/// <param name="Term">The term.</param>
/// <param name="Lines">The lines, in the order to be done.</param>
internal sealed record RegistrationRequest(
    string? Key,
    string Student,
    string Term,
    IReadOnlyList<LineToRegister> Lines
);

/// <summary>One line: sections to register, all or none, and what is dropped in the same step.</summary>
/// <param name="Course">The course.</param>
/// <param name="Sections">One section of each component it needs; empty to drop or to leave a line.</param>
/// <param name="IfFull"><c>leave</c>, <c>wait</c> or <c>waitLast</c>.</param>
/// <param name="Instead">Other bundles, tried in order for want of seats.</param>
/// <param name="GivingUp">Sections held that are dropped in the same step, if and only if the line succeeds.</param>
/// <param name="Group">Lines of one group are one step; null for a step of its own.</param>
/// <param name="Leaving">The place in a line that is left; null for none.</param>
internal sealed record LineToRegister(
    [property: MaxLength(40)] string Course,
    [property: MaxLength(20)] IReadOnlyList<string> Sections,
    [property: MaxLength(10)] string IfFull,
    [property: MaxLength(20)] IReadOnlyList<IReadOnlyList<string>> Instead,
    [property: MaxLength(20)] IReadOnlyList<string> GivingUp,
    int? Group,
    int? Leaving
);

/// <summary>What came of lines.</summary>
/// <param name="AtUtc">When it was done, by the registrar's clock.</param>
/// <param name="Lines">One for each line, in their order.</param>
/// <param name="Warnings">What is worth knowing of all of it together, and refuses nothing.</param>
internal sealed record RegistrationAnswer(
    DateTime AtUtc,
    IReadOnlyList<LineResult> Lines,
    IReadOnlyList<RegistrarFinding> Warnings
);

/// <summary>What came of lines that were done, and how things are after it.</summary>
/// <param name="AtUtc">When it was done, by the registrar's clock.</param>
/// <param name="Lines">One for each line, in their order.</param>
/// <param name="Warnings">What is worth knowing of all of it together, and refuses nothing.</param>
/// <param name="Standing">What the student holds and waits for now.</param>
internal sealed record RegisteredLines(
    DateTime AtUtc,
    IReadOnlyList<LineResult> Lines,
    IReadOnlyList<RegistrarFinding> Warnings,
    Standing Standing
)
{
    public RegistrationAnswer Answer => new(AtUtc, Lines, Warnings);
}

/// <summary>What came of a line.</summary>
/// <param name="Outcome"><c>registered</c>, <c>waiting</c>, <c>refused</c>, <c>dropped</c> or <c>left</c>.</param>
/// <param name="Took"><c>sections</c>, or which of <c>instead</c>; null where nothing was taken.</param>
/// <param name="Sections">The sections registered or waited for.</param>
/// <param name="Confirmation">The confirmation number of what was registered; else null.</param>
/// <param name="Place">The place in line; null where nobody waits.</param>
/// <param name="Of">How many wait in that line.</param>
/// <param name="Findings">All that was found, each with what to do.</param>
/// <param name="WouldBe">
/// Of lines that are only looked at, the outcome once nothing stands against the student alone: a hold, the time; else null.
/// </param>
internal sealed record LineResult(
    string Outcome,
    string? Took,
    IReadOnlyList<string> Sections,
    string? Confirmation,
    int? Place,
    int? Of,
    IReadOnlyList<RegistrarFinding> Findings,
    string? WouldBe = null
);

/// <summary>Something that stands against a line, or is worth knowing.</summary>
/// <param name="Kind">What kind of thing.</param>
/// <param name="IsWarning">Whether it refuses nothing.</param>
/// <param name="Sentence">What it is, in the registrar's words.</param>
/// <param name="ToDo">What to do about it.</param>
/// <param name="Section">The section it is about; null where it is about none.</param>
/// <param name="Amount">By how many minutes, credits or seats; null where it is no matter of amounts.</param>
/// <param name="Of">The hold, course or component it is about; null for none.</param>
internal sealed record RegistrarFinding(
    string Kind,
    bool IsWarning,
    string Sentence,
    string ToDo,
    string? Section,
    decimal? Amount,
    string? Of
);
