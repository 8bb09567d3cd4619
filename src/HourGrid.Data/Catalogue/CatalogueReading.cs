using HourGrid.Core.Catalogue;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Catalogue;

/// <summary>The catalogue of the database.</summary>
/// <param name="Catalogue">The catalogue.</param>
/// <param name="Version">Grows with every change to it.</param>
/// <param name="SeatsAsOfUtc">When the seats of a term's course were true, the oldest of its sections.</param>
public sealed record KeptCatalogue(
    UniversityCatalogue Catalogue,
    int Version,
    IReadOnlyDictionary<(TermId Term, CourseId Course), DateTime> SeatsAsOfUtc
);

/// <summary>Reads the whole catalogue out of the database.</summary>
public static class CatalogueReading
{
    /// <summary>The catalogue as it is kept, or null while none was imported.</summary>
    public static async Task<KeptCatalogue?> ReadAsync(
        HourGridContext database,
        CancellationToken cancellation = default
    ) => Of(await KeptRows.ReadAsync(database, cancellation));

    /// <summary>The same, from the file at a path.</summary>
    public static KeptCatalogue? Read(string path)
    {
        using var connection = new SqliteConnection(DatabaseFile.ConnectionTo(path));
        connection.Open();
        return Of(KeptRows.Read(connection));
    }

    internal static KeptCatalogue? Of(KeptRows rows)
    {
        if (rows.Catalogue is not { } catalogue)
            return null;
        var sections = rows.Sections.ToLookup(section => section.CourseId);
        return new(
            new(
                catalogue.Institution,
                [.. rows.Campuses.Select(row => new Campus(new(row.Id), row.Name))],
                [.. rows.Travel.Select(row => new Travel(new(row.FromCampusId), new(row.ToCampusId), row.Minutes))],
                [.. rows.Terms.Select(TermOf)],
                [.. rows.Courses.Select(row => CourseOf(row, sections[row.Id]))]
            )
            {
                TimeZone = catalogue.TimeZone,
                Subjects = [.. rows.Subjects.Select(row => new Subject(row.Code, row.Name))],
            },
            catalogue.Version,
            rows.Sections.GroupBy(section => (new TermId(section.TermId), new CourseId(section.CourseId)))
                .ToDictionary(its => its.Key, its => its.Min(section => section.SeatsAsOfUtc))
        );
    }

    /// <summary>The version that is kept now; 0 while there is no catalogue.</summary>
    public static Task<int> VersionAsync(HourGridContext database, CancellationToken cancellation = default) =>
        database.Catalogue.Select(row => row.Version).SingleOrDefaultAsync(cancellation);

    private static Term TermOf(TermRow row) =>
        new(
            new(row.Id),
            row.Name,
            row.Start,
            row.End,
            [.. row.NoClass.Select(d => new NoClassPeriod(d.From, d.To, d.Name))],
            [.. row.Parts.Select(p => new PartOfTerm(p.Id, p.Name, p.Start, p.End))]
        );

    private static Course CourseOf(CourseRow row, IEnumerable<SectionRow> sections) =>
        new()
        {
            Id = new(row.Id),
            Subject = row.Subject,
            Number = row.Number,
            Title = row.Title,
            Description = row.Description,
            Materials = row.Materials,
            Credits = new(new(row.MinCreditsHundredths), new(row.MaxCreditsHundredths)),
            Level = row.Level,
            Attributes = row.Attributes,
            Prerequisites = row.Prerequisites,
            Corequisites = [.. row.Corequisites.Select(id => new CourseId(id))],
            Restrictions = row.Restrictions,
            Sections = [.. sections.Select(SectionOf)],
        };

    private static Section SectionOf(SectionRow row) =>
        new()
        {
            Number = new(row.Number),
            Label = row.Label,
            Term = new(row.TermId),
            Component = row.Component,
            Arrangement = row.Arrangement,
            Part = row.PartId,
            Credits = row.CreditsHundredths is { } hundredths ? new Credits(hundredths) : null,
            Mode = row.Mode,
            Campus = CampusOf(row.CampusId),
            Instructors = row.Instructors,
            Seats = new(row.Capacity, row.Enrolled, row.WaitlistCapacity, row.Waitlisted),
            Status = row.Status,
            Consent = row.Consent,
            Notes = row.Notes,
            Materials = row.Materials,
            SeatsShared = row.SeatsShared,
            LinkedTo = [.. row.Links.Select(link => new RegistrationNumber(link.LinkedNumber))],
            Patterns =
            [
                .. row.Meetings.Select(meeting => new MeetingPattern(
                    new(meeting.Days),
                    new(new(meeting.StartMinute), new(meeting.EndMinute)),
                    meeting.Room,
                    CampusOf(meeting.CampusId),
                    meeting.From,
                    meeting.To,
                    meeting.EveryWeeks
                )),
            ],
        };

    private static CampusId? CampusOf(string? id) => id is null ? null : new CampusId(id);
}
