using System.Text.Json;

namespace HourGrid.StandIns.Registering;

/// <summary>What a student wants done, line by line in their order.</summary>
/// <param name="Key">The sender's, 32 hexadecimal digits: the same key again gives the same answer and does nothing twice.</param>
/// <param name="Student">Whose it is.</param>
/// <param name="Term">The term.</param>
/// <param name="Lines">The lines, 40 at most.</param>
internal sealed record RegistrationRequest(string? Key, string Student, string Term, IReadOnlyList<LineRecord> Lines);

/// <summary>
/// One line: sections to register, all or none, and what is dropped in the same step. Without sections it only drops, or
/// leaves a line.
/// </summary>
/// <param name="Course">The course.</param>
/// <param name="Sections">One section of each component that the course needs; empty to drop or to leave a line.</param>
/// <param name="IfFull">
/// <c>leave</c>; <c>wait</c>, at once where the sections are full; <c>waitLast</c>, after all of <c>instead</c> was tried.
/// </param>
/// <param name="Instead">Other bundles, of this or another course, tried in order for want of seats.</param>
/// <param name="GivingUp">Sections held that are dropped in the same step, if and only if the line succeeds.</param>
/// <param name="Group">Lines of one group are one step: all of them are done, or none.</param>
/// <param name="Leaving">The place in a line that is left; null for none.</param>
internal sealed record LineRecord(
    string Course,
    IReadOnlyList<string> Sections,
    string? IfFull = null,
    IReadOnlyList<IReadOnlyList<string>>? Instead = null,
    IReadOnlyList<string>? GivingUp = null,
    int? Group = null,
    int? Leaving = null
)
{
    public const string Leave = "leave";
    public const string Wait = "wait";
    public const string WaitLast = "waitLast";

    public IReadOnlyList<string> Given => GivingUp ?? [];

    public IReadOnlyList<IReadOnlyList<string>> Others => Instead ?? [];

    public bool Waits => IfFull is Wait or WaitLast;
}

/// <summary>What came of a request.</summary>
/// <param name="AtUtc">When it was done, by the registrar's clock.</param>
/// <param name="Lines">One for each line, in their order.</param>
/// <param name="Warnings">What is worth knowing of all of it together, and refuses nothing.</param>
/// <param name="Standing">What the student holds and waits for now; null where it was only looked at.</param>
internal sealed record RegistrationAnswer(
    DateTime AtUtc,
    IReadOnlyList<LineResult> Lines,
    IReadOnlyList<Finding> Warnings,
    StandingRecord? Standing = null
);

/// <summary>What came of a line.</summary>
/// <param name="Outcome"><c>registered</c>, <c>waiting</c>, <c>refused</c>, <c>dropped</c> or <c>left</c>.</param>
/// <param name="Took"><c>sections</c>, or which of <c>instead</c>, as in <c>instead[0]</c>; null where nothing was taken.</param>
/// <param name="Sections">The sections registered or waited for.</param>
/// <param name="Confirmation">The confirmation number of what was registered; else null.</param>
/// <param name="Place">The place in line; null where nobody waits.</param>
/// <param name="Of">How many wait in that line.</param>
/// <param name="Findings">All that was found, each with what to do.</param>
/// <param name="WouldBe">
/// In a check, the outcome once nothing stands against the student alone: a hold, the time; else null.
/// </param>
internal sealed record LineResult(
    string Outcome,
    string? Took,
    IReadOnlyList<string> Sections,
    string? Confirmation,
    int? Place,
    int? Of,
    IReadOnlyList<Finding> Findings,
    string? WouldBe = null
)
{
    public const string Registered = "registered";
    public const string Waiting = "waiting";
    public const string Refused = "refused";
    public const string Dropped = "dropped";
    public const string Left = "left";

    public static LineResult RefusedFor(IReadOnlyList<Finding> findings) =>
        new(Refused, null, [], null, null, null, findings);
}

/// <summary>Something that stands against a line, or is worth knowing.</summary>
/// <param name="Kind">What kind of thing.</param>
/// <param name="IsWarning">Whether it refuses nothing.</param>
/// <param name="Sentence">What it is.</param>
/// <param name="ToDo">What to do about it.</param>
/// <param name="Section">The section it is about; null where it is about none.</param>
/// <param name="Amount">By how many minutes, credits or seats; null where it is no matter of amounts.</param>
/// <param name="Of">The hold, course or component it is about; null for none.</param>
internal sealed record Finding(
    string Kind,
    bool IsWarning,
    string Sentence,
    string ToDo,
    string? Section = null,
    decimal? Amount = null,
    string? Of = null
);

/// <summary>What a student holds and waits for in a term, and when the student may register.</summary>
/// <param name="NowUtc">The time by the registrar’s clock.</param>
/// <param name="LastEvent">What happened after this event is not in it.</param>
/// <param name="Phase">The phase of the term; null before the first.</param>
/// <param name="PhaseEndsUtc">When the next phase begins; null in the last.</param>
/// <param name="OpensUtc">From when the student may register; null where that is not known yet.</param>
/// <param name="Held">Bundles held, in the order of registering.</param>
/// <param name="Waiting">Places in line, in the order of joining.</param>
/// <param name="Ended">What was dropped, let in, left or removed, in the order of time.</param>
/// <param name="Credits">Credits held.</param>
internal sealed record StandingRecord(
    DateTime NowUtc,
    long LastEvent,
    string? Phase,
    DateTime? PhaseEndsUtc,
    DateTime? OpensUtc,
    IReadOnlyList<HeldRecord> Held,
    IReadOnlyList<WaitingRecord> Waiting,
    IReadOnlyList<EndedRecord> Ended,
    decimal Credits
);

/// <param name="Course">The course.</param>
/// <param name="Sections">Its sections.</param>
/// <param name="Confirmation">The confirmation number.</param>
/// <param name="AtUtc">When it was registered.</param>
/// <param name="Credits">Its credits.</param>
internal sealed record HeldRecord(
    string Course,
    IReadOnlyList<string> Sections,
    string Confirmation,
    DateTime AtUtc,
    decimal Credits
);

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
internal sealed record WaitingRecord(
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

/// <param name="Kind"><c>dropped</c>, <c>letIn</c>, <c>left</c> or <c>removed</c>.</param>
/// <param name="Course">The course.</param>
/// <param name="Sections">The sections.</param>
/// <param name="Why">Why.</param>
/// <param name="AtUtc">When.</param>
internal sealed record EndedRecord(
    string Kind,
    string Course,
    IReadOnlyList<string> Sections,
    string Why,
    DateTime AtUtc
);

/// <summary>How answers are kept and told: as they are sent.</summary>
internal static class RegistrationJson
{
    public static string Write<T>(T what) => JsonSerializer.Serialize(what, JsonSerializerOptions.Web);

    public static T Read<T>(string json) => JsonSerializer.Deserialize<T>(json, JsonSerializerOptions.Web)!;
}
