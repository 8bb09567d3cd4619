using HourGrid.Core.Catalogue;
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
    )
    {
        // One transaction, so that an import in between cannot mix two catalogues.
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        return await ReadWithinAsync(database, cancellation);
    }

    /// <summary>The same, within a transaction that has begun.</summary>
    internal static async Task<KeptCatalogue?> ReadWithinAsync(
        HourGridContext database,
        CancellationToken cancellation
    )
    {
        if (await database.Catalogue.AsNoTracking().SingleOrDefaultAsync(cancellation) is not { } catalogue)
            return null;
        var campuses = await database
            .Campuses.AsNoTracking()
            .OrderBy(row => row.Position)
            .Select(row => new Campus(new(row.Id), row.Name))
            .ToListAsync(cancellation);
        var travel = await database
            .Travel.AsNoTracking()
            .OrderBy(row => row.FromCampusId)
            .ThenBy(row => row.ToCampusId)
            .Select(row => new Travel(new(row.FromCampusId), new(row.ToCampusId), row.Minutes))
            .ToListAsync(cancellation);
        var terms = await database
            .Terms.AsNoTracking()
            .Include(row => row.Parts)
            .Include(row => row.NoClass)
            .AsSplitQuery()
            .OrderBy(row => row.Position)
            .ToListAsync(cancellation);
        var courses = await database
            .Courses.AsNoTracking()
            .Include(row => row.Sections)
                .ThenInclude(section => section.Meetings)
            .Include(row => row.Sections)
                .ThenInclude(section => section.Links)
            .AsSplitQuery()
            .OrderBy(row => row.Position)
            .ToListAsync(cancellation);
        return new(
            new(catalogue.Institution, campuses, travel, [.. terms.Select(TermOf)], [.. courses.Select(CourseOf)])
            {
                TimeZone = catalogue.TimeZone,
            },
            catalogue.Version,
            courses
                .SelectMany(course => course.Sections)
                .GroupBy(section => (new TermId(section.TermId), new CourseId(section.CourseId)))
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
            [.. row.NoClass.OrderBy(days => days.Position).Select(d => new NoClassPeriod(d.From, d.To, d.Name))],
            [.. row.Parts.OrderBy(part => part.Position).Select(p => new PartOfTerm(p.Id, p.Name, p.Start, p.End))]
        );

    private static Course CourseOf(CourseRow row) =>
        new()
        {
            Id = new(row.Id),
            Subject = row.Subject,
            Number = row.Number,
            Title = row.Title,
            Description = row.Description,
            Credits = new(new(row.MinCreditsHundredths), new(row.MaxCreditsHundredths)),
            Level = row.Level,
            Attributes = row.Attributes,
            Prerequisites = row.Prerequisites,
            Corequisites = [.. row.Corequisites.Select(id => new CourseId(id))],
            Restrictions = row.Restrictions,
            Sections = [.. row.Sections.OrderBy(section => section.Position).Select(SectionOf)],
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
            SeatsShared = row.SeatsShared,
            LinkedTo =
            [
                .. row.Links.OrderBy(link => link.Position).Select(link => new RegistrationNumber(link.LinkedNumber)),
            ],
            Patterns =
            [
                .. row
                    .Meetings.OrderBy(meeting => meeting.Position)
                    .Select(meeting => new MeetingPattern(
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
