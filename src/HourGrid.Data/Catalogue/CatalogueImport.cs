using HourGrid.Core.Catalogue;
using HourGrid.Core.Searching;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Catalogue;

/// <summary>
/// Brings a catalogue into the data folder, all of it or nothing. It is read, compared and written into a file of its own
/// while others save; one short transaction makes it the one that holds.
/// </summary>
public static class CatalogueImport
{
    /// <summary>Imports the catalogue unless there is one already.</summary>
    /// <param name="database">The database.</param>
    /// <param name="catalogue">What to import.</param>
    /// <param name="asOfUtc">When its seats were true.</param>
    /// <param name="cancellation">Stops before it holds.</param>
    /// <returns>Whether it was imported.</returns>
    public static async Task<bool> ImportFirstAsync(
        HourGridContext database,
        UniversityCatalogue catalogue,
        DateTime asOfUtc,
        CancellationToken cancellation = default
    )
    {
        if (await CatalogueReading.StateAsync(database, cancellation) is not null)
            return false;
        await ImportAsync(database, catalogue, asOfUtc, cancellation: cancellation);
        return true;
    }

    /// <summary>
    /// Imports a catalogue over the one that holds. Terms that it does not have stay as they are; its own terms become what
    /// it says.
    /// </summary>
    /// <param name="database">The database.</param>
    /// <param name="catalogue">What to import.</param>
    /// <param name="asOfUtc">When its seats were true.</param>
    /// <param name="isRemovalMeant">Whether a term may lose more than a tenth of its sections.</param>
    /// <param name="cancellation">Stops before it holds.</param>
    /// <returns>What changed; everything is new where there was no catalogue.</returns>
    /// <exception cref="RemovalRefusedException">A term would lose more than it may. Nothing was changed.</exception>
    /// <exception cref="ImportUnderWayException">Another import is under way. Nothing was changed.</exception>
    public static async Task<CatalogueChanges> ImportAsync(
        HourGridContext database,
        UniversityCatalogue catalogue,
        DateTime asOfUtc,
        bool isRemovalMeant = false,
        CancellationToken cancellation = default
    )
    {
        var files = CatalogueFiles.Beside(database.Database.GetDbConnection().DataSource);
        using var held = files.HoldForImport();
        // All that a server builds of it; what cannot be built must not be kept, or no server would start.
        var building = Task.Run(() => Build(catalogue), cancellation);
        var state = await CatalogueReading.StateAsync(database, cancellation);
        var rows = state is null ? null : CatalogueReading.UsableRows(database, state);
        var before = rows is null ? new("", [], [], [], []) : CatalogueReading.CatalogueOf(rows.Head, rows.Courses);
        var changes = CatalogueChanges.Between(before, catalogue);
        if (!isRemovalMeant && TermRemoval.LargeOnes(before, changes) is { Count: > 0 } removals)
            throw new RemovalRefusedException(removals);
        var part = files.Write(MergedRows.Of(rows, catalogue, asOfUtc));
        try
        {
            await building;
            var import = (state?.Import ?? 0) + 1;
            var news = new SectionNews(database);
            await news.WriteAsync(changes, import, asOfUtc, cancellation);
            await SwitchAsync(database, () => files.Keep(part, import), cancellation);
            files.DropBefore(import);
            await news.DropOlderAsync(CancellationToken.None);
            return changes;
        }
        finally
        {
            File.Delete(part);
        }
    }

    private static void Build(UniversityCatalogue catalogue)
    {
        foreach (var term in catalogue.Terms)
            _ = new CourseIndex(catalogue.SnapshotOf(term.Id)!);
    }

    /// <summary>
    /// Makes what was written the catalogue that holds. Its command is prepared before anything is locked: in a process that
    /// has just begun, compiling a query takes longer than all that is done here, and everybody who saves waits for it.
    /// </summary>
    private static async Task SwitchAsync(HourGridContext database, Action keep, CancellationToken cancellation)
    {
        await database.Database.OpenConnectionAsync(cancellation);
        var connection = (SqliteConnection)database.Database.GetDbConnection();
        await using var next = connection.CreateCommand();
        next.CommandText = """
            INSERT INTO CatalogueState (Id, Import, Version) VALUES (1, 1, 1)
            ON CONFLICT (Id) DO UPDATE SET Import = Import + 1, Version = Version + 1
            """;
        await next.PrepareAsync(cancellation);
        await using (var transaction = await connection.BeginTransactionAsync(cancellation))
        {
            next.Transaction = (SqliteTransaction)transaction;
            await next.ExecuteNonQueryAsync(cancellation);
            keep();
            await transaction.CommitAsync(cancellation);
        }
        await database.Database.CloseConnectionAsync();
        database.ChangeTracker.Clear();
    }
}

/// <summary>An import would take away more of a term than is done without being told to.</summary>
/// <param name="removals">The terms, and what they would lose.</param>
public sealed class RemovalRefusedException(IReadOnlyList<TermRemoval> removals)
    : Exception("A term would lose more than a tenth of its sections.")
{
    /// <summary>The terms, and what they would lose.</summary>
    public IReadOnlyList<TermRemoval> Removals => removals;
}

/// <summary>Another import is under way.</summary>
/// <param name="inner">How that was found.</param>
public sealed class ImportUnderWayException(Exception inner) : Exception("Another import is under way.", inner);
