using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;
using HourGrid.Data;
using HourGrid.Data.Picks;
using HourGrid.Formats.PutBy;
using HourGrid.Server.Students;
using HourGrid.Server.Workbench;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.LineUp;

/// <summary>What the current student has picked for a term. Each change is one transaction and one step of undo.</summary>
internal sealed class PicksService(
    HourGridContext database,
    CurrentStudent student,
    StepQuota quota,
    WriteTurns writes
)
{
    private const int StepsKept = 100;

    /// <summary>What is picked; nothing where the student has picked nothing yet.</summary>
    public async Task<PicksRecord> OpenAsync(TermId term, CancellationToken cancellation) =>
        await Mine(term).AsNoTracking().SingleOrDefaultAsync(cancellation) is { } row
            ? await StateAsync(row, cancellation)
            : new(0, false, false, PicksDocument.Of(TermPicks.None));

    /// <summary>Saves what is picked after a change; steps that could be redone are dropped.</summary>
    public Task<PicksChange> SaveAsync(TermId term, long version, TermPicks picks, CancellationToken cancellation) =>
        ChangeAsync(
            term,
            version,
            async row =>
            {
                await database
                    .PicksSteps.Where(step => step.StudentId == student.Id && step.TermId == term.Value)
                    .Where(step => step.Number > row.CurrentStep || step.Number <= row.CurrentStep - StepsKept)
                    .ExecuteDeleteAsync(cancellation);
                var step = Step(term, row.CurrentStep + 1, picks);
                await quota.MakeAsync(step.Size, cancellation);
                row.CurrentStep++;
                database.PicksSteps.Add(step);
            },
            cancellation
        );

    /// <summary>Goes to the step before (-1) or after (1) the current one; stays where there is none.</summary>
    public Task<PicksChange> StepAsync(TermId term, long version, int direction, CancellationToken cancellation) =>
        ChangeAsync(
            term,
            version,
            async row =>
            {
                if (await StepExistsAsync(term, row.CurrentStep + direction, cancellation))
                    row.CurrentStep += direction;
            },
            cancellation
        );

    private async Task<PicksChange> ChangeAsync(
        TermId term,
        long version,
        Func<PicksRow, Task> change,
        CancellationToken cancellation
    )
    {
        try
        {
            await using var transaction = await writes.BeginAsync(database, cancellation);
            var row = await Mine(term).SingleOrDefaultAsync(cancellation);
            if ((row?.Version ?? 0) != version)
                return new(await OpenAsync(term, cancellation), IsSaved: false);
            row ??= await FirstAsync(term, cancellation);
            await change(row);
            row.Version++;
            await database.SaveChangesAsync(cancellation);
            var record = await StateAsync(row, cancellation);
            await transaction.CommitAsync(cancellation);
            return new(record, IsSaved: true);
        }
        catch (DbUpdateException problem)
            when (problem is DbUpdateConcurrencyException || DatabaseFailure.IsAlreadyThere(problem))
        {
            // Another request saved between our reading and our writing, or was the first to.
            database.ChangeTracker.Clear();
            return new(await OpenAsync(term, cancellation), IsSaved: false);
        }
    }

    private async Task<PicksRow> FirstAsync(TermId term, CancellationToken cancellation)
    {
        var row = new PicksRow
        {
            StudentId = student.Id,
            TermId = term.Value,
            Steps = [Step(term, 0, TermPicks.None)],
        };
        database.Picks.Add(row);
        await database.SaveChangesAsync(cancellation);
        return row;
    }

    private IQueryable<PicksRow> Mine(TermId term) =>
        database.Picks.Where(row => row.StudentId == student.Id && row.TermId == term.Value);

    private async Task<PicksRecord> StateAsync(PicksRow row, CancellationToken cancellation)
    {
        var term = new TermId(row.TermId);
        var current = await database
            .PicksSteps.AsNoTracking()
            .SingleAsync(
                step => step.StudentId == student.Id && step.TermId == row.TermId && step.Number == row.CurrentStep,
                cancellation
            );
        return new(
            row.Version,
            await StepExistsAsync(term, row.CurrentStep - 1, cancellation),
            await StepExistsAsync(term, row.CurrentStep + 1, cancellation),
            PicksDocument.Of(PutByJson.StoredPicks(current.PicksJson).Value)
        );
    }

    private Task<bool> StepExistsAsync(TermId term, int number, CancellationToken cancellation) =>
        database.PicksSteps.AnyAsync(
            step => step.StudentId == student.Id && step.TermId == term.Value && step.Number == number,
            cancellation
        );

    private PicksStepRow Step(TermId term, int number, TermPicks picks)
    {
        var json = PutByJson.Write(picks);
        return new()
        {
            StudentId = student.Id,
            TermId = term.Value,
            Number = number,
            PicksJson = json,
            Size = json.Length,
        };
    }
}

/// <summary>What became of a change.</summary>
/// <param name="Picks">What is picked now.</param>
/// <param name="IsSaved">Whether the change was saved; otherwise it was made to an older version.</param>
internal sealed record PicksChange(PicksRecord Picks, bool IsSaved);
