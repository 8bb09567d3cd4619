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
using HourGrid.Server.Requests;
using HourGrid.Server.Students;
using HourGrid.Server.Wording;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Workbench;

/// <summary>Finds the current student's sketches in the database, and reads what is in one.</summary>
internal sealed class SketchRows(HourGridContext database, CurrentStudent student, CurrentCatalogue catalogue)
{
    /// <summary>The student's sketches of all terms, deleted ones too.</summary>
    public IQueryable<SketchRow> Mine() => database.Sketches.Where(row => row.StudentId == student.Id);

    /// <summary>One of them.</summary>
    /// <exception cref="RefusedException">The student has none of this id.</exception>
    public async Task<SketchRow> FindAsync(Guid id, CancellationToken cancellation) =>
        await Mine().SingleOrDefaultAsync(row => row.Id == id, cancellation) ?? throw Refusals.NoSuchSketch();

    /// <summary>The student's sketches of a term that are not deleted.</summary>
    public IQueryable<SketchRow> OfTerm(TermId term) =>
        Mine().Where(row => row.TermId == term.Value && !row.IsDeleted);

    /// <summary>What a student is shown of a sketch.</summary>
    /// <param name="row">The sketch.</param>
    /// <param name="content">What it holds now.</param>
    /// <param name="dropped">What is stored in it and cannot be read any more.</param>
    /// <param name="ways">Whether there is something to undo, and to redo.</param>
    /// <param name="cancellation">Ends the reading.</param>
    public async Task<SketchRecord> RecordAsync(
        SketchRow row,
        SketchContent content,
        IReadOnlyList<FormatProblem> dropped,
        (bool CanUndo, bool CanRedo) ways,
        CancellationToken cancellation
    ) =>
        new(
            row.Id,
            content.Name,
            row.TermId,
            row.Version,
            ways.CanUndo,
            ways.CanRedo,
            await ChangesAsync(row, content.Ask, cancellation),
            [.. dropped.Select(problem => new DroppedRecord(problem.Path, problem.Found, problem.Expected))],
            AskDocument.Of(content.Ask),
            [.. content.Shortlist.Select(PutByDocument.Of)]
        );

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
        string[] numbers =
        [
            .. ask
                .Wanted.SelectMany(wanted => wanted.Keep)
                .Concat(ask.Registered)
                .Select(number => number.Value)
                .Distinct(),
        ];
        if (numbers.Length == 0)
            return [];
        var changes = await database
            .SectionChanges.AsNoTracking()
            .Where(change => change.Import <= catalogue.Import)
            .Where(change => change.TermId == row.TermId && change.Id > row.ChangesRead)
            .Where(change => numbers.Contains(change.Number))
            .OrderBy(change => change.Id)
            .ToListAsync(cancellation);
        return
        [
            .. changes
                .GroupBy(change => change.Number)
                .Select(ofSection => ofSection.Last())
                .Select(change => new ChangedSectionRecord(
                    change.CourseId,
                    change.Number,
                    change.Label,
                    change.IsGone
                )),
        ];
    }
}
