using HourGrid.Core.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Server.Courses;

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
        var held = offered.Sections.Where(section => section.Section.Status != SectionStatus.Cancelled).ToArray();
        return new(
            offered.Course.Id.Value,
            offered.Course.Title,
            offered.Course.Credits.Min.Value,
            offered.Course.Credits.Max.Value,
            [.. held.Select(section => section.Section.Component).Distinct()],
            held.Length,
            held.Count(section => section.FreeSeats > 0)
        );
    }
}

/// <summary>A course with everything the Workbench draws of it.</summary>
internal sealed record CourseRecord(
    string Id,
    string Title,
    decimal MinCredits,
    decimal MaxCredits,
    IReadOnlyList<SectionRecord> Sections
)
{
    public static CourseRecord Of(OfferedCourse offered, Term term) =>
        new(
            offered.Course.Id.Value,
            offered.Course.Title,
            offered.Course.Credits.Min.Value,
            offered.Course.Credits.Max.Value,
            [
                .. offered
                    .Sections.Where(section => section.Section.Status != SectionStatus.Cancelled)
                    .Select(section => SectionRecord.Of(section, term)),
            ]
        );
}

/// <param name="Number">Registration number.</param>
/// <param name="Label">As students know it.</param>
/// <param name="Component">Lecture, lab, recitation and so on.</param>
/// <param name="Mode">As in the catalogue format.</param>
/// <param name="Part">The part of the term, or null.</param>
/// <param name="Instructors">Who teaches it.</param>
/// <param name="FreeSeats">Seats a student could still take.</param>
/// <param name="Capacity">Seats in all.</param>
/// <param name="Notes">Remarks; may be empty.</param>
/// <param name="Meetings">Its meetings; empty without set hours.</param>
internal sealed record SectionRecord(
    string Number,
    string Label,
    string Component,
    string Mode,
    string? Part,
    IReadOnlyList<string> Instructors,
    int FreeSeats,
    int Capacity,
    string Notes,
    IReadOnlyList<MeetingRecord> Meetings
)
{
    public static SectionRecord Of(OfferedSection offered, Term term) =>
        new(
            offered.Number.Value,
            offered.Section.Label,
            offered.Section.Component,
            Words.Modes.Write(offered.Section.Mode),
            offered.Section.Part,
            offered.Section.Instructors,
            offered.FreeSeats,
            offered.Section.Seats.Capacity,
            offered.Section.Notes,
            [
                .. offered.Section.Patterns.SelectMany(pattern =>
                    pattern.MeetingsIn(term).Select(meeting => MeetingRecord.Of(meeting, pattern.Room))
                ),
            ]
        );
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
