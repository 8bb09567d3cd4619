namespace HourGrid.Data.Sketches;

/// <summary>A section that an import took away or moved, so that the sketches which hold it can say so.</summary>
public sealed class SectionChangeRow
{
    public int Id { get; set; }
    public required string TermId { get; set; }
    public required string CourseId { get; set; }
    public required string Number { get; set; }

    /// <summary>Its label before.</summary>
    public required string Label { get; set; }

    /// <summary>Whether it is gone; otherwise it moved.</summary>
    public bool IsGone { get; set; }
    public DateTime ImportedUtc { get; set; }

    /// <summary>The import that did it; it did not happen before that import holds.</summary>
    public int Import { get; set; }
}
