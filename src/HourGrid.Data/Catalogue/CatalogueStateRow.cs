using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Catalogue;

/// <summary>Which catalogue holds: the one row by which an import becomes visible.</summary>
public sealed class CatalogueStateRow
{
    public int Id { get; set; }

    /// <summary>The number of the import that holds, which names its file.</summary>
    public int Import { get; set; }

    /// <summary>Grows with every import and with newer seats, so that what was computed from older ones is told apart.</summary>
    public int Version { get; set; }
}

/// <summary>Seats of a section that are newer than the catalogue's.</summary>
public sealed class SeatsRow
{
    public required string TermId { get; set; }
    public required string Number { get; set; }
    public required string CourseId { get; set; }
    public int Capacity { get; set; }
    public int Enrolled { get; set; }
    public int WaitlistCapacity { get; set; }
    public int Waitlisted { get; set; }
    public DateTime AsOfUtc { get; set; }
}

internal static class CatalogueStateConfiguration
{
    public static void Configure(ModelBuilder model)
    {
        model.Entity<CatalogueStateRow>().ToTable("CatalogueState").Property(row => row.Id).ValueGeneratedNever();
        model.Entity<SeatsRow>().ToTable("Seats").HasKey(row => new { row.TermId, row.Number });
        model.Entity<SeatsRow>().HasIndex(row => new { row.TermId, row.CourseId });
    }
}
