using System.ComponentModel.DataAnnotations;
using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;
using HourGrid.Core.Registration;
using HourGrid.Server.Registrar;

namespace HourGrid.Server.Registration;

/// <summary>All that stands about a student's registration for a term.</summary>
/// <param name="Standing">What the student holds and waits for; the time in it is the registrar's now.</param>
/// <param name="AsOf">When it was read.</param>
/// <param name="IsCurrent">Whether the registrar answered when it was asked last.</param>
/// <param name="TimeZone">The time zone of the campus, by its name in the IANA database.</param>
/// <param name="Presses">All that was sent, the first first.</param>
/// <param name="Notices">What the student was told, the latest first.</param>
/// <param name="SeatNotices">Of which seats the student wants to be told.</param>
internal sealed record RegistrationRecord(
    Standing Standing,
    DateTime AsOf,
    bool IsCurrent,
    string TimeZone,
    IReadOnlyList<PressRecord> Presses,
    IReadOnlyList<NoticeRecord> Notices,
    IReadOnlyList<SeatNoticeRecord> SeatNotices
);

/// <summary>What a student sent.</summary>
/// <param name="TimeZone">The time zone of the campus, by its name in the IANA database.</param>
/// <param name="Presses">All that was sent in the term, the first first.</param>
internal sealed record PressesRecord(string TimeZone, IReadOnlyList<PressRecord> Presses);

/// <summary>Lines that were sent together.</summary>
/// <param name="Key">By which they are known.</param>
/// <param name="SentUtc">When they were sent.</param>
/// <param name="AnsweredUtc">When their answer was known; null until then.</param>
/// <param name="Lines">The lines.</param>
/// <param name="Answer">The registrar's answer; null until it is known, and where the registrar took none of it.</param>
/// <param name="Refused">Why the registrar did not look at it; null where it did.</param>
internal sealed record PressRecord(
    string Key,
    DateTime SentUtc,
    DateTime? AnsweredUtc,
    IReadOnlyList<LineToRegister> Lines,
    RegistrationAnswer? Answer,
    string? Refused
);

/// <param name="Id">Which.</param>
/// <param name="Kind">What it is about: <c>seat</c>, <c>letIn</c>, <c>passedOver</c> or <c>removed</c>.</param>
/// <param name="Sections">The sections it is about.</param>
/// <param name="Sentence">What it says.</param>
/// <param name="AtUtc">When.</param>
/// <param name="IsSeen">Whether it was seen.</param>
/// <param name="Lines">What registers its sections, where they are whole courses of which there are seats; empty once it was seen.</param>
internal sealed record NoticeRecord(
    long Id,
    string Kind,
    IReadOnlyList<NoticedSection> Sections,
    string Sentence,
    DateTime AtUtc,
    bool IsSeen,
    IReadOnlyList<LineToRegister> Lines
);

/// <param name="Id">Which.</param>
/// <param name="Sections">The sections that all need a seat.</param>
/// <param name="EndsUtc">When it ends with its phase; null where that is not known.</param>
internal sealed record SeatNoticeRecord(long Id, IReadOnlyList<NoticedSection> Sections, DateTime? EndsUtc);

/// <param name="Number">Its registration number.</param>
/// <param name="Course">Its course; empty where the catalogue no longer has the section.</param>
/// <param name="Label">Its label within the course; empty likewise.</param>
internal sealed record NoticedSection(string Number, string Course, string Label)
{
    public static NoticedSection Of(string number, CatalogueSnapshot snapshot) =>
        new(
            number,
            snapshot.CourseOf(new(number))?.Course.Id.Value ?? "",
            snapshot.Find(new RegistrationNumber(number))?.Section.Label ?? ""
        );
}

/// <param name="Picks">What is picked, with the choice whose lines are wanted.</param>
/// <param name="Order">Sections in the order to get them.</param>
internal sealed record ReadinessRequest(
    TermPicks Picks,
    [property: MaxLength(PutByTimetable.MostSections)] IReadOnlyList<string> Order
);

/// <summary>What stands against registering a choice now.</summary>
/// <param name="Lines">The lines that register it, in the order to be sent.</param>
/// <param name="Answer">What the registrar would say to each; null where there are no lines.</param>
internal sealed record ReadinessRecord(IReadOnlyList<LineToRegister> Lines, RegistrationAnswer? Answer);

/// <param name="Lines">Lines to be looked at.</param>
internal sealed record CheckRequest(
    [property: MinLength(1), MaxLength(RegistrationLine.Most)] IReadOnlyList<LineToRegister> Lines
);

/// <param name="Key">Drawn by the sender, 32 hexadecimal digits: the same again is the same press.</param>
/// <param name="Lines">The lines, in the order to be done.</param>
internal sealed record PressRequest(
    [property: RegularExpression("^[0-9a-f]{32}$")] string Key,
    [property: MinLength(1), MaxLength(RegistrationLine.Most)] IReadOnlyList<LineToRegister> Lines
);

/// <param name="Sections">The sections that are to be held in the end.</param>
internal sealed record ChangeRequest(
    [property: MaxLength(PutByTimetable.MostSections)] IReadOnlySet<RegistrationNumber> Sections
);

/// <summary>How to come from what is held to other sections.</summary>
/// <param name="Lines">The lines in the order to be done.</param>
/// <param name="Swaps">Courses held that are taken in other sections.</param>
/// <param name="Drops">Courses held that are not taken any more.</param>
/// <param name="Adds">Courses taken that are not held.</param>
internal sealed record ChangeRecord(IReadOnlyList<LineToRegister> Lines, int Swaps, int Drops, int Adds)
{
    public static ChangeRecord Of(ChangePlan plan) =>
        new([.. plan.Lines.Select(PressLines.Of)], plan.Swaps, plan.Drops, plan.Adds);
}

/// <param name="Sections">The sections that all need a seat.</param>
internal sealed record SeatNoticeRequest(
    [property: MinLength(1), MaxLength(PutByTimetable.MostSections)] IReadOnlySet<RegistrationNumber> Sections
);

/// <param name="SeatNotices">Of which seats the student wants to be told.</param>
internal sealed record SeatNoticesRecord(IReadOnlyList<SeatNoticeRecord> SeatNotices);

/// <param name="Notices">Those that were seen, by their ids.</param>
internal sealed record SeenRequest(
    [property: MinLength(1), MaxLength(NoticeService.MostShown)] IReadOnlyList<long> Notices
);

/// <param name="Notices">What the student was told, the latest first.</param>
internal sealed record NoticesRecord(IReadOnlyList<NoticeRecord> Notices);
