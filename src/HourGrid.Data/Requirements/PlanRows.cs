using HourGrid.Data.Sketches;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Requirements;

/// <summary>What a student put into terms ahead.</summary>
public sealed class PlanRow : ISteppedRow
{
    public Guid StudentId { get; set; }

    /// <inheritdoc/>
    public long Version { get; set; }

    /// <inheritdoc/>
    public int CurrentStep { get; set; }

    public List<PlanStepRow> Steps { get; set; } = [];
}

/// <summary>The plan after one of its changes: the steps of undo and redo.</summary>
public sealed class PlanStepRow : IStepRow
{
    public Guid StudentId { get; set; }
    public int Number { get; set; }
    public required string PlanJson { get; set; }

    /// <summary>How much room it takes: the characters of its text.</summary>
    public int Size { get; set; }
}

internal static class PlanConfiguration
{
    public static void Configure(ModelBuilder model)
    {
        model.Entity<PlanRow>(plan =>
        {
            plan.ToTable("Plans").HasKey(row => row.StudentId);
            plan.Property(row => row.StudentId).ValueGeneratedNever();
            plan.Property(row => row.Version).IsConcurrencyToken();
            plan.HasOne<StudentRow>().WithOne().HasForeignKey<PlanRow>(row => row.StudentId);
            plan.HasMany(row => row.Steps).WithOne().HasForeignKey(step => step.StudentId);
        });
        model.Entity<PlanStepRow>().ToTable("PlanSteps").HasKey(step => new { step.StudentId, step.Number });
    }
}
