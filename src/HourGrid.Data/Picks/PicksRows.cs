using HourGrid.Data.Sketches;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Picks;

/// <summary>What a student has picked for a term: the line-up, and the choice.</summary>
public sealed class PicksRow : ISteppedRow
{
    public Guid StudentId { get; set; }
    public required string TermId { get; set; }

    /// <inheritdoc/>
    public long Version { get; set; }

    /// <inheritdoc/>
    public int CurrentStep { get; set; }

    public List<PicksStepRow> Steps { get; set; } = [];
}

/// <summary>What was picked after one of the changes: the steps of undo and redo.</summary>
public sealed class PicksStepRow : IStepRow
{
    public Guid StudentId { get; set; }
    public required string TermId { get; set; }
    public int Number { get; set; }
    public required string PicksJson { get; set; }

    /// <summary>How much room it takes: the characters of its text.</summary>
    public int Size { get; set; }
}

internal static class PicksConfiguration
{
    public static void Configure(ModelBuilder model)
    {
        model.Entity<PicksRow>(picks =>
        {
            picks.ToTable("Picks");
            picks.HasKey(row => new { row.StudentId, row.TermId });
            picks.Property(row => row.Version).IsConcurrencyToken();
            picks.HasOne<StudentRow>().WithMany().HasForeignKey(row => row.StudentId);
            picks.HasMany(row => row.Steps).WithOne().HasForeignKey(step => new { step.StudentId, step.TermId });
        });
        model
            .Entity<PicksStepRow>()
            .ToTable("PicksSteps")
            .HasKey(step => new
            {
                step.StudentId,
                step.TermId,
                step.Number,
            });
    }
}
