using HourGrid.Core.Requirements.Ahead;
using HourGrid.Formats.Requirements;
using HourGrid.Server.Requests;
using HourGrid.Server.Steps;

namespace HourGrid.Server.Requirements;

/// <summary>What the student put into terms ahead.</summary>
internal static class PlanEndpoints
{
    public static void MapPlan(this IEndpointRouteBuilder api)
    {
        var plan = api.MapGroup("/plan").RequireAuthorization().LimitAtOnce();
        plan.MapGet("/", OpenAsync).WithName("Plan");
        plan.MapPut("/", SaveAsync).WithName("SavePlan").ProducesStale<StalePlanProblem>();
        plan.MapGet("/file", FileAsync).WithName("PlanFile");
        plan.MapPost("/file", (Body<AheadPlan> body) => PlanDocument.Of(body.Value)).WithName("ReadPlanFile");
        MapStep("undo", "UndoPlan", -1);
        MapStep("redo", "RedoPlan", 1);

        void MapStep(string way, string name, int direction) =>
            plan.MapPost(
                    way,
                    (Body<StepRequest> body, PlanService plans, CancellationToken cancellation) =>
                        plans.StepAsync(body.Value.Version, direction, cancellation)
                )
                .WithName(name)
                .ProducesStale<StalePlanProblem>();
    }

    private static Task<PlanRecord> OpenAsync(PlanService plans, CancellationToken cancellation) =>
        plans.OpenAsync(cancellation);

    private static async Task<FileContentHttpResult> FileAsync(PlanService plans, CancellationToken cancellation) =>
        TypedResults.File(
            PlanJson.WriteFile((await plans.OpenAsync(cancellation)).Plan),
            "application/json",
            "terms-ahead.plan.json"
        );

    private static Task<PlanRecord> SaveAsync(
        Body<SavePlanRequest> body,
        PlanService plans,
        CancellationToken cancellation
    ) => plans.SaveAsync(body.Value.Version, body.Value.Plan, cancellation);
}

/// <param name="Version">Grows with every change; 0 before the first.</param>
/// <param name="CanUndo">Whether there is a change to undo.</param>
/// <param name="CanRedo">Whether there is one to redo.</param>
/// <param name="Plan">What stands in which term.</param>
internal sealed record PlanRecord(long Version, bool CanUndo, bool CanRedo, PlanDocument Plan);

/// <param name="Version">The version that was changed.</param>
/// <param name="Plan">All of it after the change.</param>
internal sealed record SavePlanRequest(long Version, AheadPlan Plan);

/// <summary>A change to an older version, with the plan of now.</summary>
internal sealed class StalePlanProblem : ProblemDetails
{
    public required PlanRecord Plan { get; init; }
}
