using HourGrid.Core.Catalogue;
using HourGrid.Data;
using HourGrid.Data.Sketches;
using HourGrid.Formats.Sketches;
using HourGrid.Server.Students;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Workbench;

/// <summary>The current student's sketches of a term: makes, chooses, orders and deletes whole ones.</summary>
internal sealed class SketchStore(
    HourGridContext database,
    CurrentStudent student,
    SketchRows rows,
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
            : (await rows.StateAsync(latest, cancellation)).Record;
        await transaction.CommitAsync(cancellation);
        return record;
    }

    /// <summary>The student's sketches of a term, in their order.</summary>
    public async Task<IReadOnlyList<SketchRecord>> ListAsync(TermId term, CancellationToken cancellation)
    {
        var records = new List<SketchRecord>();
        foreach (var row in await rows.OfTerm(term).OrderBy(row => row.Place).ToListAsync(cancellation))
            records.Add((await rows.StateAsync(row, cancellation)).Record);
        return records;
    }

    /// <summary>A new sketch, chosen at once; null where the student has as many of the term as one may.</summary>
    public async Task<SketchRecord?> NewAsync(SketchContent content, CancellationToken cancellation)
    {
        await using var transaction = await writes.BeginAsync(database, cancellation);
        if (!await HasRoomAsync(content.Ask.Term, cancellation))
            return null;
        var record = await AddAsync(content, cancellation);
        await transaction.CommitAsync(cancellation);
        return record;
    }

    /// <summary>
    /// Chooses a sketch, deleted ones too: it opens from now on. None where there is no such sketch; no room where it was
    /// deleted and the student has as many of the term as one may.
    /// </summary>
    public async Task<(SketchRecord? Sketch, bool HasRoom)> ChooseAsync(Guid id, CancellationToken cancellation)
    {
        await using var transaction = await writes.BeginAsync(database, cancellation);
        if (await rows.Mine().SingleOrDefaultAsync(row => row.Id == id, cancellation) is not { } row)
            return (null, true);
        if (row.IsDeleted && !await HasRoomAsync(new(row.TermId), cancellation))
            return (null, false);
        row.OpenedUtc = Now;
        row.IsDeleted = false;
        await database.SaveChangesAsync(cancellation);
        var (record, _) = await rows.StateAsync(row, cancellation);
        await transaction.CommitAsync(cancellation);
        return (record, true);
    }

    /// <summary>Deletes a sketch; choosing it gives it back, as long as few were deleted since. Whether there was one.</summary>
    public async Task<bool> DeleteAsync(Guid id, CancellationToken cancellation)
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
        return found > 0;
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
        return (await rows.StateAsync(row, cancellation)).Record;
    }

    private async Task<bool> HasRoomAsync(TermId term, CancellationToken cancellation) =>
        await rows.OfTerm(term).CountAsync(cancellation) < MostOfTerm;

    private IOrderedQueryable<SketchRow> Deleted() =>
        rows.Mine().Where(row => row.IsDeleted).OrderByDescending(row => row.OpenedUtc);
}
