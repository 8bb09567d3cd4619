using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;
using HourGrid.Data;
using HourGrid.Data.Sketches;
using HourGrid.Formats.Asking;
using HourGrid.Formats.PutBy;
using HourGrid.Formats.Sketches;
using HourGrid.Server.Students;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Sketches;

/// <summary>Opens and changes the current student's sketches. Each change is one transaction and one step of undo.</summary>
internal sealed class SketchDesk(HourGridContext database, CurrentStudent student)
{
    /// <summary>The most sketches a student keeps for a term.</summary>
    public const int MostOfTerm = 50;

    private const int StepsKept = 200;
    private const int DeletedKept = 10;

    /// <summary>The student's sketch of a term that was chosen last, or a first one made now.</summary>
    public async Task<SketchRecord> OpenAsync(TermId term, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        var latest = await OfTerm(term).OrderByDescending(row => row.OpenedUtc).FirstOrDefaultAsync(cancellation);
        var record = latest is null
            ? await AddAsync(new("First sketch", new() { Term = term, Wanted = [] }, []), cancellation)
            : (await StateAsync(latest, cancellation)).Record;
        await transaction.CommitAsync(cancellation);
        return record;
    }

    /// <summary>The student's sketches of a term, in their order.</summary>
    public async Task<IReadOnlyList<SketchRecord>> ListAsync(TermId term, CancellationToken cancellation)
    {
        var records = new List<SketchRecord>();
        foreach (var row in await OfTerm(term).OrderBy(row => row.Place).ToListAsync(cancellation))
            records.Add((await StateAsync(row, cancellation)).Record);
        return records;
    }

    /// <summary>All of a sketch that goes into its file; null where there is none.</summary>
    public async Task<SketchContent?> ContentAsync(Guid id, CancellationToken cancellation)
    {
        if (await Mine().SingleOrDefaultAsync(row => row.Id == id, cancellation) is not { } row)
            return null;
        var step = await CurrentAsync(row, cancellation);
        return new(step.Name, AskOf(step), PutByJson.Shortlist(step.ShortlistJson));
    }

    /// <summary>A new sketch, chosen at once; null where the student has as many of the term as one may.</summary>
    public async Task<SketchRecord?> NewAsync(SketchContent content, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        if (await OfTerm(content.Ask.Term).CountAsync(cancellation) >= MostOfTerm)
            return null;
        var record = await AddAsync(content, cancellation);
        await transaction.CommitAsync(cancellation);
        return record;
    }

    /// <summary>Chooses a sketch, deleted ones too: it opens from now on. Null where there is none.</summary>
    public async Task<SketchRecord?> ChooseAsync(Guid id, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        if (await Mine().SingleOrDefaultAsync(row => row.Id == id, cancellation) is not { } row)
            return null;
        row.OpenedUtc = DateTime.UtcNow;
        row.IsDeleted = false;
        await database.SaveChangesAsync(cancellation);
        var (record, _) = await StateAsync(row, cancellation);
        await transaction.CommitAsync(cancellation);
        return record;
    }

    /// <summary>Deletes a sketch; choosing it gives it back, as long as few were deleted since. Whether there was one.</summary>
    public async Task<bool> DeleteAsync(Guid id, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        var found = await Mine()
            .Where(row => row.Id == id)
            .ExecuteUpdateAsync(
                set => set.SetProperty(row => row.IsDeleted, true).SetProperty(row => row.OpenedUtc, DateTime.UtcNow),
                cancellation
            );
        var kept = Deleted().Select(row => row.Id).Take(DeletedKept);
        await Mine().Where(row => row.IsDeleted && !kept.Contains(row.Id)).ExecuteDeleteAsync(cancellation);
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
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        var rows = await OfTerm(term).OrderBy(row => row.Place).ToListAsync(cancellation);
        var places = order.Distinct().Index().ToDictionary(pair => pair.Item, pair => pair.Index);
        foreach (var (place, row) in rows.OrderBy(row => places.GetValueOrDefault(row.Id, int.MaxValue)).Index())
            row.Place = place;
        await database.SaveChangesAsync(cancellation);
        await transaction.CommitAsync(cancellation);
    }

    private async Task<SketchRecord> AddAsync(SketchContent content, CancellationToken cancellation)
    {
        var term = content.Ask.Term;
        var row = new SketchRow
        {
            Id = Guid.NewGuid(),
            StudentId = student.Id,
            TermId = term.Value,
            CreatedUtc = DateTime.UtcNow,
            OpenedUtc = DateTime.UtcNow,
            Place = await OfTerm(term).MaxAsync(other => (int?)other.Place, cancellation) + 1 ?? 0,
            Version = 1,
            ChangesRead = await database.SectionChanges.MaxAsync(change => (int?)change.Id, cancellation) ?? 0,
            Steps = [Step(default, 0, content)],
        };
        database.Sketches.Add(row);
        await database.SaveChangesAsync(cancellation);
        return (await StateAsync(row, cancellation)).Record;
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
            async row =>
            {
                if (row.TermId != content.Ask.Term.Value)
                    return new SketchChange.OtherTerm(row.TermId);
                await database
                    .SketchSteps.Where(step => step.SketchId == id)
                    .Where(step => step.Number > row.CurrentStep || step.Number <= row.CurrentStep - StepsKept)
                    .ExecuteDeleteAsync(cancellation);
                row.CurrentStep++;
                database.SketchSteps.Add(Step(id, row.CurrentStep, content));
                return null;
            },
            cancellation
        );

