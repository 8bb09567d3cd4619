using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Data;
using HourGrid.Data.Sketches;
using HourGrid.Formats.Asking;
using HourGrid.Server.Students;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Sketches;

/// <summary>Opens and changes the current student's sketches. Each change is one transaction and one step of undo.</summary>
internal sealed class SketchDesk(HourGridContext database, CurrentStudent student)
{
    private const int StepsKept = 200;

    /// <summary>The student's sketch of a term: the oldest, or a first one made now.</summary>
    public async Task<SketchRecord> OpenAsync(TermId term, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        var known = await Mine()
            .Where(row => row.TermId == term.Value)
            .OrderBy(row => row.CreatedUtc)
            .FirstOrDefaultAsync(cancellation);
        if (known is null)
        {
            known = new()
            {
                Id = Guid.NewGuid(),
                StudentId = student.Id,
                TermId = term.Value,
                Name = "First sketch",
                CreatedUtc = DateTime.UtcNow,
                Version = 1,
                ChangesRead = await database.SectionChanges.MaxAsync(change => (int?)change.Id, cancellation) ?? 0,
                Steps = [new() { Number = 0, AskJson = Text(new Ask { Term = term, Wanted = [] }) }],
            };
            database.Sketches.Add(known);
            await database.SaveChangesAsync(cancellation);
        }
        var (record, _) = await StateAsync(known, cancellation);
        await transaction.CommitAsync(cancellation);
        return record;
    }

    /// <summary>Saves a changed ask as the step after the current one; steps that could be redone are dropped.</summary>
    public Task<SketchChange> SaveAsync(Guid id, long version, Ask ask, CancellationToken cancellation) =>
        ChangeAsync(
            id,
            version,
            async row =>
            {
                if (row.TermId != ask.Term.Value)
                    return new SketchChange.OtherTerm(row.TermId);
                await database
                    .SketchSteps.Where(step => step.SketchId == id)
                    .Where(step => step.Number > row.CurrentStep || step.Number <= row.CurrentStep - StepsKept)
                    .ExecuteDeleteAsync(cancellation);
                row.CurrentStep++;
                database.SketchSteps.Add(
                    new()
                    {
                        SketchId = id,
                        Number = row.CurrentStep,
                        AskJson = Text(ask),
                    }
                );
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

    private async Task<(SketchRecord Record, Ask Ask)> StateAsync(SketchRow row, CancellationToken cancellation)
    {
        var current = await database
            .SketchSteps.AsNoTracking()
            .SingleAsync(step => step.SketchId == row.Id && step.Number == row.CurrentStep, cancellation);
        var ask = AskJson.Read(System.Text.Encoding.UTF8.GetBytes(current.AskJson)).Value;
        var record = new SketchRecord(
            row.Id,
            row.Name,
            row.TermId,
            row.Version,
            await StepExistsAsync(row.Id, row.CurrentStep - 1, cancellation),
            await StepExistsAsync(row.Id, row.CurrentStep + 1, cancellation),
            await ChangesAsync(row, ask, cancellation),
            AskDocument.Of(ask)
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

    private Task<bool> StepExistsAsync(Guid id, int number, CancellationToken cancellation) =>
        database.SketchSteps.AnyAsync(step => step.SketchId == id && step.Number == number, cancellation);

    private static string Text(Ask ask) => System.Text.Encoding.UTF8.GetString(AskJson.Write(ask));
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
