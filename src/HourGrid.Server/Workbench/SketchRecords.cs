using System.ComponentModel.DataAnnotations;
using HourGrid.Core.Asking;
using HourGrid.Core.PutBy;
using HourGrid.Formats.Asking;
using HourGrid.Formats.PutBy;
using HourGrid.Formats.Sketches;

namespace HourGrid.Server.Workbench;

internal sealed record SketchRecord(
    Guid Id,
    string Name,
    string Term,
    long Version,
    bool CanUndo,
    bool CanRedo,
    IReadOnlyList<ChangedSectionRecord> SectionChanges,
    IReadOnlyList<DroppedRecord> Dropped,
    AskDocument Ask,
    IReadOnlyList<PutByDocument> Shortlist
);

/// <summary>Something stored in the sketch that can no longer be read, and is left out of it.</summary>
/// <param name="Path">Where it stood.</param>
/// <param name="Found">What stood there.</param>
/// <param name="Expected">What can be read there.</param>
internal sealed record DroppedRecord(string Path, string Found, string Expected);

/// <summary>A section that the sketch holds on to and that a newer catalogue took away or moved.</summary>
/// <param name="Course">Its course.</param>
/// <param name="Number">Its registration number.</param>
/// <param name="Label">Its label before.</param>
/// <param name="IsGone">Whether it is gone; otherwise it moved.</param>
internal sealed record ChangedSectionRecord(string Course, string Number, string Label, bool IsGone);

/// <param name="Version">The version that was changed.</param>
/// <param name="Name">Its name after the change.</param>
/// <param name="Ask">The whole ask after the change.</param>
/// <param name="Shortlist">The whole shortlist after the change.</param>
internal sealed record SaveSketchRequest(
    long Version,
    [property: Required, MaxLength(SketchContent.LongestName)] string Name,
    Ask Ask,
    IReadOnlyList<PutByTimetable> Shortlist
);

/// <param name="Name">Its name, 1 to 80 characters.</param>
/// <param name="Ask">What it asks.</param>
/// <param name="Shortlist">What is on its shortlist.</param>
internal sealed record NewSketchRequest(
    [property: Required, MaxLength(SketchContent.LongestName)] string Name,
    Ask Ask,
    IReadOnlyList<PutByTimetable> Shortlist
);

/// <param name="Ids">The ids of the term's sketches in their new order.</param>
internal sealed record OrderRequest([property: MaxLength(SketchStore.MostOfTerm)] IReadOnlyList<Guid> Ids);

/// <param name="Sketches">The student's sketches of a term, in their order.</param>
/// <param name="Deleted">Deleted ones that can be had back, the last one first.</param>
internal sealed record SketchesRecord(
    IReadOnlyList<SketchRecord> Sketches,
    IReadOnlyList<DeletedSketchRecord> Deleted
);

internal sealed record DeletedSketchRecord(Guid Id, string Name);

/// <param name="Sketch">The sketch as it is saved.</param>
/// <param name="Answer">Its answer; null when it cannot be answered.</param>
/// <param name="Unanswered">Why not, as a sentence; else null.</param>
internal sealed record SavedSketchRecord(SketchRecord Sketch, AnswerRecord? Answer, string? Unanswered);

/// <summary>A change to an older version of a sketch, with the newer one.</summary>
internal sealed class StaleSketchProblem : ProblemDetails
{
    public required SketchRecord Sketch { get; init; }
}
