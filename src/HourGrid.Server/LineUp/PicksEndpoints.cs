using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;
using HourGrid.Formats.PutBy;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Requests;
using HourGrid.Server.Steps;

namespace HourGrid.Server.LineUp;

/// <summary>What the student has picked for a term: the line-up, and the choice.</summary>
internal static class PicksEndpoints
{
    public static void MapPicks(this IEndpointRouteBuilder api)
    {
        var picks = api.MapGroup("/terms/{term}/picks").RequireAuthorization().LimitAtOnce();
        picks.MapGet("/", OpenAsync).WithName("Picks");
        picks.MapPut("/", SaveAsync).WithName("SavePicks").ProducesStale<StalePicksProblem>();
        MapStep("undo", "UndoPicks", -1);
        MapStep("redo", "RedoPicks", 1);

        void MapStep(string way, string name, int direction) =>
            picks
                .MapPost(
                    way,
                    (
                        string term,
                        Body<StepRequest> body,
                        PicksService picks,
                        CurrentCatalogue catalogue,
                        CancellationToken cancellation
                    ) => picks.StepAsync(IdOf(term, catalogue), body.Value.Version, direction, cancellation)
                )
                .WithName(name)
                .ProducesStale<StalePicksProblem>();
    }

    private static Task<PicksRecord> OpenAsync(
        string term,
        PicksService picks,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    ) => picks.OpenAsync(IdOf(term, catalogue), cancellation);

    private static Task<PicksRecord> SaveAsync(
        string term,
        Body<SavePicksRequest> body,
        PicksService picks,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    ) => picks.SaveAsync(IdOf(term, catalogue), body.Value.Version, body.Value.Picks, cancellation);

    private static TermId IdOf(string term, CurrentCatalogue catalogue) => catalogue.Get(term).Term.Id;
}

/// <param name="Version">Grows with every change; 0 before the first.</param>
/// <param name="CanUndo">Whether there is a change to undo.</param>
/// <param name="CanRedo">Whether there is one to redo.</param>
/// <param name="Picks">The line-up and the choice.</param>
internal sealed record PicksRecord(long Version, bool CanUndo, bool CanRedo, PicksDocument Picks);

/// <param name="Version">The version that was changed.</param>
/// <param name="Picks">All of it after the change.</param>
internal sealed record SavePicksRequest(long Version, TermPicks Picks);

/// <summary>A change to an older version, with what is picked now.</summary>
internal sealed class StalePicksProblem : ProblemDetails
{
    public required PicksRecord Picks { get; init; }
}
