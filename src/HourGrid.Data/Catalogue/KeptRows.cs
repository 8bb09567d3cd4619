using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Catalogue;

/// <summary>The rows of the catalogue that the database holds, read flat: joins would repeat each section for each of its meetings.</summary>
/// <param name="Catalogue">The catalogue itself; null while there is none.</param>
/// <param name="Subjects">Subjects, in order.</param>
/// <param name="Campuses">Campuses, in order.</param>
/// <param name="Travel">Travel times.</param>
/// <param name="Terms">Terms with their parts and days without class, in order.</param>
/// <param name="Courses">Courses without their sections, in order.</param>
/// <param name="Sections">Sections with their meetings and links, in order.</param>
internal sealed record KeptRows(
    CatalogueRow? Catalogue,
    IReadOnlyList<SubjectRow> Subjects,
    IReadOnlyList<CampusRow> Campuses,
    IReadOnlyList<TravelRow> Travel,
    IReadOnlyList<TermRow> Terms,
    IReadOnlyList<CourseRow> Courses,
    IReadOnlyList<SectionRow> Sections
)
{
    /// <summary>The version of the catalogue; 0 while there is none.</summary>
    public int Version => Catalogue?.Version ?? 0;

    /// <summary>Reads them in one transaction, so that an import in between cannot mix two catalogues.</summary>
    public static async Task<KeptRows> ReadAsync(HourGridContext database, CancellationToken cancellation)
    {
        await using var transaction = await ReadTransaction.BeginAsync(database, cancellation);
        return new(
            await database.Catalogue.AsNoTracking().SingleOrDefaultAsync(cancellation),
            await database.Subjects.AsNoTracking().OrderBy(row => row.Position).ToListAsync(cancellation),
            await database.Campuses.AsNoTracking().OrderBy(row => row.Position).ToListAsync(cancellation),
            await database
                .Travel.AsNoTracking()
                .OrderBy(row => row.FromCampusId)
                .ThenBy(row => row.ToCampusId)
                .ToListAsync(cancellation),
            await database
                .Terms.AsNoTracking()
                .Include(row => row.Parts.OrderBy(part => part.Position))
                .Include(row => row.NoClass.OrderBy(days => days.Position))
                .AsSplitQuery()
                .OrderBy(row => row.Position)
                .ToListAsync(cancellation),
            await database.Courses.AsNoTracking().OrderBy(row => row.Position).ToListAsync(cancellation),
            await SectionsAsync(database, cancellation)
        );
    }

    private static async Task<IReadOnlyList<SectionRow>> SectionsAsync(
        HourGridContext database,
        CancellationToken cancellation
    )
    {
        var sections = await database.Sections.AsNoTracking().OrderBy(row => row.Position).ToListAsync(cancellation);
        var byId = sections.ToDictionary(section => section.Id);
        var meetings = database
            .Set<MeetingRow>()
            .AsNoTracking()
            .OrderBy(row => row.SectionId)
            .ThenBy(row => row.Position);
        await foreach (var meeting in meetings.AsAsyncEnumerable().WithCancellation(cancellation))
            byId[meeting.SectionId].Meetings.Add(meeting);
        var links = database
            .Set<SectionLinkRow>()
            .AsNoTracking()
            .OrderBy(row => row.SectionId)
            .ThenBy(row => row.Position);
        await foreach (var link in links.AsAsyncEnumerable().WithCancellation(cancellation))
            byId[link.SectionId].Links.Add(link);
        return sections;
    }
}
