using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;
using HourGrid.Formats.Json;
using HourGrid.Server.Computing;
using HourGrid.Server.Hosting;
using HourGrid.Server.Requests;
using HourGrid.Server.Workbench;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HourGrid.Server.LineUp;

/// <summary>Answers about timetables that were put by.</summary>
internal static class PutByEndpoints
{
    private const int MostNames = 200;

    public static void MapPutBy(this IEndpointRouteBuilder api)
    {
        var answers = api.MapGroup("/answers").RequireAuthorization().InTurn();
        answers.MapPost("/put-by", PutBy).WithName("PutBy").ReadsBody(typeof(PutByRequest)).ProducesProblems();
        answers.MapPost("/compared", Compare).WithName("Compare").ReadsBody(typeof(PutByRequest)).ProducesProblems();
        answers.MapPost("/survival", Survival).WithName("Survival").ReadsBody(typeof(HeldRequest)).ProducesProblems();
        answers.MapPost("/nearest", Nearest).WithName("Nearest").ReadsBody(typeof(HeldRequest)).ProducesProblems();
        answers.MapPost("/place", Place).WithName("Place").ReadsBody(typeof(HeldRequest)).ProducesProblems();
        answers.MapPost("/name", Name).WithName("ProposeName").ReadsBody(typeof(NameRequest)).ProducesProblems();
    }

    private static PutByStatesRecord PutBy(RequestBody body, PutByService held, CancellationToken cancellation) =>
        new(held.States(body.Ask(), body.PutBy("timetables"), cancellation));

    private static Results<Ok<ComparisonRecord>, ProblemHttpResult> Compare(RequestBody body, PutByService held)
    {
        var timetables = body.PutBy("timetables");
        return timetables.Count is 0 or > TermPicks.MostInLineUp
            ? TypedResults.Problem(
                statusCode: StatusCodes.Status422UnprocessableEntity,
                detail: $"timetables: found {timetables.Count}, expected 1 to {TermPicks.MostInLineUp}."
            )
            : TypedResults.Ok(held.Compare(body.Ask(), timetables));
    }

    private static Results<Ok<SurvivalRecord>, ProblemHttpResult> Survival(
        RequestBody body,
        PutByService held,
        CancellationToken cancellation
    )
    {
        var ask = body.Ask();
        return held.Survival(ask, Sections(body, held, ask), cancellation) is { } survival
            ? TypedResults.Ok(survival)
            : TypedResults.Problem(
                statusCode: StatusCodes.Status422UnprocessableEntity,
                detail: "sections: they are no timetable (any more)."
            );
    }

    private static NearestRecord Nearest(RequestBody body, PutByService held, CancellationToken cancellation) =>
        held.Nearest(body.Ask(), body.Sections(), cancellation);

    private static PlaceRecord Place(RequestBody body, AnswerService answers, CancellationToken cancellation) =>
        answers.Place(body.Ask(), body.Sections(), cancellation);

    private static NameRecord Name(RequestBody body, PutByService held, CancellationToken cancellation)
    {
        var ask = body.Ask();
        return new(held.Name(ask, Sections(body, held, ask), body.Texts("taken", MostNames), cancellation));
    }

    /// <summary>Sections of which the term has at least one.</summary>
    private static IReadOnlySet<RegistrationNumber> Sections(RequestBody body, PutByService held, Core.Asking.Ask ask)
    {
        var sections = body.Sections();
        return held.HasAny(ask, sections)
            ? sections
            : throw new FormatProblemsException([new("sections", "none of this term", "registration numbers of it")]);
    }
}
