using HourGrid.Core.Catalogue;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Catalogue;

/// <summary>Brings a catalogue into the database, all of it or nothing.</summary>
public static class CatalogueImport
{
    private const int TheOnlyCatalogue = 1;

    /// <summary>Imports the catalogue unless the database already holds one.</summary>
    /// <param name="database">The database.</param>
    /// <param name="catalogue">What to import.</param>
    /// <param name="asOfUtc">When its seats were true.</param>
    /// <param name="cancellation">Stops before anything is written.</param>
    /// <returns>Whether it was imported.</returns>
    public static async Task<bool> ImportFirstAsync(
        HourGridContext database,
        UniversityCatalogue catalogue,
        DateTime asOfUtc,
        CancellationToken cancellation = default
    )
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        if (await database.Catalogue.AnyAsync(cancellation))
            return false;
        await WriteAsync(database, catalogue, asOfUtc, cancellation);
        await transaction.CommitAsync(cancellation);
        return true;
    }

    /// <summary>
    /// Imports a catalogue over whatever the database holds. Terms that it does not have stay as they are; in its own
    /// terms, sections keep their identity by registration number, and those that it does not have go.
    /// </summary>
    /// <param name="database">The database.</param>
    /// <param name="catalogue">What to import.</param>
    /// <param name="asOfUtc">When its seats were true.</param>
    /// <param name="cancellation">Stops before anything is written.</param>
    /// <returns>What changed; everything is new where there was no catalogue.</returns>
    public static async Task<CatalogueChanges> ImportAsync(
        HourGridContext database,
        UniversityCatalogue catalogue,
        DateTime asOfUtc,
        CancellationToken cancellation = default
    )
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        var before = await CatalogueReading.ReadWithinAsync(database, cancellation);
        var changes = CatalogueChanges.Between(before?.Catalogue ?? Nothing, catalogue);
        if (before is null)
            await WriteAsync(database, catalogue, asOfUtc, cancellation);
        else
            await new CatalogueMerge(database, catalogue, asOfUtc).WriteAsync(changes, cancellation);
        await transaction.CommitAsync(cancellation);
        database.ChangeTracker.Clear();
        return changes;
    }

    private static UniversityCatalogue Nothing { get; } = new("", [], [], [], []);

    private static async Task WriteAsync(
        HourGridContext database,
        UniversityCatalogue catalogue,
        DateTime asOfUtc,
        CancellationToken cancellation
    )
    {
        database.Catalogue.Add(
            new()
            {
                Id = TheOnlyCatalogue,
                Institution = catalogue.Institution,
                TimeZone = catalogue.TimeZone,
                Version = 1,
            }
        );
        database.Campuses.AddRange(catalogue.Campuses.Select(RowsOf.Campus));
        database.Travel.AddRange(RowsOf.Travel(catalogue.Travel));
        database.Terms.AddRange(catalogue.Terms.Select(RowsOf.Term));
        database.Courses.AddRange(catalogue.Courses.Select((course, i) => RowsOf.Course(course, i, asOfUtc)));
        await database.SaveChangesAsync(cancellation);
    }
}
