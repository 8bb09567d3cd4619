using HourGrid.Core.Catalogue;
using HourGrid.Formats.PutBy;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Hosting;
using HourGrid.Server.Requests;
using HourGrid.Server.Workbench;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace HourGrid.Server.LineUp;

/// <summary>What the student has picked for a term: the line-up, and the choice.</summary>
internal static class PicksEndpoints
{
    public static void MapPicks(this IEndpointRouteBuilder api)
    {
        var picks = api.MapGroup("/terms/{term}/picks").RequireAuthorization().LimitAtOnce();
        picks.MapGet("/", OpenAsync).WithName("Picks");
        picks
            .MapPut("/", SaveAsync)
            .WithName("SavePicks")
            .ReadsBody(typeof(SavePicksRequest))
            .Produces<StalePicksProblem>(StatusCodes.Status409Conflict, "application/problem+json")
            .ProducesProblems();
        foreach (var (name, direction) in new[] { ("undo", -1), ("redo", 1) })
            picks
                .MapPost(
                    name,
                    (
                        string term,
                        RequestBody body,
                        PicksService desk,
                        CurrentCatalogue catalogue,
                        CancellationToken cancellation
                    ) => StepAsync(term, direction, body, desk, catalogue, cancellation)
                )
                .WithName(direction < 0 ? "UndoPicks" : "RedoPicks")
                .ReadsBody(typeof(PicksStepRequest))
                .Produces<PicksRecord>()
                .Produces<StalePicksProblem>(StatusCodes.Status409Conflict, "application/problem+json")
                .ProducesProblems();
    }

    private static async Task<Results<Ok<PicksRecord>, ProblemHttpResult>> OpenAsync(
        string term,
        PicksService desk,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    ) =>
        catalogue.Find(new TermId(term)) is { } snapshot
            ? TypedResults.Ok(await desk.OpenAsync(snapshot.Term.Id, cancellation))
            : Refusals.NoSuchTerm(term);

    private static async Task<Results<Ok<PicksRecord>, ProblemHttpResult>> SaveAsync(
        string term,
        RequestBody body,
        PicksService desk,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        if (catalogue.Find(new TermId(term)) is null)
            return Refusals.NoSuchTerm(term);
        var change = await desk.SaveAsync(new(term), body.Version(), body.Picks("picks"), cancellation);
        return Result(change);
    }

    private static async Task<Results<Ok<PicksRecord>, ProblemHttpResult>> StepAsync(
        string term,
        int direction,
        RequestBody body,
        PicksService desk,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    ) =>
        catalogue.Find(new TermId(term)) is null
            ? Refusals.NoSuchTerm(term)
            : Result(await desk.StepAsync(new(term), body.Version(), direction, cancellation));

    private static Results<Ok<PicksRecord>, ProblemHttpResult> Result(PicksChange change) =>
        change.IsSaved
            ? TypedResults.Ok(change.Picks)
            : TypedResults.Problem(
                new StalePicksProblem
                {
                    Status = StatusCodes.Status409Conflict,
                    Title = "The line-up or the choice was changed elsewhere.",
                    Detail = "Nothing was saved. What is picked now comes with this answer.",
                    Picks = change.Picks,
                }
            );
}

/// <param name="Version">Grows with every change; 0 before the first.</param>
/// <param name="CanUndo">Whether there is a change to undo.</param>
/// <param name="CanRedo">Whether there is one to redo.</param>
/// <param name="Picks">The line-up and the choice.</param>
internal sealed record PicksRecord(long Version, bool CanUndo, bool CanRedo, PicksDocument Picks);

/// <param name="Version">The version that was changed.</param>
/// <param name="Picks">All of it after the change.</param>
internal sealed record SavePicksRequest(long Version, PicksDocument Picks);

/// <param name="Version">The version from which to step.</param>
internal sealed record PicksStepRequest(long Version);

/// <summary>A change to an older version, with what is picked now.</summary>
internal sealed class StalePicksProblem : ProblemDetails
{
    public required PicksRecord Picks { get; init; }
}
