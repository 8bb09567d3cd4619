using HourGrid.Core.Catalogue;
using HourGrid.Core.Searching;
using HourGrid.Formats.Json;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Catalogue;

/// <summary>A course in a list of suggestions.</summary>
internal sealed record CourseBriefRecord(
    string Id,
    string Title,
    decimal MinCredits,
    decimal MaxCredits,
    IReadOnlyList<string> Components,
    int Sections,
    int SectionsWithSeat
)
{
    public static CourseBriefRecord Of(OfferedCourse offered)
    {
        var sections = offered.SectionsOffered.ToArray();
        return new(
            offered.Course.Id.Value,
            offered.Course.Title,
            offered.Course.Credits.Min.Value,
            offered.Course.Credits.Max.Value,
            [.. sections.Select(section => section.Section.Component).Distinct()],
            sections.Length,
            sections.Count(section => section.FreeSeats > 0)
        );
    }
}

/// <summary>A course with everything that is known of it.</summary>
/// <param name="Needs">What must have been taken before, as a phrase; null for nothing.</param>
/// <param name="Beside">Courses that must be taken beside it or before.</param>
/// <param name="Restrictions">Who may take it, a sentence each.</param>
/// <param name="SeatsAsOf">When its seats were true.</param>
/// <param name="AreSeatsLive">Whether the registrar tells them as they change.</param>
/// <param name="Sections">Its sections that take place, in the catalogue's order.</param>
/// <param name="Sets">The same, so set out that what belongs together stands together.</param>
internal sealed record CourseRecord(
    string Id,
    string Subject,
    string Title,
    string Description,
    string Materials,
    string Level,
    decimal MinCredits,
    decimal MaxCredits,
    IReadOnlyList<string> Attributes,
    string? Needs,
    IReadOnlyList<string> Beside,
    IReadOnlyList<string> Restrictions,
    DateTime SeatsAsOf,
    bool AreSeatsLive,
    IReadOnlyList<SectionRecord> Sections,
    IReadOnlyList<SectionSetRecord> Sets
)
{
    public static CourseRecord Of(OfferedCourse offered, Term term, DateTime seatsAsOf, bool areSeatsLive)
    {
        var course = offered.Course;
        return new(
            course.Id.Value,
            course.Subject,
            course.Title,
            course.Description,
            course.Materials,
            course.Level,
            course.Credits.Min.Value,
            course.Credits.Max.Value,
            course.Attributes,
            ConditionWords.Of(course.Prerequisites),
            [.. course.Corequisites.Select(other => other.Value)],
            [.. course.Restrictions.Select(ConditionWords.Of)],
            DateTime.SpecifyKind(seatsAsOf, DateTimeKind.Utc),
            areSeatsLive,
            [.. offered.SectionsOffered.Select(section => SectionRecord.Of(section, term))],
            [.. SectionSet.Of(offered).Select(SectionSetRecord.Of)]
        );
    }
}

/// <param name="Arrangement">Its name; empty for the unnamed one.</param>
/// <param name="Lead">The component that leads.</param>
/// <param name="Rows">Its sections in order.</param>
internal sealed record SectionSetRecord(string Arrangement, string Lead, IReadOnlyList<SectionRowRecord> Rows)
{
    public static SectionSetRecord Of(SectionSet set) =>
        new(
            set.Arrangement,
            set.Lead,
            [
                .. set.Sections.Select(placed => new SectionRowRecord(
                    placed.Section.Number.Value,
                    placed.Under?.Number.Value,
                    [.. placed.GoesWith.Select(lead => lead.Section.Label)]
                )),
            ]
        );
}

/// <param name="Number">The section.</param>
/// <param name="Under">The one leading section it goes with, or null.</param>
/// <param name="GoesWith">Labels of the leading sections it goes with where that is several but not all.</param>
internal sealed record SectionRowRecord(string Number, string? Under, IReadOnlyList<string> GoesWith);

/// <param name="Number">Registration number.</param>
/// <param name="Label">As students know it.</param>
/// <param name="Component">Lecture, lab, recitation and so on.</param>
/// <param name="Mode">As in the catalogue format.</param>
/// <param name="Campus">Its campus, or null.</param>
/// <param name="Part">The part of the term, or null.</param>
/// <param name="Credits">Credits of its own, or null.</param>
/// <param name="Instructors">Who teaches it.</param>
/// <param name="Status">As in the catalogue format.</param>
/// <param name="FreeSeats">Seats a student could still take.</param>
/// <param name="Capacity">Seats in all.</param>
/// <param name="FreeWaitlistPlaces">Places a student could still take in the waitlist.</param>
/// <param name="WaitlistCapacity">Places in the waitlist in all.</param>
/// <param name="Waitlisted">Students who wait.</param>
/// <param name="SeatsShared">The name of the pool its seats are of, or null.</param>
/// <param name="Consent">Whether the instructor must consent.</param>
/// <param name="Notes">Remarks; may be empty.</param>
/// <param name="Materials">Textbooks and other things it needs; may be empty.</param>
/// <param name="Meetings">Its meetings; empty without set hours.</param>
internal sealed record SectionRecord(
    string Number,
    string Label,
    string Component,
    string Mode,
    string? Campus,
    string? Part,
    decimal? Credits,
    IReadOnlyList<string> Instructors,
    string Status,
    int FreeSeats,
    int Capacity,
    int FreeWaitlistPlaces,
    int WaitlistCapacity,
    int Waitlisted,
    string? SeatsShared,
    bool Consent,
    string Notes,
    string Materials,
    IReadOnlyList<MeetingRecord> Meetings
)
{
    public static SectionRecord Of(OfferedSection offered, Term term)
    {
        var section = offered.Section;
        return new(
            offered.Number.Value,
            section.Label,
            section.Component,
            Words.Modes.Write(section.Mode),
            section.TaughtOn?.Value,
            section.Part,
            section.Credits?.Value,
            section.Instructors,
            Words.Statuses.Write(section.Status),
            offered.FreeSeats,
            section.Seats.Capacity,
            offered.FreeWaitlistPlaces,
            section.Seats.WaitlistCapacity,
            section.Seats.Waitlisted,
            section.SeatsShared,
            section.Consent,
            section.Notes,
            section.Materials,
            [
                .. section.Patterns.SelectMany(pattern =>
                    pattern.MeetingsIn(term).Select(meeting => MeetingRecord.Of(meeting, pattern.Room))
                ),
            ]
        );
    }
}

internal sealed record MeetingRecord(
    string Day,
    string Start,
    string End,
    IReadOnlyList<int> Weeks,
    string Room,
    string? Campus
)
{
    public static MeetingRecord Of(Meeting meeting, string room) =>
        new(
            Words.Days.Write(meeting.Day),
            meeting.Time.Start.ToString(),
            meeting.Time.End.ToString(),
            [.. meeting.Weeks.Weeks()],
            room,
            meeting.Campus?.Value
        );
}
