using HourGrid.Server.Computing;
using HourGrid.Server.Requests;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Workbench;

/// <summary>Answers to asks, saved or not: the count first, and what takes longer each by itself.</summary>
internal static class AnswerEndpoints
{
    public const int LargestPage = 100;

    public static void MapAnswers(this IEndpointRouteBuilder api)
    {
        var answers = api.MapGroup("/answers").RequireAuthorization().InTurn();
        answers.MapPost("/", Answer).WithName("Answer");
        answers.MapPost("/at-once", AtOnce).WithName("AnswerAtOnce");
        answers.MapPost("/week-shapes", WeekShapes).WithName("WeekShapes");
        answers.MapPost("/spread", Spread).WithName("Spread");
        answers.MapPost("/fewest-changes", FewestChanges).WithName("FewestChanges");
        answers.MapPost("/look-alikes", LookAlikes).WithName("LookAlikes");
        answers.MapPost("/costs", Costs).WithName("Costs");
        answers.MapPost("/standings", Standings).WithName("Standings");
        answers.MapPost("/nearest-week", NearestWeek).WithName("NearestWeek");
        answers.MapPost("/why-none", WhyNone).WithName("WhyNone");
    }

    private static AnswerRecord Answer(
        Body<AnswerRequest> body,
        AnswerService answers,
        CancellationToken cancellation
    ) => answers.Answer(body.Value.Ask, cancellation);

    private static AnswerRecord AtOnce(
        Body<AnswerRequest> body,
        AnswerService answers,
        CancellationToken cancellation
    ) => answers.AnswerAtOnce(body.Value.Ask, cancellation);

    private static RankedPage WeekShapes(
        Body<PageRequest> body,
        AnswerService answers,
        CancellationToken cancellation
    ) => answers.WeekShapes(body.Value.Ask, body.Value.First, body.Value.Count, cancellation);

    private static RankedPage Spread(
        Body<SpreadRequest> body,
        AnswerService answers,
        CancellationToken cancellation
    ) => answers.MostDifferent(body.Value.Ask, body.Value.Count, cancellation);

    private static ChangedPage FewestChanges(
        Body<SpreadRequest> body,
        AnswerService answers,
        CancellationToken cancellation
    ) => answers.FewestChanges(body.Value.Ask, body.Value.Count, cancellation);

    private static RankedPage LookAlikes(
        Body<SectionsRequest> body,
        AnswerService answers,
        CancellationToken cancellation
    ) =>
        answers.LookAlikes(body.Value.Ask, body.Value.Sections, LargestPage, cancellation)
        ?? throw Refusals.NoTimetableOfAsk();

    private static CostsRecord Costs(
        Body<AnswerRequest> body,
        AnswerService answers,
        CancellationToken cancellation
    ) => answers.Costs(body.Value.Ask, cancellation);

    private static StandingsRecord Standings(
        Body<AnswerRequest> body,
        AnswerService answers,
        CancellationToken cancellation
    ) => answers.Standings(body.Value.Ask, cancellation);

    private static NearestWeekRecord NearestWeek(
        Body<AnswerRequest> body,
        AnswerService answers,
        CancellationToken cancellation
    ) => answers.NearestWeek(body.Value.Ask, cancellation);

    private static WhyRecord WhyNone(
        Body<AnswerRequest> body,
        AnswerService answers,
        CancellationToken cancellation
    ) => answers.WhyNone(body.Value.Ask, cancellation) ?? throw Refusals.NothingToExplain();
}