    /// <summary>Goes to the step before (-1) or after (1) the current one; stays where there is none.</summary>
    public Task<SketchChange> StepAsync(Guid id, long version, int direction, CancellationToken cancellation) =>
        ChangeAsync(
            id,
            version,
            async row =>
            {
                var target = row.CurrentStep + direction;
                if (await StepExistsAsync(id, target, cancellation))
                    row.CurrentStep = target;
                return null;
            },
            cancellation
        );

    /// <summary>Notes that the student has read what became of the sketch's sections. No step of undo.</summary>
    public Task<SketchChange> ReadChangesAsync(Guid id, long version, CancellationToken cancellation) =>
        ChangeAsync(
            id,
            version,
            async row =>
            {
                row.ChangesRead =
                    await database.SectionChanges.MaxAsync(change => (int?)change.Id, cancellation) ?? 0;
                return null;
            },
            cancellation
        );

    private async Task<SketchChange> ChangeAsync(
        Guid id,
        long version,
        Func<SketchRow, Task<SketchChange?>> change,
        CancellationToken cancellation
    )
    {
        try
        {
            await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
            if (await Mine().SingleOrDefaultAsync(row => row.Id == id, cancellation) is not { } row)
                return new SketchChange.NotFound();
            if (row.Version != version)
                return new SketchChange.Stale((await StateAsync(row, cancellation)).Record);
            if (await change(row) is { } refused)
                return refused;
            row.Version++;
            await database.SaveChangesAsync(cancellation);
            var (record, ask) = await StateAsync(row, cancellation);
            await transaction.CommitAsync(cancellation);
            return new SketchChange.Saved(record, ask);
        }
        catch (DbUpdateConcurrencyException)
        {
            // Another request saved between our reading and our writing.
            database.ChangeTracker.Clear();
            return await Mine().SingleOrDefaultAsync(row => row.Id == id, cancellation) is { } newer
                ? new SketchChange.Stale((await StateAsync(newer, cancellation)).Record)
                : new SketchChange.NotFound();
        }
    }

    private IQueryable<SketchRow> Mine() => database.Sketches.Where(row => row.StudentId == student.Id);

    private IOrderedQueryable<SketchRow> Deleted() =>
        Mine().Where(row => row.IsDeleted).OrderByDescending(row => row.OpenedUtc);

    private IQueryable<SketchRow> OfTerm(TermId term) =>
        Mine().Where(row => row.TermId == term.Value && !row.IsDeleted);

    private async Task<(SketchRecord Record, Ask Ask)> StateAsync(SketchRow row, CancellationToken cancellation)
    {
        var current = await CurrentAsync(row, cancellation);
        var ask = AskOf(current);
        var record = new SketchRecord(
            row.Id,
            current.Name,
            row.TermId,
            row.Version,
            await StepExistsAsync(row.Id, row.CurrentStep - 1, cancellation),
            await StepExistsAsync(row.Id, row.CurrentStep + 1, cancellation),
            await ChangesAsync(row, ask, cancellation),
            AskDocument.Of(ask),
            [.. PutByJson.Shortlist(current.ShortlistJson).Select(PutByDocument.Of)]
        );
        return (record, ask);
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

    private Task<SketchStepRow> CurrentAsync(SketchRow row, CancellationToken cancellation) =>
        database
            .SketchSteps.AsNoTracking()
            .SingleAsync(step => step.SketchId == row.Id && step.Number == row.CurrentStep, cancellation);

    private static Ask AskOf(SketchStepRow step) =>
        AskJson.Read(System.Text.Encoding.UTF8.GetBytes(step.AskJson)).Value;

    private Task<bool> StepExistsAsync(Guid id, int number, CancellationToken cancellation) =>
        database.SketchSteps.AnyAsync(step => step.SketchId == id && step.Number == number, cancellation);

    private static SketchStepRow Step(Guid sketch, int number, SketchContent content) =>
        new()
        {
            SketchId = sketch,
            Number = number,
            Name = content.Name,
            AskJson = System.Text.Encoding.UTF8.GetString(AskJson.Write(content.Ask)),
            ShortlistJson = PutByJson.Write(content.Shortlist),
        };
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
