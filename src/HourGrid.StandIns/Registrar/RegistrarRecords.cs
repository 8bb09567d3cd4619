using HourGrid.StandIns.Campus;

namespace HourGrid.StandIns.Registrar;

/// <summary>A term as the registrar sees it.</summary>
/// <param name="Term">Its code.</param>
/// <param name="Now">The time by the registrar's clock.</param>
/// <param name="Phase">The phase it is in; null before the first.</param>
/// <param name="Phases">Its phases in the order of time.</param>
internal sealed record TermRecord(string Term, DateTime Now, string? Phase, IReadOnlyList<PhaseRecord> Phases);

/// <param name="Phase">Its name.</param>
/// <param name="From">When it begins.</param>
internal sealed record PhaseRecord(string Phase, DateTime From);

/// <summary>The seats of a term.</summary>
/// <param name="LastEvent">What happened after this event is not in it.</param>
/// <param name="Sections">Its sections.</param>
internal sealed record TermSeatsRecord(long LastEvent, IReadOnlyList<SeatsRecord> Sections);

/// <summary>The seats of a section.</summary>
/// <param name="Term">Its term.</param>
/// <param name="Number">Its registration number.</param>
/// <param name="Capacity">Seats.</param>
/// <param name="Enrolled">Seats taken.</param>
/// <param name="WaitlistCapacity">Places in the waitlist.</param>
/// <param name="Waitlisted">Places taken.</param>
internal sealed record SeatsRecord(
    string Term,
    string Number,
    int Capacity,
    int Enrolled,
    int WaitlistCapacity,
    int Waitlisted
)
{
    public static SeatsRecord Of(SectionRow row) =>
        new(row.Term, row.Number, row.Capacity, row.Enrolled, row.WaitlistCapacity, row.Waitlisted);
}

/// <summary>What a student asks an instructor or the adviser for, or a code that gives it.</summary>
/// <param name="Student">Who asks.</param>
/// <param name="Term">For which term.</param>
/// <param name="Course">For which course; null with a code, and for an approval, which is of the whole term.</param>
/// <param name="Kind"><c>consent</c>, <c>prerequisite</c>, <c>restriction</c> or <c>approval</c>; null with a code.</param>
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

/// <summary>A permission asked for.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Student">Who asked.</param>
/// <param name="Term">For which term.</param>
/// <param name="Course">For which course; null for the whole term.</param>
/// <param name="Kind">What for.</param>
/// <param name="Words">Why.</param>
/// <param name="IsGranted">Whether it was granted; null while nobody has decided.</param>
/// <param name="Answer">The words of who decided.</param>
internal sealed record PermissionRecord(
    int Id,
    string Student,
    string Term,
    string? Course,
    string Kind,
    string Words,
    bool? IsGranted,
    string Answer
)
{
    public static PermissionRecord Of(PermissionRow row) =>
        new(row.Id, row.Student, row.Term, row.Course, row.Kind, row.Words, row.IsGranted, row.Answer);
}
