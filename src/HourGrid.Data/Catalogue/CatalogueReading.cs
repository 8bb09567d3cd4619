using HourGrid.Core.Catalogue;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Catalogue;

/// <summary>A catalogue as it is kept.</summary>
/// <param name="Catalogue">The catalogue.</param>
/// <param name="Import">The number of the import that brought it.</param>
/// <param name="Version">Grows with every import.</param>
/// <param name="SeatsAsOfUtc">When the seats of a term's course were true, the oldest of its sections.</param>
public sealed record KeptCatalogue(
    UniversityCatalogue Catalogue,
    int Import,
    int Version,
    IReadOnlyDictionary<(TermId Term, CourseId Course), DateTime> SeatsAsOfUtc
);

/// <summary>Reads a whole catalogue.</summary>
public static class CatalogueReading
{
    /// <summary>The catalogue that holds, or null while none was imported.</summary>
    public static async Task<KeptCatalogue?> ReadAsync(
        HourGridContext database,
        CancellationToken cancellation = default
    ) => await StateAsync(database, cancellation) is { } state ? Kept(PathOf(database), state, state.Import) : null;

    /// <summary>
    /// Takes the catalogue that holds, or where it cannot be used, the one before it.
    /// </summary>
    /// <param name="path">The database.</param>
    /// <param name="take">Uses a catalogue; may fail, too.</param>
    /// <param name="cannotUse">Told of each that cannot be used, by the number of its import.</param>
    /// <returns>Whether there is any.</returns>
    /// <exception cref="InvalidDataException">There are some, and none can be used.</exception>
    public static bool TakeUsable(string path, Action<KeptCatalogue> take, Action<int, Exception> cannotUse)
    {
        ArgumentNullException.ThrowIfNull(take);
        ArgumentNullException.ThrowIfNull(cannotUse);
        if (StateIn(path) is not { } state)
            return false;
        foreach (var import in Candidates(path, state))
            try
            {
                take(Kept(path, state, import));
                return true;
            }
            catch (Exception problem) when (problem is not OutOfMemoryException)
            {
                cannotUse(import, problem);
            }
        throw new InvalidDataException("None of the catalogues in the data folder can be used.");
    }

    /// <summary>Which catalogue holds; null while none was imported.</summary>
    public static Task<CatalogueStateRow?> StateAsync(
        HourGridContext database,
        CancellationToken cancellation = default
    ) => database.CatalogueState.AsNoTracking().SingleOrDefaultAsync(cancellation);

    /// <summary>The rows of the catalogue that holds, or the one before where that cannot be read; null without either.</summary>
    internal static KeptRows? UsableRows(HourGridContext database, CatalogueStateRow state)
    {
        foreach (var import in Candidates(PathOf(database), state))
            try
            {
                return Rows(PathOf(database), import);
            }
            catch (Exception problem) when (problem is not OutOfMemoryException)
            {
                // It is to be replaced.
            }
        return null;
    }

    private static IEnumerable<int> Candidates(string path, CatalogueStateRow state) =>
        CatalogueFiles.Beside(path).Imports().Where(import => import < state.Import).Prepend(state.Import);

    private static string PathOf(HourGridContext database) => database.Database.GetDbConnection().DataSource;

    private static CatalogueStateRow? StateIn(string path)
    {
        using var connection = new SqliteConnection(DatabaseFile.ConnectionTo(path));
        connection.Open();
        return new RowSource(connection)
            .All(
                "SELECT Id, Import, Version FROM CatalogueState",
                row => new CatalogueStateRow
                {
                    Id = row.Whole(),
                    Import = row.Whole(),
                    Version = row.Whole(),
                }
            )
            .SingleOrDefault();
    }

    private static KeptCatalogue Kept(string path, CatalogueStateRow state, int import)
    {
        using var file = CatalogueFiles.Beside(path).Open(import);
        var rows = new RowSource(file);
        var asOf = new Dictionary<(TermId Term, CourseId Course), DateTime>();
        var catalogue = CatalogueOf(
            HeadRows.Read(rows),
            CourseReading.Each(rows).Select(course => Noted(course, asOf))
        );
        return new(catalogue, import, state.Version, asOf);
    }

    /// <summary>Notes when the seats of a course were true, in each of its terms.</summary>
    private static CourseRow Noted(CourseRow course, Dictionary<(TermId Term, CourseId Course), DateTime> asOf)
    {
        foreach (var section in course.Sections)
        {
            var ofCourse = (new TermId(section.TermId), new CourseId(section.CourseId));
            if (!asOf.TryGetValue(ofCourse, out var oldest) || section.SeatsAsOfUtc < oldest)
                asOf[ofCourse] = section.SeatsAsOfUtc;
        }
        return course;
    }

    private static KeptRows Rows(string path, int import)
    {
        using var file = CatalogueFiles.Beside(path).Open(import);
        return KeptRows.Read(file);
    }

    internal static UniversityCatalogue CatalogueOf(HeadRows head, IEnumerable<CourseRow> courses) =>
        new(
            head.Catalogue.Institution,
            [.. head.Campuses.Select(row => new Campus(new(row.Id), row.Name))],
            [.. head.Travel.Select(row => new Travel(new(row.FromCampusId), new(row.ToCampusId), row.Minutes))],
            [.. head.Terms.Select(TermOf)],
            [.. courses.Select(CourseOf)]
        )
        {
            TimeZone = head.Catalogue.TimeZone,
            Seasons = head.Catalogue.Seasons,
            Subjects = [.. head.Subjects.Select(row => new Subject(row.Code, row.Name))],
        };

    private static Term TermOf(TermRow row) =>
        new(
            new(row.Id),
            row.Name,
            row.Start,
            row.End,
            [.. row.NoClass.Select(d => new NoClassPeriod(d.From, d.To, d.Name))],
            [.. row.Parts.Select(p => new PartOfTerm(p.Id, p.Name, p.Start, p.End))]
        )
        {
            Season = row.Season,
        };

    private static Course CourseOf(CourseRow row) =>
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
            IsRepeatable = row.IsRepeatable,
            UsuallyOffered = row.UsuallyOffered,
            Sections = [.. row.Sections.Select(SectionOf)],
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
