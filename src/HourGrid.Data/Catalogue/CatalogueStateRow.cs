using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Catalogue;

/// <summary>Which catalogue holds: the one row by which an import becomes visible.</summary>
public sealed class CatalogueStateRow
{
    public int Id { get; set; }

    /// <summary>The number of the import that holds, which names its file.</summary>
    public int Import { get; set; }

    /// <summary>Grows with every import, so that what was computed from older ones is told apart.</summary>
    public int Version { get; set; }
}

internal static class CatalogueStateConfiguration
{
    public static void Configure(ModelBuilder model)
    {
        model.Entity<CatalogueStateRow>().ToTable("CatalogueState").Property(row => row.Id).ValueGeneratedNever();
    }
}
