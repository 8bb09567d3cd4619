using HourGrid.Core.PutBy;
using HourGrid.Data;
using HourGrid.Data.Picks;
using HourGrid.Data.Sketches;
using HourGrid.Formats.PutBy;
using HourGrid.Formats.Sketches;
using HourGrid.Server.LineUp;
using HourGrid.Server.Steps;
using HourGrid.Server.Workbench;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.SignIn;

/// <summary>
/// Takes along what a browser made before its student signed in: its sketches stand beside those there were, its line-up
/// joins the other, and its choice holds where there was none, else is put by.
/// </summary>
internal sealed class Adoption(HourGridContext database, StepSizes sizes)
{
    /// <summary>Does it within the transaction that is under way.</summary>
    /// <param name="browser">The student that the browser was.</param>
    /// <param name="person">The student of the person.</param>
    /// <param name="cancellation">Stops before anything is committed.</param>
    public async Task AdoptAsync(Guid browser, Guid person, CancellationToken cancellation)
    {
        var sketches = await database
            .Sketches.Where(row => row.StudentId == browser)
            .OrderBy(row => row.Place)
            .ToListAsync(cancellation);
        foreach (var sketch in sketches)
        {
            if (await IsUntouchedAsync(sketch, cancellation))
                continue;
            sketch.StudentId = person;
            sketch.Place += await NextPlaceAsync(person, sketch.TermId, cancellation);
        }
        var picks = await database.Picks.Where(row => row.StudentId == browser).ToListAsync(cancellation);
        foreach (var row in picks)
            await AdoptPicksAsync(row, person, sketches, cancellation);
        await database.SaveChangesAsync(cancellation);
        sizes.Forget(person);
        await database
            .CalendarAddresses.Where(row => row.StudentId == browser)
            .Where(row => !database.CalendarAddresses.Any(own => own.StudentId == person && own.TermId == row.TermId))
            .ExecuteUpdateAsync(set => set.SetProperty(row => row.StudentId, person), cancellation);
    }

    /// <summary>A first sketch in which nothing was ever done: every visitor has one.</summary>
    private async Task<bool> IsUntouchedAsync(SketchRow sketch, CancellationToken cancellation)
    {
        if (sketch.Version > 1)
            return false;
        var step = await CurrentAsync(sketch, cancellation);
        return SketchRows.AskOf(sketch, step).Value.Wanted.Count == 0
            && PutByJson.StoredShortlist(step.ShortlistJson).Value.Count == 0;
    }

    private Task<SketchStepRow> CurrentAsync(SketchRow sketch, CancellationToken cancellation) =>
        database.SketchSteps.SingleAsync(
            step => step.SketchId == sketch.Id && step.Number == sketch.CurrentStep,
            cancellation
        );

    private async Task<int> NextPlaceAsync(Guid person, string term, CancellationToken cancellation) =>
        await database
            .Sketches.Where(row => row.StudentId == person && row.TermId == term)
            .MaxAsync(row => (int?)row.Place, cancellation) + 1
        ?? 0;

    private async Task AdoptPicksAsync(
        PicksRow row,
        Guid person,
        IReadOnlyList<SketchRow> sketches,
        CancellationToken cancellation
    )
    {
        var made = await PicksAsync(row, cancellation);
        var own = await database.Picks.SingleOrDefaultAsync(
            other => other.StudentId == person && other.TermId == row.TermId,
            cancellation
        );
        if (own is null)
        {
            database.Picks.Add(
                new()
                {
                    StudentId = person,
                    TermId = row.TermId,
                    Version = 1,
                    Steps = [PicksSteps.Of(person, row.TermId, 0, made)],
                }
            );
            return;
        }
        var had = await PicksAsync(own, cancellation);
        var both = had with
        {
            LineUp = [.. had.LineUp.Concat(made.LineUp).Distinct().Take(TermPicks.MostInLineUp)],
            Choice = had.Choice ?? made.Choice,
        };
        if (had.Choice is not null && made.Choice is { } second)
            await PutByAsync(second, sketches, cancellation);
        own.CurrentStep++;
        own.Version++;
        await database
            .PicksSteps.Where(step => step.StudentId == person && step.TermId == own.TermId)
            .Where(step => step.Number >= own.CurrentStep)
            .ExecuteDeleteAsync(cancellation);
        database.PicksSteps.Add(PicksSteps.Of(person, own.TermId, own.CurrentStep, both));
    }

    /// <summary>Keeps the second of two choices on the shortlist that it came from.</summary>
    private async Task PutByAsync(Choice choice, IReadOnlyList<SketchRow> sketches, CancellationToken cancellation)
    {
        if (sketches.FirstOrDefault(row => row.Id == choice.Sketch) is not { } sketch)
            return;
        var step = await CurrentAsync(sketch, cancellation);
        var shortlist = PutByJson.StoredShortlist(step.ShortlistJson).Value;
        if (shortlist.Any(one => one.Id == choice.Timetable.Id))
            return;
        // A step like any other: it can be undone, counts for the student's room, and a window with an older version sees it.
        var content = new SketchContent(
            step.Name,
            SketchRows.AskOf(sketch, step).Value,
            [.. shortlist, choice.Timetable]
        );
        await database
            .SketchSteps.Where(one => one.SketchId == sketch.Id && one.Number > sketch.CurrentStep)
            .ExecuteDeleteAsync(cancellation);
        sketch.CurrentStep++;
        sketch.Version++;
        database.SketchSteps.Add(SketchRows.Step(sketch.Id, sketch.CurrentStep, content));
    }

    private async Task<TermPicks> PicksAsync(PicksRow row, CancellationToken cancellation)
    {
        var step = await database
            .PicksSteps.AsNoTracking()
            .SingleAsync(
                one => one.StudentId == row.StudentId && one.TermId == row.TermId && one.Number == row.CurrentStep,
                cancellation
            );
        return PicksSteps.PicksIn(step);
    }
}
