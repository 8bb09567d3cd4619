using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Sketches;

/// <summary>Someone who keeps sketches.</summary>
public sealed class StudentRow
{
    public Guid Id { get; set; }
    public DateTime CreatedUtc { get; set; }
}

/// <summary>One named what-if of a student for a term.</summary>
public sealed class SketchRow : ISteppedRow
{
    public Guid Id { get; set; }
    public Guid StudentId { get; set; }
    public required string TermId { get; set; }
    public DateTime CreatedUtc { get; set; }

    /// <summary>When it was last chosen; the latest of a term is the one that opens.</summary>
    public DateTime OpenedUtc { get; set; }

    /// <summary>Its place among the student's sketches of the term, the smallest first.</summary>
    public int Place { get; set; }

    /// <summary>Deleted, and to be had back as long as its row is kept.</summary>
    public bool IsDeleted { get; set; }

    /// <inheritdoc/>
    public long Version { get; set; }

    /// <inheritdoc/>
    public int CurrentStep { get; set; }

    /// <summary>Changes of the catalogue up to this one were read by the student.</summary>
    public int ChangesRead { get; set; }

    public List<SketchStepRow> Steps { get; set; } = [];
}

/// <summary>What a sketch was called, asked and had on its shortlist after one of its changes: the steps of undo and redo.</summary>
public sealed class SketchStepRow : IStepRow
{
    public Guid SketchId { get; set; }
    public int Number { get; set; }
    public required string Name { get; set; }
    public required string AskJson { get; set; }
    public required string ShortlistJson { get; set; }

    /// <summary>How much room it takes: the characters of its texts.</summary>
    public int Size { get; set; }
}

internal static class SketchConfiguration
{
    public static void Configure(ModelBuilder model)
    {
        model.Entity<StudentRow>().ToTable("Students").Property(row => row.Id).ValueGeneratedNever();
        model.Entity<SketchRow>(sketch =>
        {
            sketch.ToTable("Sketches");
            sketch.Property(row => row.Id).ValueGeneratedNever();
            sketch.Property(row => row.Version).IsConcurrencyToken();
            sketch.HasIndex(row => new { row.StudentId, row.TermId });
            sketch.HasOne<StudentRow>().WithMany().HasForeignKey(row => row.StudentId);
            sketch.HasMany(row => row.Steps).WithOne().HasForeignKey(step => step.SketchId);
        });
        model.Entity<SectionChangeRow>(change =>
        {
            change.ToTable("SectionChanges");
            change.HasIndex(row => new { row.TermId, row.Number });
        });
        model.Entity<SketchStepRow>().ToTable("SketchSteps").HasKey(row => new { row.SketchId, row.Number });
    }
}
