using HourGrid.Data;
using HourGrid.Server.Requests;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Steps;

/// <summary>
/// What a student changes as a whole, version by version, with steps of undo: a sketch, or what is picked for a term. Each
/// change is one transaction in one turn to write; a change to an older version is refused with what there is now.
/// </summary>
/// <typeparam name="TRow">The row of the whole.</typeparam>
/// <typeparam name="TStep">The row of one of its steps.</typeparam>
/// <typeparam name="TRecord">What a student is shown of it.</typeparam>
internal abstract class SteppedDocument<TRow, TStep, TRecord>(
    HourGridContext database,
    StepQuota quota,
    WriteTurns writes
)
    where TRow : class, ISteppedRow
    where TStep : class, IStepRow
{
    /// <summary>How many steps back are kept.</summary>
    protected abstract int StepsKept { get; }

    /// <summary>The steps of one.</summary>
    protected abstract IQueryable<TStep> StepsOf(TRow row);

    /// <summary>What a student is shown of one as it is now.</summary>
    public abstract Task<TRecord> RecordAsync(TRow row, CancellationToken cancellation);

    /// <summary>The refusal of a change to an older version.</summary>
    protected abstract RefusedException Stale(TRecord newer);

    /// <summary>What one holds now.</summary>
    protected Task<TStep> CurrentAsync(TRow row, CancellationToken cancellation) =>
        StepsOf(row).AsNoTracking().SingleAsync(step => step.Number == row.CurrentStep, cancellation);

    /// <summary>Whether there is a step before and after the current one.</summary>
    protected async Task<(bool CanUndo, bool CanRedo)> WaysAsync(TRow row, CancellationToken cancellation) =>
        (
            await HasStepAsync(row, row.CurrentStep - 1, cancellation),
            await HasStepAsync(row, row.CurrentStep + 1, cancellation)
        );

    /// <summary>Adds a step after the current one; steps that could be redone are dropped, and the oldest.</summary>
    /// <param name="find">The row; asked again where somebody else was faster.</param>
    /// <param name="version">The version that is changed.</param>
    /// <param name="step">The step, given its number.</param>
    /// <param name="record">What is shown of it then.</param>
    /// <param name="cancellation">Stops before anything is committed.</param>
    protected async Task<TRecord> AddStepAsync(
        Func<Task<TRow>> find,
        long version,
        Func<int, TStep> step,
        Func<TRow, Task<TRecord>> record,
        CancellationToken cancellation
    )
    {
        var hasStepsToDrop = false;
        return await ChangeAsync(
            async () =>
            {
                var row = await find();
                hasStepsToDrop = await Droppable(row).AnyAsync(cancellation);
                return row;
            },
            version,
            async row =>
            {
                if (hasStepsToDrop)
                    await Droppable(row).ExecuteDeleteAsync(cancellation);
                var next = step(row.CurrentStep + 1);
                await quota.MakeAsync(next.Size, cancellation);
                row.CurrentStep++;
                database.Add(next);
            },
            record,
            cancellation
        );
    }

    /// <summary>Goes to the step before (-1) or after (1) the current one; stays where there is none.</summary>
    protected Task<TRecord> MoveAsync(
        Func<Task<TRow>> find,
        long version,
        int direction,
        CancellationToken cancellation
    ) =>
        ChangeAsync(
            find,
            version,
            async row =>
            {
                if (await HasStepAsync(row, row.CurrentStep + direction, cancellation))
                    row.CurrentStep += direction;
            },
            row => RecordAsync(row, cancellation),
            cancellation
        );

    /// <summary>
    /// Makes a change in one turn to write. What can be known before is read before: others wait for the turn to end, and
    /// what is changed in between is met by the version.
    /// </summary>
    /// <exception cref="RefusedException">It is a change to an older version.</exception>
    protected async Task<TRecord> ChangeAsync(
        Func<Task<TRow>> find,
        long version,
        Func<TRow, Task> change,
        Func<TRow, Task<TRecord>> record,
        CancellationToken cancellation
    )
    {
        var row = await find();
        if (row.Version != version)
            throw Stale(await RecordAsync(row, cancellation));
        try
        {
            await using var transaction = await writes.BeginAsync(database, cancellation);
            await change(row);
            row.Version++;
            await database.SaveChangesAsync(cancellation);
            var changed = await record(row);
            await transaction.CommitAsync(cancellation);
            return changed;
        }
        catch (DbUpdateException problem)
            when (problem is DbUpdateConcurrencyException || DatabaseFailure.IsAlreadyThere(problem))
        {
            // Another request saved between our reading and our writing, or was the first to.
            database.ChangeTracker.Clear();
        }
        throw Stale(await RecordAsync(await find(), cancellation));
    }

    private IQueryable<TStep> Droppable(TRow row) =>
        StepsOf(row).Where(step => step.Number > row.CurrentStep || step.Number <= row.CurrentStep - StepsKept);

    private Task<bool> HasStepAsync(TRow row, int number, CancellationToken cancellation) =>
        StepsOf(row).AnyAsync(step => step.Number == number, cancellation);
}
