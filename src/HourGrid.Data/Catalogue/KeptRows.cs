using System.Data.Common;
using HourGrid.Core.Catalogue;

namespace HourGrid.Data.Catalogue;

/// <summary>The rows of a catalogue.</summary>
/// <param name="Catalogue">The catalogue itself.</param>
/// <param name="Subjects">Subjects, in order.</param>
/// <param name="Campuses">Campuses, in order.</param>
/// <param name="Travel">Travel times.</param>
/// <param name="Terms">Terms with their parts and days without class, in order.</param>
/// <param name="Courses">Courses without their sections, in order.</param>
/// <param name="Sections">Sections with their meetings and links, in order.</param>
internal sealed record KeptRows(
    CatalogueRow Catalogue,
    IReadOnlyList<SubjectRow> Subjects,
    IReadOnlyList<CampusRow> Campuses,
    IReadOnlyList<TravelRow> Travel,
    IReadOnlyList<TermRow> Terms,
    IReadOnlyList<CourseRow> Courses,
    IReadOnlyList<SectionRow> Sections
)
{
    /// <summary>Reads them all from an open connection.</summary>
    public static KeptRows Read(DbConnection connection)
    {
        var rows = new RowCursor(connection);
        var terms = rows.All(
            "SELECT Id, Position, Name, Start, \"End\" FROM Terms ORDER BY Position",
            row => new TermRow
            {
                Id = row.Text(),
                Position = row.Whole(),
                Name = row.Text(),
                Start = row.Date(),
                End = row.Date(),
            }
        );
        AddParts(rows, terms.ToDictionary(term => term.Id));
        var sections = ReadSections(rows);
        AddMeetings(rows, sections.ToDictionary(section => section.Id));
        return new(
            rows.All(
                    "SELECT Id, Institution, TimeZone FROM Catalogue",
                    row => new CatalogueRow
                    {
                        Id = row.Whole(),
                        Institution = row.Text(),
                        TimeZone = row.Text(),
                    }
                )
                .Single(),
            rows.All(
                "SELECT Code, Position, Name FROM Subjects ORDER BY Position",
                row => new SubjectRow
                {
                    Code = row.Text(),
                    Position = row.Whole(),
                    Name = row.Text(),
                }
            ),
            rows.All(
                "SELECT Id, Position, Name FROM Campuses ORDER BY Position",
                row => new CampusRow
                {
                    Id = row.Text(),
                    Position = row.Whole(),
                    Name = row.Text(),
                }
            ),
            rows.All(
                "SELECT FromCampusId, ToCampusId, Minutes FROM Travel ORDER BY FromCampusId, ToCampusId",
                row => new TravelRow
                {
                    FromCampusId = row.Text(),
                    ToCampusId = row.Text(),
                    Minutes = row.Whole(),
                }
            ),
            terms,
            ReadCourses(rows),
            sections
        );
    }

    private static void AddParts(RowCursor rows, Dictionary<string, TermRow> terms)
    {
        var parts = rows.All(
            "SELECT TermId, Id, Position, Name, Start, \"End\" FROM PartsOfTerm ORDER BY Position",
            row => new PartOfTermRow
            {
                TermId = row.Text(),
                Id = row.Text(),
                Position = row.Whole(),
                Name = row.Text(),
                Start = row.Date(),
                End = row.Date(),
            }
        );
        foreach (var part in parts)
            terms[part.TermId].Parts.Add(part);
        var noClass = rows.All(
            "SELECT TermId, Position, \"From\", \"To\", Name FROM NoClass ORDER BY Position",
            row => new NoClassRow
            {
                TermId = row.Text(),
                Position = row.Whole(),
                From = row.Date(),
                To = row.Date(),
                Name = row.Text(),
            }
        );
        foreach (var days in noClass)
            terms[days.TermId].NoClass.Add(days);
    }

    private static List<CourseRow> ReadCourses(RowCursor rows) =>
        rows.All(
            $"""
            SELECT Id, Position, Subject, Number, Title, Description, Materials, MinCreditsHundredths,
                MaxCreditsHundredths, Level, Attributes, Prerequisites, Corequisites, Restrictions,
                {(HasRepeatable(rows) ? "IsRepeatable" : "0")}
            FROM Courses ORDER BY Position
            """,
            row => new CourseRow
            {
                Id = row.Text(),
                Position = row.Whole(),
                Subject = row.Text(),
                Number = row.Text(),
                Title = row.Text(),
                Description = row.Text(),
                Materials = row.Text(),
                MinCreditsHundredths = row.Whole(),
                MaxCreditsHundredths = row.Whole(),
                Level = row.Text(),
                Attributes = row.Texts(),
                Prerequisites = CourseConditions.PrerequisitesOf(row.OptionalText()),
                Corequisites = row.Texts(),
                Restrictions = CourseConditions.RestrictionsOf(row.Text()),
                IsRepeatable = row.Flag(),
            }
        );

    /// <summary>Catalogues written before courses said so do not have it.</summary>
    private static bool HasRepeatable(RowCursor rows) =>
        rows.All("SELECT COUNT(*) FROM pragma_table_info('Courses') WHERE name = 'IsRepeatable'", row => row.Flag())
            .Single();

    private static List<SectionRow> ReadSections(RowCursor rows) =>
        rows.All(
            """
            SELECT Id, CourseId, TermId, Number, Position, Label, Component, Arrangement, PartId, CreditsHundredths, Mode,
                CampusId, Instructors, Capacity, Enrolled, WaitlistCapacity, Waitlisted, SeatsAsOfUtc, Status, Consent,
                Notes, Materials, SeatsShared
            FROM Sections ORDER BY Position
            """,
            row => new SectionRow
            {
                Id = row.Whole(),
                CourseId = row.Text(),
                TermId = row.Text(),
                Number = row.Text(),
                Position = row.Whole(),
                Label = row.Text(),
                Component = row.Text(),
                Arrangement = row.Text(),
                PartId = row.OptionalText(),
                CreditsHundredths = row.OptionalWhole(),
                Mode = row.Word<DeliveryMode>(),
                CampusId = row.OptionalText(),
                Instructors = row.Texts(),
                Capacity = row.Whole(),
                Enrolled = row.Whole(),
                WaitlistCapacity = row.Whole(),
                Waitlisted = row.Whole(),
                SeatsAsOfUtc = row.Moment(),
                Status = row.Word<SectionStatus>(),
                Consent = row.Flag(),
                Notes = row.Text(),
                Materials = row.Text(),
                SeatsShared = row.OptionalText(),
            }
        );

    private static void AddMeetings(RowCursor rows, Dictionary<int, SectionRow> sections)
    {
        var meetings = rows.All(
            """
            SELECT SectionId, Position, Days, StartMinute, EndMinute, Room, CampusId, "From", "To", EveryWeeks
            FROM Meetings ORDER BY SectionId, Position
            """,
            row => new MeetingRow
            {
                SectionId = row.Whole(),
                Position = row.Whole(),
                Days = (byte)row.Whole(),
                StartMinute = row.Whole(),
                EndMinute = row.Whole(),
                Room = row.Text(),
                CampusId = row.OptionalText(),
                From = row.Date(),
                To = row.Date(),
                EveryWeeks = row.Whole(),
            }
        );
        foreach (var meeting in meetings)
            sections[meeting.SectionId].Meetings.Add(meeting);
        var links = rows.All(
            "SELECT SectionId, Position, LinkedNumber FROM SectionLinks ORDER BY SectionId, Position",
            row => new SectionLinkRow
            {
                SectionId = row.Whole(),
                Position = row.Whole(),
                LinkedNumber = row.Text(),
            }
        );
        foreach (var link in links)
            sections[link.SectionId].Links.Add(link);
    }
}
