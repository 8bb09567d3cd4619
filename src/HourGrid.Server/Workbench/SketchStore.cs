using HourGrid.Core.Catalogue;
using HourGrid.Data;
using HourGrid.Data.Sketches;
using HourGrid.Formats.Sketches;
using HourGrid.Server.Requests;
using HourGrid.Server.Steps;
using HourGrid.Server.Students;
using HourGrid.Server.Wording;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Workbench;

/// <summary>The current student's sketches of a term: makes, chooses, orders and deletes whole ones.</summary>
internal sealed class SketchStore(
    HourGridContext database,
    CurrentStudent student,
    SketchRows rows,
    SketchService sketches,
    StepQuota quota,
    WriteTurns writes,
    TimeProvider clock
)
{
    /// <summary>The most sketches a student keeps for a term.</summary>
    public const int MostOfTerm = 50;

    private const int DeletedKept = 10;

    private DateTime Now => clock.GetUtcNow().UtcDateTime;

    /// <summary>The student's sketch of a term that was chosen last, or a first one made now.</summary>
    public async Task<SketchRecord> OpenAsync(TermId term, CancellationToken cancellation)
    {
        await using var transaction = await writes.BeginAsync(database, cancellation);
        var latest = await rows.OfTerm(term)
            .OrderByDescending(row => row.OpenedUtc)
            .FirstOrDefaultAsync(cancellation);
        var record = latest is null
            ? await AddAsync(new("First sketch", new() { Term = term, Wanted = [] }, []), cancellation)
            : (await sketches.RecordAsync(latest, cancellation)).Record;
        await transaction.CommitAsync(cancellation);
        return record;
    }

    /// <summary>The student's sketches of a term, in their order.</summary>
    public async Task<IReadOnlyList<SketchRecord>> ListAsync(TermId term, CancellationToken cancellation)
    {
        var records = new List<SketchRecord>();
        foreach (var row in await rows.OfTerm(term).OrderBy(row => row.Place).ToListAsync(cancellation))
            records.Add((await sketches.RecordAsync(row, cancellation)).Record);
        return records;
    }

    /// <summary>A new sketch, chosen at once.</summary>
    /// <exception cref="RefusedException">The student has as many of the term as one may.</exception>
    public async Task<SketchRecord> NewAsync(SketchContent content, CancellationToken cancellation)
    {
        await using var transaction = await writes.BeginAsync(database, cancellation);
        await RequireRoomAsync(content.Ask.Term, cancellation);
        var record = await AddAsync(content, cancellation);
        await transaction.CommitAsync(cancellation);
        return record;
    }

    /// <summary>Chooses a sketch, deleted ones too: it opens from now on.</summary>
    /// <exception cref="RefusedException">
    /// There is none, or it was deleted and the student has as many of the term as one may.
    /// </exception>
    public async Task<SketchRecord> ChooseAsync(Guid id, CancellationToken cancellation)
    {
        await using var transaction = await writes.BeginAsync(database, cancellation);
        var row = await rows.FindAsync(id, cancellation);
        if (row.IsDeleted)
            await RequireRoomAsync(new(row.TermId), cancellation);
        row.OpenedUtc = Now;
        row.IsDeleted = false;
        await database.SaveChangesAsync(cancellation);
        var (record, _) = await sketches.RecordAsync(row, cancellation);
        await transaction.CommitAsync(cancellation);
        return record;
    }

    /// <summary>Deletes a sketch; choosing it gives it back, as long as few were deleted since.</summary>
    /// <exception cref="RefusedException">There is none.</exception>
    public async Task DeleteAsync(Guid id, CancellationToken cancellation)
    {
        await using var transaction = await writes.BeginAsync(database, cancellation);
        var now = Now;
        var found = await rows.Mine()
            .Where(row => row.Id == id)
            .ExecuteUpdateAsync(
                set => set.SetProperty(row => row.IsDeleted, true).SetProperty(row => row.OpenedUtc, now),
                cancellation
            );
        var kept = Deleted().Select(row => row.Id).Take(DeletedKept);
        await rows.Mine().Where(row => row.IsDeleted && !kept.Contains(row.Id)).ExecuteDeleteAsync(cancellation);
        await transaction.CommitAsync(cancellation);
        if (found == 0)
            throw Refusals.NoSuchSketch();
    }

    /// <summary>The student's deleted sketches of a term that can be had back, the last one first.</summary>
    public async Task<IReadOnlyList<DeletedSketchRecord>> DeletedAsync(TermId term, CancellationToken cancellation) =>
        await Deleted()
            .Where(row => row.TermId == term.Value)
            .Select(row => new DeletedSketchRecord(
                row.Id,
                row.Steps.Single(step => step.Number == row.CurrentStep).Name
            ))
            .ToListAsync(cancellation);

    /// <summary>Sets the order of the student's sketches of a term; those not named come last, as they were.</summary>
    public async Task OrderAsync(TermId term, IReadOnlyList<Guid> order, CancellationToken cancellation)
    {
        await using var transaction = await writes.BeginAsync(database, cancellation);
        var ordered = await rows.OfTerm(term).OrderBy(row => row.Place).ToListAsync(cancellation);
        var places = order.Distinct().Index().ToDictionary(pair => pair.Item, pair => pair.Index);
        foreach (var (place, row) in ordered.OrderBy(row => places.GetValueOrDefault(row.Id, int.MaxValue)).Index())
            row.Place = place;
        await database.SaveChangesAsync(cancellation);
        await transaction.CommitAsync(cancellation);
    }

    private async Task<SketchRecord> AddAsync(SketchContent content, CancellationToken cancellation)
    {
        var term = content.Ask.Term;
        var step = SketchRows.Step(default, 0, content);
        await quota.MakeAsync(step.Size, cancellation);
        var row = new SketchRow
        {
            Id = Guid.NewGuid(),
            StudentId = student.Id,
            TermId = term.Value,
            CreatedUtc = Now,
            OpenedUtc = Now,
            Place = await rows.OfTerm(term).MaxAsync(other => (int?)other.Place, cancellation) + 1 ?? 0,
            Version = 1,
            ChangesRead = await rows.LatestChangeAsync(cancellation),
            Steps = [step],
        };
        database.Sketches.Add(row);
        await database.SaveChangesAsync(cancellation);
        return (await sketches.RecordAsync(row, cancellation)).Record;
    }

    private async Task RequireRoomAsync(TermId term, CancellationToken cancellation)
    {
        if (await rows.OfTerm(term).CountAsync(cancellation) >= MostOfTerm)
            throw Refusals.ManySketches(MostOfTerm);
    }

    private IOrderedQueryable<SketchRow> Deleted() =>
        rows.Mine().Where(row => row.IsDeleted).OrderByDescending(row => row.OpenedUtc);
}
