using HourGrid.Core.Asking;
using HourGrid.Data;
using HourGrid.Data.Sketches;
using HourGrid.Formats.PutBy;
using HourGrid.Formats.Sketches;
using HourGrid.Server.Requests;
using HourGrid.Server.Steps;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Workbench;

/// <summary>Changes a sketch of the current student.</summary>
internal sealed class SketchService(HourGridContext database, SketchRows rows, StepQuota quota, WriteTurns writes)
    : SteppedDocument<SketchRow, SketchStepRow, SketchState>(database, quota, writes)
{
    private readonly HourGridContext database = database;
    private readonly SketchRows rows = rows;

    /// <inheritdoc/>
    protected override int StepsKept => 200;

    /// <summary>All of a sketch that goes into its file.</summary>
    /// <exception cref="RefusedException">There is none.</exception>
    public async Task<SketchContent> ContentAsync(Guid id, CancellationToken cancellation)
    {
        var row = await rows.FindAsync(id, cancellation);
        var step = await CurrentAsync(row, cancellation);
        return new(step.Name, SketchRows.AskOf(row, step).Value, PutByJson.StoredShortlist(step.ShortlistJson).Value);
    }

    /// <summary>Saves what was changed as the step after the current one.</summary>
    /// <exception cref="RefusedException">There is none, it is of another term, or was changed since.</exception>
    public Task<SketchState> SaveAsync(
        Guid id,
        long version,
        SketchContent content,
        CancellationToken cancellation
    ) =>
        AddStepAsync(
            async () =>
            {
                var row = await rows.FindAsync(id, cancellation);
                return row.TermId == content.Ask.Term.Value ? row : throw Refusals.SketchOfOtherTerm(row.TermId);
            },
            version,
            number => SketchRows.Step(id, number, content),
            async row =>
                new(
                    await rows.RecordAsync(row, content, [], (CanUndo: true, CanRedo: false), cancellation),
                    content.Ask
                ),
            cancellation
        );

    /// <inheritdoc cref="SteppedDocument{TRow, TStep, TRecord}.MoveAsync"/>
    public Task<SketchState> StepAsync(Guid id, long version, int direction, CancellationToken cancellation) =>
        MoveAsync(() => rows.FindAsync(id, cancellation), version, direction, cancellation);

    /// <summary>Notes that the student has read what became of the sketch's sections. No step of undo.</summary>
    /// <exception cref="RefusedException">There is none, or it was changed since.</exception>
    public Task<SketchState> ReadChangesAsync(Guid id, long version, CancellationToken cancellation) =>
        ChangeAsync(
            () => rows.FindAsync(id, cancellation),
            version,
            async row => row.ChangesRead = await rows.LatestChangeAsync(cancellation),
            row => RecordAsync(row, cancellation),
            cancellation
        );

    /// <inheritdoc/>
    public override async Task<SketchState> RecordAsync(SketchRow row, CancellationToken cancellation)
    {
        var current = await CurrentAsync(row, cancellation);
        var (ask, dropped) = SketchRows.AskOf(row, current);
        var (shortlist, droppedTimetables) = PutByJson.StoredShortlist(current.ShortlistJson);
        var record = await rows.RecordAsync(
            row,
            new(current.Name, ask, shortlist),
            [.. dropped, .. droppedTimetables],
            await WaysAsync(row, cancellation),
            cancellation
        );
        return new(record, ask);
    }

    /// <inheritdoc/>
    protected override IQueryable<SketchStepRow> StepsOf(SketchRow row) =>
        database.SketchSteps.Where(step => step.SketchId == row.Id);

    /// <inheritdoc/>
    protected override RefusedException Stale(SketchState newer) =>
        Refusals.StaleSketch(new StaleSketchProblem { Sketch = newer.Record });
}

/// <summary>A sketch as it is now.</summary>
/// <param name="Record">What is shown of it.</param>
/// <param name="Ask">What it asks.</param>
internal sealed record SketchState(SketchRecord Record, Ask Ask);
