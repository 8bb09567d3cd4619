using HourGrid.Core.Asking;
using HourGrid.Data;
using HourGrid.Data.Sketches;
using HourGrid.Formats.PutBy;
using HourGrid.Formats.Sketches;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Workbench;

/// <summary>Changes a sketch of the current student. Each change is one transaction and one step of undo.</summary>
internal sealed class SketchService(HourGridContext database, SketchRows rows, StepQuota quota, WriteTurns writes)
{
    private const int StepsKept = 200;

    /// <summary>All of a sketch that goes into its file; null where there is none.</summary>
    public async Task<SketchContent?> ContentAsync(Guid id, CancellationToken cancellation)
    {
        if (await rows.Mine().SingleOrDefaultAsync(row => row.Id == id, cancellation) is not { } row)
            return null;
        var step = await rows.CurrentAsync(row, cancellation);
        return new(step.Name, SketchRows.AskOf(row, step).Value, PutByJson.StoredShortlist(step.ShortlistJson).Value);
    }

    /// <summary>Saves what was changed as the step after the current one; steps that could be redone are dropped.</summary>
    public Task<SketchChange> SaveAsync(
        Guid id,
        long version,
        SketchContent content,
        CancellationToken cancellation
    ) =>
        ChangeAsync(
            id,
            version,
            async (row, hasStepsToDrop) =>
            {
                if (row.TermId != content.Ask.Term.Value)
                    return new SketchChange.OtherTerm(row.TermId);
                if (hasStepsToDrop)
                    await database
                        .SketchSteps.Where(step => step.SketchId == id)
                        .Where(step => step.Number > row.CurrentStep || step.Number <= row.CurrentStep - StepsKept)
                        .ExecuteDeleteAsync(cancellation);
                var step = SketchRows.Step(id, row.CurrentStep + 1, content);
                await quota.MakeAsync(step.Size, cancellation);
                row.CurrentStep++;
                database.SketchSteps.Add(step);
                return null;
            },
            row => rows.SavedAsync(row, content, cancellation),
            cancellation
        );

    /// <summary>Goes to the step before (-1) or after (1) the current one; stays where there is none.</summary>
    public Task<SketchChange> StepAsync(Guid id, long version, int direction, CancellationToken cancellation) =>
        ChangeAsync(
            id,
            version,
            async (row, _) =>
            {
                var target = row.CurrentStep + direction;
                if (await rows.StepExistsAsync(id, target, cancellation))
                    row.CurrentStep = target;
                return null;
            },
            row => rows.StateAsync(row, cancellation),
            cancellation
        );

    /// <summary>Notes that the student has read what became of the sketch's sections. No step of undo.</summary>
    public Task<SketchChange> ReadChangesAsync(Guid id, long version, CancellationToken cancellation) =>
        ChangeAsync(
            id,
            version,
            async (row, _) =>
            {
                row.ChangesRead = await rows.LatestChangeAsync(cancellation);
                return null;
            },
            row => rows.StateAsync(row, cancellation),
            cancellation
        );

    /// <summary>
    /// Makes a change in one turn to write. What can be known before is read before: others wait for the turn to end, and
    /// what is changed in between is met by the version.
    /// </summary>
    /// <param name="id">The sketch.</param>
    /// <param name="version">The version that is changed.</param>
    /// <param name="change">Given the sketch, and whether it has steps that a new one drops; gives why it is refused.</param>
    /// <param name="state">What the sketch is after the change.</param>
    /// <param name="cancellation">Stops before anything is committed.</param>
    private async Task<SketchChange> ChangeAsync(
        Guid id,
        long version,
        Func<SketchRow, bool, Task<SketchChange?>> change,
        Func<SketchRow, Task<(SketchRecord, Ask)>> state,
        CancellationToken cancellation
    )
    {
        var found = await rows.Mine()
            .Where(row => row.Id == id)
            .Select(row => new
            {
                Row = row,
                HasStepsToDrop = row.Steps.Any(step =>
                    step.Number > row.CurrentStep || step.Number <= row.CurrentStep - StepsKept
                ),
            })
            .SingleOrDefaultAsync(cancellation);
        if (found is null)
            return new SketchChange.NotFound();
        var row = found.Row;
        if (row.Version != version)
            return new SketchChange.Stale((await rows.StateAsync(row, cancellation)).Record);
        try
        {
            await using var transaction = await writes.BeginAsync(database, cancellation);
            if (await change(row, found.HasStepsToDrop) is { } refused)
                return refused;
            row.Version++;
            await database.SaveChangesAsync(cancellation);
            var (record, ask) = await state(row);
            await transaction.CommitAsync(cancellation);
            return new SketchChange.Saved(record, ask);
        }
        catch (DbUpdateException problem)
            when (problem is DbUpdateConcurrencyException || DatabaseFailure.IsAlreadyThere(problem))
        {
            // Another request saved between our reading and our writing.
            database.ChangeTracker.Clear();
            return await rows.Mine().SingleOrDefaultAsync(row => row.Id == id, cancellation) is { } newer
                ? new SketchChange.Stale((await rows.StateAsync(newer, cancellation)).Record)
                : new SketchChange.NotFound();
        }
    }
}

/// <summary>What became of a change.</summary>
internal abstract record SketchChange
{
    private SketchChange() { }

    public sealed record Saved(SketchRecord Sketch, Ask Ask) : SketchChange;

    /// <summary>The sketch was changed since; nothing was saved.</summary>
    public sealed record Stale(SketchRecord Newer) : SketchChange;

    public sealed record OtherTerm(string Expected) : SketchChange;

    public sealed record NotFound : SketchChange;
}
