using HourGrid.Data;
using HourGrid.Data.Sketches;
using HourGrid.Server.Requests;
using HourGrid.Server.Students;
using HourGrid.Server.Wording;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Steps;

/// <summary>
/// Keeps what a student's steps of undo take within bounds: the oldest go for new ones. What holds now never goes.
/// </summary>
internal sealed class StepQuota(HourGridContext database, CurrentStudent student, StepSizes sizes)
{
    /// <summary>Characters that all steps of a student may take, of sketches and of what is picked.</summary>
    private const long Most = 20_000_000;

    /// <summary>Makes room for a step, within the transaction that adds it.</summary>
    /// <param name="size">The characters it takes.</param>
    /// <param name="cancellation">Stops before anything is written.</param>
    /// <exception cref="RefusedException">What holds now takes all there is.</exception>
    public async Task MakeAsync(int size, CancellationToken cancellation)
    {
        if (sizes.MostOf(student.Id) + size <= Most)
        {
            sizes.Add(student.Id, size);
            return;
        }
        var taken = await TakenAsync(cancellation);
        sizes.Set(student.Id, taken + size);
        var over = taken + size - Most;
        if (over <= 0)
            return;
        var sketches = await Mine()
            .OrderByDescending(row => row.IsDeleted)
            .ThenBy(row => row.OpenedUtc)
            .Select(row => new
            {
                row.Id,
                row.CurrentStep,
                row.IsDeleted,
            })
            .ToListAsync(cancellation);
        // A deleted sketch goes whole, or deleting one would give no room.
        foreach (var sketch in sketches.Where(sketch => sketch.IsDeleted).TakeWhile(_ => over > 0))
        {
            over -= await database
                .SketchSteps.Where(step => step.SketchId == sketch.Id)
                .SumAsync(step => (long)step.Size, cancellation);
            await Mine().Where(row => row.Id == sketch.Id).ExecuteDeleteAsync(cancellation);
        }
        foreach (var sketch in sketches.Where(sketch => !sketch.IsDeleted))
            over -= await DropAsync(
                database.SketchSteps.Where(step => step.SketchId == sketch.Id && step.Number != sketch.CurrentStep),
                over,
                cancellation
            );
        var picks = await database
            .Picks.AsNoTracking()
            .Where(row => row.StudentId == student.Id)
            .ToListAsync(cancellation);
        foreach (var row in picks)
            over -= await DropAsync(
                database.PicksSteps.Where(step =>
                    step.StudentId == student.Id && step.TermId == row.TermId && step.Number != row.CurrentStep
                ),
                over,
                cancellation
            );
        if (
            await database
                .Plans.AsNoTracking()
                .SingleOrDefaultAsync(row => row.StudentId == student.Id, cancellation) is
            { } plan
        )
            over -= await DropAsync(
                database.PlanSteps.Where(step => step.StudentId == student.Id && step.Number != plan.CurrentStep),
                over,
                cancellation
            );
        if (over > 0)
            throw Refusals.NoRoom();
    }

    /// <summary>Drops the oldest of some steps until there is room, or none of them is left; what that gave.</summary>
    private static async Task<long> DropAsync<T>(IQueryable<T> steps, long over, CancellationToken cancellation)
        where T : class, IStepRow
    {
        var dropped = 0L;
        var last = -1;
        var sizes = steps.OrderBy(step => step.Number).Select(step => new { step.Number, step.Size });
        foreach (var step in over > 0 ? await sizes.ToListAsync(cancellation) : [])
        {
            if (dropped >= over)
                break;
            dropped += step.Size;
            last = step.Number;
        }
        await steps.Where(step => step.Number <= last).ExecuteDeleteAsync(cancellation);
        return dropped;
    }

    private async Task<long> TakenAsync(CancellationToken cancellation) =>
        await database
            .SketchSteps.Where(step => Mine().Any(row => row.Id == step.SketchId))
            .SumAsync(step => (long)step.Size, cancellation)
        + await database
            .PicksSteps.Where(step => step.StudentId == student.Id)
            .SumAsync(step => (long)step.Size, cancellation)
        + await database
            .PlanSteps.Where(step => step.StudentId == student.Id)
            .SumAsync(step => (long)step.Size, cancellation);

    private IQueryable<SketchRow> Mine() => database.Sketches.Where(row => row.StudentId == student.Id);
}
