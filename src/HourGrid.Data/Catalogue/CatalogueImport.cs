using HourGrid.Core.Catalogue;

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
        var (changes, merge) = Compared(kept, catalogue, asOfUtc);
        return await merge.WriteAsync(database, changes, cancellation);
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
        // Read and compared before anything is locked; again where somebody else wrote in between.
        while (true)
        {
            var (changes, merge) = Compared(await KeptRows.ReadAsync(database, cancellation), catalogue, asOfUtc);
            if (await merge.WriteAsync(database, changes, cancellation))
                return changes;
        }
    }

    private static (CatalogueChanges, CatalogueMerge) Compared(
        KeptRows kept,
        UniversityCatalogue catalogue,
        DateTime asOfUtc
    ) =>
        (
            CatalogueChanges.Between(CatalogueReading.Of(kept)?.Catalogue ?? Nothing, catalogue),
            new(kept, catalogue, asOfUtc)
        );

    private static UniversityCatalogue Nothing { get; } = new("", [], [], [], []);
}
