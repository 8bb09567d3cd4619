using System.Text.Json;
using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;
using HourGrid.Formats.Json;
using HourGrid.Server.Hosting;
using HourGrid.Server.Students;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HourGrid.Server.Answers;

/// <summary>Answers about timetables that were put by.</summary>
internal static class HeldEndpoints
{
    private const int MostNames = 200;

    public static void MapHeld(this IEndpointRouteBuilder api)
    {
        var answers = api.MapGroup("/answers").RequireAuthorization().LimitAnswers();
        answers.MapPost("/put-by", PutBy).WithName("PutBy").ReadsBody(typeof(PutByRequest)).ProducesProblems();
        answers.MapPost("/compared", Compare).WithName("Compare").ReadsBody(typeof(PutByRequest)).ProducesProblems();
        answers.MapPost("/survival", Survival).WithName("Survival").ReadsBody(typeof(HeldRequest)).ProducesProblems();
        answers.MapPost("/nearest", Nearest).WithName("Nearest").ReadsBody(typeof(HeldRequest)).ProducesProblems();
        answers.MapPost("/place", Place).WithName("Place").ReadsBody(typeof(HeldRequest)).ProducesProblems();
        answers.MapPost("/name", Name).WithName("ProposeName").ReadsBody(typeof(NameRequest)).ProducesProblems();
    }

    private static PutByStatesRecord PutBy(JsonElement body, HeldRoom held, CancellationToken cancellation) =>
        new(held.States(RequestBody.Ask(body), RequestBody.PutBy(body, "timetables"), cancellation));

    private static Results<Ok<ComparisonRecord>, ProblemHttpResult> Compare(JsonElement body, HeldRoom held)
    {
        var timetables = RequestBody.PutBy(body, "timetables");
        return timetables.Count is 0 or > TermPicks.MostInLineUp
            ? TypedResults.Problem(
                statusCode: StatusCodes.Status422UnprocessableEntity,
                detail: $"timetables: found {timetables.Count}, expected 1 to {TermPicks.MostInLineUp}."
            )
            : TypedResults.Ok(held.Compare(RequestBody.Ask(body), timetables));
    }

    private static Results<Ok<SurvivalRecord>, ProblemHttpResult> Survival(
        JsonElement body,
        HeldRoom held,
        CancellationToken cancellation
    )
    {
        var ask = RequestBody.Ask(body);
        return held.Survival(ask, Sections(body, held, ask), cancellation) is { } survival
            ? TypedResults.Ok(survival)
            : TypedResults.Problem(
                statusCode: StatusCodes.Status422UnprocessableEntity,
                detail: "sections: they are no timetable (any more)."
            );
    }

    private static NearestRecord Nearest(JsonElement body, HeldRoom held, CancellationToken cancellation) =>
        held.Nearest(RequestBody.Ask(body), RequestBody.Sections(body), cancellation);

    private static PlaceRecord Place(JsonElement body, AnswerRoom room, CancellationToken cancellation) =>
        room.Place(RequestBody.Ask(body), RequestBody.Sections(body), cancellation);

    private static NameRecord Name(JsonElement body, HeldRoom held, CancellationToken cancellation)
    {
        var ask = RequestBody.Ask(body);
        return new(
            held.Name(ask, Sections(body, held, ask), RequestBody.Texts(body, "taken", MostNames), cancellation)
        );
    }

    /// <summary>Sections of which the term has at least one.</summary>
    private static IReadOnlySet<RegistrationNumber> Sections(JsonElement body, HeldRoom held, Core.Asking.Ask ask)
    {
        var sections = RequestBody.Sections(body);
        return held.HasAny(ask, sections)
            ? sections
            : throw new FormatProblemsException([new("sections", "none of this term", "registration numbers of it")]);
    }
}
