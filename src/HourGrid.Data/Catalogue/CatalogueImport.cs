using HourGrid.Core.Catalogue;
using HourGrid.Core.Searching;

namespace HourGrid.Data.Catalogue;

/// <summary>Brings a catalogue into the database, all of it or nothing.</summary>
public static class CatalogueImport
{
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
        var kept = await KeptRows.ReadAsync(database, cancellation);
        if (kept.Version != 0)
            return false;
        var (changes, merge) = Compared(kept, Nothing, catalogue, asOfUtc);
        Build(catalogue);
        return await merge.WriteAsync(database, changes, cancellation);
    }

    /// <summary>
    /// Imports a catalogue over whatever the database holds. Terms that it does not have stay as they are; in its own
    /// terms, sections keep their identity by registration number, and those that it does not have go.
    /// </summary>
    /// <param name="database">The database.</param>
    /// <param name="catalogue">What to import.</param>
    /// <param name="asOfUtc">When its seats were true.</param>
    /// <param name="isRemovalMeant">Whether a term may lose more than a tenth of its sections.</param>
    /// <param name="cancellation">Stops before anything is written.</param>
    /// <returns>What changed; everything is new where there was no catalogue.</returns>
    /// <exception cref="RemovalRefusedException">A term would lose more than it may. Nothing was changed.</exception>
    public static async Task<CatalogueChanges> ImportAsync(
        HourGridContext database,
        UniversityCatalogue catalogue,
        DateTime asOfUtc,
        bool isRemovalMeant = false,
        CancellationToken cancellation = default
    )
    {
        // All that a server builds of it; what cannot be built must not be kept, or no server would start.
        var building = Task.Run(() => Build(catalogue), cancellation);
        // Read and compared before anything is locked; again where somebody else wrote in between.
        while (true)
        {
            var kept = await KeptRows.ReadAsync(database, cancellation);
            var before = CatalogueReading.Of(kept)?.Catalogue ?? Nothing;
            var (changes, merge) = Compared(kept, before, catalogue, asOfUtc);
            if (!isRemovalMeant && TermRemoval.LargeOnes(before, changes) is { Count: > 0 } removals)
                throw new RemovalRefusedException(removals);
            await building;
            if (await merge.WriteAsync(database, changes, cancellation))
                return changes;
        }
    }

    private static (CatalogueChanges, CatalogueMerge) Compared(
        KeptRows kept,
        UniversityCatalogue before,
        UniversityCatalogue catalogue,
        DateTime asOfUtc
    ) => (CatalogueChanges.Between(before, catalogue), new(kept, catalogue, asOfUtc));

    private static void Build(UniversityCatalogue catalogue)
    {
        foreach (var term in catalogue.Terms)
            _ = new CourseIndex(catalogue.SnapshotOf(term.Id)!);
    }

    private static UniversityCatalogue Nothing { get; } = new("", [], [], [], []);
}

/// <summary>An import would take away more of a term than is done without being told to.</summary>
/// <param name="removals">The terms, and what they would lose.</param>
public sealed class RemovalRefusedException(IReadOnlyList<TermRemoval> removals)
    : Exception("A term would lose more than a tenth of its sections.")
{
    /// <summary>The terms, and what they would lose.</summary>
    public IReadOnlyList<TermRemoval> Removals => removals;
}
