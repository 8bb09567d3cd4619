using HourGrid.Server.Computing;
using HourGrid.Server.Hosting;
using HourGrid.Server.Requests;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace HourGrid.Server.Workbench;

/// <summary>Answers to asks, saved or not: the count first, and what takes longer each by itself.</summary>
internal static class AnswerEndpoints
{
    private const int LargestPage = 100;
    private const int MostSections = 100;

    public static void MapAnswers(this IEndpointRouteBuilder api)
    {
        var answers = api.MapGroup("/answers").RequireAuthorization().InTurn();
        answers.MapPost("/", Answer).WithName("Answer").ReadsBody(typeof(AnswerRequest)).ProducesProblems();
        answers
            .MapPost("/at-once", AtOnce)
            .WithName("AnswerAtOnce")
            .ReadsBody(typeof(AnswerRequest))
            .ProducesProblems();
        answers
            .MapPost("/week-shapes", WeekShapes)
            .WithName("WeekShapes")
            .ReadsBody(typeof(PageRequest))
            .ProducesProblems();
        answers.MapPost("/spread", Spread).WithName("Spread").ReadsBody(typeof(SpreadRequest)).ProducesProblems();
        answers
            .MapPost("/look-alikes", LookAlikes)
            .WithName("LookAlikes")
            .ReadsBody(typeof(LookAlikesRequest))
            .ProducesProblems();
        answers.MapPost("/costs", Costs).WithName("Costs").ReadsBody(typeof(AnswerRequest)).ProducesProblems();
        answers
            .MapPost("/standings", Standings)
            .WithName("Standings")
            .ReadsBody(typeof(AnswerRequest))
            .ProducesProblems();
        answers
            .MapPost("/nearest-week", NearestWeek)
            .WithName("NearestWeek")
            .ReadsBody(typeof(AnswerRequest))
            .ProducesProblems();
        answers.MapPost("/why-none", WhyNone).WithName("WhyNone").ReadsBody(typeof(AnswerRequest)).ProducesProblems();
    }

    public static T ProducesProblems<T>(this T endpoint)
        where T : IEndpointConventionBuilder
    {
        foreach (var status in new[] { StatusCodes.Status400BadRequest, StatusCodes.Status422UnprocessableEntity })
            endpoint.WithMetadata(
                new ProducesResponseTypeAttribute(typeof(ProblemDetails), status, "application/problem+json")
            );
        return endpoint;
    }

    private static AnswerRecord Answer(RequestBody body, AnswerService answers, CancellationToken cancellation) =>
        answers.Answer(body.Ask(), cancellation);

    private static AnswerRecord AtOnce(RequestBody body, AnswerService answers, CancellationToken cancellation) =>
        answers.AnswerAtOnce(body.Ask(), cancellation);

    private static RankedPage WeekShapes(RequestBody body, AnswerService answers, CancellationToken cancellation) =>
        answers.WeekShapes(
            body.Ask(),
            body.Whole("first", 0, AnsweredAsk.MostListed),
            body.Whole("count", 1, LargestPage),
            cancellation
        );

    private static RankedPage Spread(RequestBody body, AnswerService answers, CancellationToken cancellation) =>
        answers.MostDifferent(body.Ask(), body.Whole("count", 1, LargestPage), cancellation);

    private static Results<Ok<RankedPage>, ProblemHttpResult> LookAlikes(
        RequestBody body,
        AnswerService answers,
        CancellationToken cancellation
    ) =>
        answers.LookAlikes(body.Ask(), body.Texts("sections", MostSections), LargestPage, cancellation) is { } page
            ? TypedResults.Ok(page)
            : TypedResults.Problem(
                statusCode: StatusCodes.Status422UnprocessableEntity,
                detail: "sections: they are no timetable of this ask."
            );

    private static CostsRecord Costs(RequestBody body, AnswerService answers, CancellationToken cancellation) =>
        answers.Costs(body.Ask(), cancellation);

    private static StandingsRecord Standings(
        RequestBody body,
        AnswerService answers,
        CancellationToken cancellation
    ) => answers.Standings(body.Ask(), cancellation);

    private static NearestWeekRecord NearestWeek(
        RequestBody body,
        AnswerService answers,
        CancellationToken cancellation
    ) => answers.NearestWeek(body.Ask(), cancellation);

    private static Results<Ok<WhyRecord>, ProblemHttpResult> WhyNone(
        RequestBody body,
        AnswerService answers,
        CancellationToken cancellation
    ) =>
        answers.WhyNone(body.Ask(), cancellation) is { } why
            ? TypedResults.Ok(why)
            : TypedResults.Problem(
                statusCode: StatusCodes.Status422UnprocessableEntity,
                detail: "There is a timetable; there is nothing to explain."
            );
}
