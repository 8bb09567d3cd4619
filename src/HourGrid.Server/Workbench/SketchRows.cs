using System.Text;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Data;
using HourGrid.Data.Sketches;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Json;
using HourGrid.Formats.PutBy;
using HourGrid.Formats.Sketches;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Students;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Workbench;

/// <summary>Finds the current student's sketches in the database, and reads what is in one.</summary>
internal sealed class SketchRows(HourGridContext database, CurrentStudent student, CurrentCatalogue catalogue)
{
    /// <summary>The student's sketches of all terms, deleted ones too.</summary>
    public IQueryable<SketchRow> Mine() => database.Sketches.Where(row => row.StudentId == student.Id);

    /// <summary>The student's sketches of a term that are not deleted.</summary>
    public IQueryable<SketchRow> OfTerm(TermId term) =>
        Mine().Where(row => row.TermId == term.Value && !row.IsDeleted);

    /// <summary>A sketch as it is now.</summary>
    public async Task<(SketchRecord Record, Ask Ask)> StateAsync(SketchRow row, CancellationToken cancellation)
    {
        var current = await CurrentAsync(row, cancellation);
        var (ask, dropped) = AskOf(row, current);
        var (shortlist, droppedTimetables) = PutByJson.StoredShortlist(current.ShortlistJson);
        var record = await RecordAsync(
            row,
            new(current.Name, ask, shortlist),
            [.. dropped, .. droppedTimetables],
            await StepExistsAsync(row.Id, row.CurrentStep - 1, cancellation),
            await StepExistsAsync(row.Id, row.CurrentStep + 1, cancellation),
            cancellation
        );
        return (record, ask);
    }

    /// <summary>A sketch as it is once a step was added to those it had.</summary>
    public async Task<(SketchRecord Record, Ask Ask)> SavedAsync(
        SketchRow row,
        SketchContent content,
        CancellationToken cancellation
    ) => (await RecordAsync(row, content, [], canUndo: true, canRedo: false, cancellation), content.Ask);

    private async Task<SketchRecord> RecordAsync(
        SketchRow row,
        SketchContent content,
        IReadOnlyList<FormatProblem> dropped,
        bool canUndo,
        bool canRedo,
        CancellationToken cancellation
    ) =>
        new(
            row.Id,
            content.Name,
            row.TermId,
            row.Version,
            canUndo,
            canRedo,
            await ChangesAsync(row, content.Ask, cancellation),
            [.. dropped.Select(problem => new DroppedRecord(problem.Path, problem.Found, problem.Expected))],
            AskDocument.Of(content.Ask),
            [.. content.Shortlist.Select(PutByDocument.Of)]
        );

    /// <summary>What a sketch holds now.</summary>
    public Task<SketchStepRow> CurrentAsync(SketchRow row, CancellationToken cancellation) =>
        database
            .SketchSteps.AsNoTracking()
            .SingleAsync(step => step.SketchId == row.Id && step.Number == row.CurrentStep, cancellation);

    /// <summary>Whether a sketch has a step of a number, to undo or redo.</summary>
    public Task<bool> StepExistsAsync(Guid id, int number, CancellationToken cancellation) =>
        database.SketchSteps.AnyAsync(step => step.SketchId == id && step.Number == number, cancellation);

    /// <summary>The newest change that catalogues made to sections, 0 before any.</summary>
    public async Task<int> LatestChangeAsync(CancellationToken cancellation) =>
        await database
            .SectionChanges.Where(change => change.Import <= catalogue.Import)
            .OrderByDescending(change => change.Id)
            .Select(change => (int?)change.Id)
            .FirstOrDefaultAsync(cancellation)
        ?? 0;

    /// <summary>What a step asks.</summary>
    public static Mended<Ask> AskOf(SketchRow row, SketchStepRow step) =>
        AskJson.ReadStored(step.AskJson, new(row.TermId));

    /// <summary>A step that holds what is given.</summary>
    public static SketchStepRow Step(Guid sketch, int number, SketchContent content)
    {
        var ask = Encoding.UTF8.GetString(AskJson.Write(content.Ask));
        var shortlist = PutByJson.Write(content.Shortlist);
        return new()
        {
            SketchId = sketch,
            Number = number,
            Name = content.Name,
            AskJson = ask,
            ShortlistJson = shortlist,
            Size = ask.Length + shortlist.Length,
        };
    }

    /// <summary>What newer catalogues did to sections that the sketch holds on to, since the student last read of it.</summary>
    private async Task<IReadOnlyList<ChangedSectionRecord>> ChangesAsync(
        SketchRow row,
        Ask ask,
        CancellationToken cancellation
    )
    {
        string[] held =
        [
            .. ask
                .Wanted.SelectMany(wanted => wanted.Keep)
                .Concat(ask.Registered)
                .Select(number => number.Value)
                .Distinct(),
        ];
        if (held.Length == 0)
            return [];
        var changes = await database
            .SectionChanges.AsNoTracking()
            .Where(change => change.Import <= catalogue.Import)
            .Where(change => change.TermId == row.TermId && change.Id > row.ChangesRead)
            .Where(change => held.Contains(change.Number))
            .OrderBy(change => change.Id)
            .ToListAsync(cancellation);
        return
        [
            .. changes
                .GroupBy(change => change.Number)
                .Select(its => its.Last())
                .Select(change => new ChangedSectionRecord(
                    change.CourseId,
                    change.Number,
                    change.Label,
                    change.IsGone
                )),
        ];
    }
}
