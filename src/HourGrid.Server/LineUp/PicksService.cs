using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;
using HourGrid.Data;
using HourGrid.Data.Picks;
using HourGrid.Formats.PutBy;
using HourGrid.Server.Requests;
using HourGrid.Server.Steps;
using HourGrid.Server.Students;
using HourGrid.Server.Wording;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.LineUp;

/// <summary>What a student has picked for a term: the line-up, and the choice.</summary>
internal sealed class PicksService(
    HourGridContext database,
    CurrentStudent student,
    StepQuota quota,
    WriteTurns writes
) : SteppedDocument<PicksRow, PicksStepRow, PicksRecord>(database, quota, writes)
{
    private readonly HourGridContext database = database;

    /// <inheritdoc/>
    protected override int StepsKept => 100;

    /// <summary>What the current student has picked; nothing before the first pick.</summary>
    public async Task<PicksRecord> OpenAsync(TermId term, CancellationToken cancellation) =>
        await RecordAsync(await FindAsync(term, cancellation), cancellation);

    /// <summary>What another student has chosen, for who knows the address of the calendar.</summary>
    public async Task<Choice?> ChoiceOfAsync(Guid other, TermId term, CancellationToken cancellation) =>
        await Of(other, term).AsNoTracking().SingleOrDefaultAsync(cancellation) is { } row
            ? PicksSteps.PicksIn(await CurrentAsync(row, cancellation)).Choice
            : null;

    /// <summary>Saves what is picked after a change.</summary>
    public Task<PicksRecord> SaveAsync(TermId term, long version, TermPicks picks, CancellationToken cancellation) =>
        AddStepAsync(
            () => FindAsync(term, cancellation),
            version,
            number => PicksSteps.Of(student.Id, term.Value, number, picks),
            row => RecordAsync(row, cancellation),
            cancellation
        );

    /// <inheritdoc cref="SteppedDocument{TRow, TStep, TRecord}.MoveAsync"/>
    public Task<PicksRecord> StepAsync(TermId term, long version, int direction, CancellationToken cancellation) =>
        MoveAsync(() => FindAsync(term, cancellation), version, direction, cancellation);

    /// <inheritdoc/>
    protected override IQueryable<PicksStepRow> StepsOf(PicksRow row) =>
        database.PicksSteps.Where(step => step.StudentId == row.StudentId && step.TermId == row.TermId);

    /// <inheritdoc/>
    public override async Task<PicksRecord> RecordAsync(PicksRow row, CancellationToken cancellation)
    {
        if (IsFirst(row))
            return new(0, false, false, PicksDocument.Of(TermPicks.None));
        var picks = PicksSteps.PicksIn(await CurrentAsync(row, cancellation));
        var (canUndo, canRedo) = await WaysAsync(row, cancellation);
        return new(row.Version, canUndo, canRedo, PicksDocument.Of(picks));
    }

    /// <inheritdoc/>
    protected override RefusedException Stale(PicksRecord newer) =>
        Refusals.StalePicks(new StalePicksProblem { Picks = newer });

    /// <summary>The student's row, or a first one that is written with the first change.</summary>
    private async Task<PicksRow> FindAsync(TermId term, CancellationToken cancellation)
    {
        if (await Of(student.Id, term).SingleOrDefaultAsync(cancellation) is { } found)
            return found;
        var first = new PicksRow
        {
            StudentId = student.Id,
            TermId = term.Value,
            Steps = [PicksSteps.Of(student.Id, term.Value, 0, TermPicks.None)],
        };
        database.Picks.Add(first);
        return first;
    }

    private bool IsFirst(PicksRow row) => database.Entry(row).State == EntityState.Added;

    private IQueryable<PicksRow> Of(Guid who, TermId term) =>
        database.Picks.Where(row => row.StudentId == who && row.TermId == term.Value);
}
