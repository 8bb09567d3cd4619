using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Searching;

/// <summary>One side of a narrowing; each can be loosened by itself.</summary>
public enum NarrowedBy
{
    /// <summary>Subjects.</summary>
    Subject,

    /// <summary>What a course counts as.</summary>
    Attribute,

    /// <summary>Levels.</summary>
    Level,

    /// <summary>Credits.</summary>
    Credits,

    /// <summary>Components.</summary>
    Component,

    /// <summary>Instructors.</summary>
    Instructor,

    /// <summary>Weekdays.</summary>
    Days,

    /// <summary>Hours of the day.</summary>
    Hours,

    /// <summary>Campuses.</summary>
    Campus,

    /// <summary>Delivery modes.</summary>
    Mode,

    /// <summary>Seats.</summary>
    Seats,

    /// <summary>Parts of the term.</summary>
    Part,

    /// <summary>Whether the student may take the course.</summary>
    Eligible,
}

/// <summary>
/// What a search leaves out. An empty list, or null, narrows nothing. A course is shown when it passes what is said of
/// courses and at least one of its sections passes all that is said of sections.
/// </summary>
public sealed record SearchNarrowing
{
    /// <summary>The part of the term that stands for the whole of it.</summary>
    public const string WholeTerm = "";

    /// <summary>Subjects of the course.</summary>
    public IReadOnlyList<string> Subjects { get; init; } = [];

    /// <summary>The course counts as at least one of these.</summary>
    public IReadOnlyList<string> Attributes { get; init; } = [];

    /// <summary>Levels of the course.</summary>
    public IReadOnlyList<string> Levels { get; init; } = [];

    /// <summary>The section, or else its course, can be taken for credits within this range.</summary>
    public CreditRange? Credits { get; init; }

    /// <summary>Components.</summary>
    public IReadOnlyList<string> Components { get; init; } = [];

    /// <summary>At least one of these teaches the section.</summary>
    public IReadOnlyList<string> Instructors { get; init; } = [];

    /// <summary>The section meets on no other weekday.</summary>
    public WeekdaySet? Days { get; init; }

    /// <summary>The section meets at no other hours.</summary>
    public MinuteInterval? Hours { get; init; }

    /// <summary>The section and its meetings are on no other campus; what is on none passes.</summary>
    public IReadOnlyList<CampusId> Campuses { get; init; } = [];

    /// <summary>Delivery modes.</summary>
    public IReadOnlyList<DeliveryMode> Modes { get; init; } = [];

    /// <summary>Whether a seat, or a place in the waitlist, must be free.</summary>
    public SeatsAdmitted Seats { get; init; } = SeatsAdmitted.Any;

    /// <summary>Ids of parts of the term; <see cref="WholeTerm"/> for sections that run through the whole of it.</summary>
    public IReadOnlyList<string> Parts { get; init; } = [];

    /// <summary>Whether the student may take a course; null where it does not matter.</summary>
    public Func<Course, bool>? MayTake { get; init; }

    /// <summary>What a course goes against.</summary>
    internal int Against(Course course)
    {
        var against = 0;
        if (Subjects.Count > 0 && !Subjects.Contains(course.Subject))
            against |= 1 << (int)NarrowedBy.Subject;
        if (Attributes.Count > 0 && !course.Attributes.Any(Attributes.Contains))
            against |= 1 << (int)NarrowedBy.Attribute;
        if (Levels.Count > 0 && !Levels.Contains(course.Level))
            against |= 1 << (int)NarrowedBy.Level;
        if (MayTake is not null && !MayTake(course))
            against |= 1 << (int)NarrowedBy.Eligible;
        return against;
    }

    /// <summary>What a section goes against, beside what its course does.</summary>
    internal int Against(OfferedSection offered, Course course)
    {
        var section = offered.Section;
        var against = 0;
        Look(NarrowedBy.Credits, Credits is not { } range || Overlap(range, section.Credits, course.Credits));
        Look(NarrowedBy.Component, Components.Count == 0 || Components.Contains(section.Component));
        Look(NarrowedBy.Instructor, Instructors.Count == 0 || section.Instructors.Any(Instructors.Contains));
        Look(NarrowedBy.Campus, Campuses.Count == 0 || !CampusesOf(offered).Except(Campuses).Any());
        Look(NarrowedBy.Mode, Modes.Count == 0 || Modes.Contains(section.Mode));
        Look(NarrowedBy.Seats, HasSeat(Seats, offered));
        Look(NarrowedBy.Part, Parts.Count == 0 || Parts.Contains(section.Part ?? WholeTerm));
        foreach (var meeting in offered.Meetings)
        {
            Look(NarrowedBy.Days, Days is not { } days || days.Contains(meeting.Day));
            Look(
                NarrowedBy.Hours,
                Hours is not { } hours || (meeting.Time.Start >= hours.Start && meeting.Time.End <= hours.End)
            );
        }
        return against;

        void Look(NarrowedBy side, bool passes) => against |= passes ? 0 : 1 << (int)side;
    }

    internal static bool HasSeat(SeatsAdmitted rule, OfferedSection offered) =>
        rule == SeatsAdmitted.Any
        || offered.FreeSeats > 0
        || (rule == SeatsAdmitted.Waitlist && offered.FreeWaitlistPlaces > 0);

    /// <summary>The campuses of a section and its meetings.</summary>
    internal static IEnumerable<CampusId> CampusesOf(OfferedSection offered) =>
        offered
            .Meetings.Select(meeting => meeting.Campus)
            .Append(offered.Section.TaughtOn)
            .OfType<CampusId>()
            .Distinct();

    private static bool Overlap(CreditRange wanted, Credits? ofSection, CreditRange ofCourse) =>
        ofSection is { } credits
            ? credits.Hundredths >= wanted.Min.Hundredths && credits.Hundredths <= wanted.Max.Hundredths
            : ofCourse.Max.Hundredths >= wanted.Min.Hundredths && ofCourse.Min.Hundredths <= wanted.Max.Hundredths;
}
