using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Catalogue;

/// <summary>
/// One catalogue in a SQLite file of its own, written once and then only read. Nobody who saves waits for an import, and
/// the one before stays until the next.
/// </summary>
internal sealed class CatalogueContext(DbContextOptions<CatalogueContext> options) : DbContext(options)
{
    protected override void OnModelCreating(ModelBuilder modelBuilder) =>
        CatalogueConfiguration.Configure(modelBuilder);
}
