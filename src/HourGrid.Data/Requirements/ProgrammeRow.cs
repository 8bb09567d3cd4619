using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Requirements;

/// <summary>A programme as it was imported.</summary>
public sealed class ProgrammeRow
{
    public required string Id { get; set; }
    public required string Name { get; set; }

    /// <summary>The file, as the format has it: it is read whole and never searched by its parts.</summary>
    public required string Json { get; set; }

    /// <summary>When it was imported.</summary>
    public DateTime ImportedUtc { get; set; }
}

internal static class ProgrammeConfiguration
{
    public static void Configure(ModelBuilder model) => model.Entity<ProgrammeRow>().ToTable("Programmes");
}
