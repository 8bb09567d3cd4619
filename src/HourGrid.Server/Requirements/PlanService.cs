using HourGrid.Core.Requirements.Ahead;
using HourGrid.Data;
using HourGrid.Data.Requirements;
using HourGrid.Formats.Requirements;
using HourGrid.Server.Requests;
using HourGrid.Server.Steps;
using HourGrid.Server.Students;
using HourGrid.Server.Wording;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Requirements;

/// <summary>What a student put into terms ahead.</summary>
internal sealed class PlanService(
    HourGridContext database,
    CurrentStudent student,
    StepQuota quota,
    WriteTurns writes
) : SteppedDocument<PlanRow, PlanStepRow, PlanRecord>(database, quota, writes)
{
    private readonly HourGridContext database = database;

    /// <inheritdoc/>
    protected override int StepsKept => 100;

    /// <summary>The current student's plan; nothing before the first change.</summary>
    public async Task<PlanRecord> OpenAsync(CancellationToken cancellation) =>
        await RecordAsync(await FindAsync(cancellation), cancellation);

    /// <summary>Saves the plan after a change.</summary>
    public Task<PlanRecord> SaveAsync(long version, AheadPlan plan, CancellationToken cancellation) =>
        AddStepAsync(
            () => FindAsync(cancellation),
            version,
            number => StepOf(number, plan),
            row => RecordAsync(row, cancellation),
            cancellation
        );

    /// <inheritdoc cref="SteppedDocument{TRow, TStep, TRecord}.MoveAsync"/>
    public Task<PlanRecord> StepAsync(long version, int direction, CancellationToken cancellation) =>
        MoveAsync(() => FindAsync(cancellation), version, direction, cancellation);

    /// <inheritdoc/>
    protected override IQueryable<PlanStepRow> StepsOf(PlanRow row) =>
        database.PlanSteps.Where(step => step.StudentId == row.StudentId);

    /// <inheritdoc/>
    public override async Task<PlanRecord> RecordAsync(PlanRow row, CancellationToken cancellation)
    {
        if (IsFirst(row))
            return new(0, false, false, PlanDocument.Of(AheadPlan.None));
        var plan = PlanJson.Stored((await CurrentAsync(row, cancellation)).PlanJson).Value;
        var (canUndo, canRedo) = await WaysAsync(row, cancellation);
        return new(row.Version, canUndo, canRedo, PlanDocument.Of(plan));
    }

    /// <inheritdoc/>
    protected override RefusedException Stale(PlanRecord newer) =>
        Refusals.StalePlan(new StalePlanProblem { Plan = newer });

    /// <summary>The student's row, or a first one that is written with the first change.</summary>
    private async Task<PlanRow> FindAsync(CancellationToken cancellation)
    {
        if (await database.Plans.SingleOrDefaultAsync(row => row.StudentId == student.Id, cancellation) is { } found)
            return found;
        var first = new PlanRow { StudentId = student.Id, Steps = [StepOf(0, AheadPlan.None)] };
        database.Plans.Add(first);
        return first;
    }

    private PlanStepRow StepOf(int number, AheadPlan plan)
    {
        var json = PlanJson.Write(plan);
        return new()
        {
            StudentId = student.Id,
            Number = number,
            PlanJson = json,
            Size = json.Length,
        };
    }

    private bool IsFirst(PlanRow row) => database.Entry(row).State == EntityState.Added;
}
