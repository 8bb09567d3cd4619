using System.Globalization;
using System.Text.Json;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Json;
using HourGrid.Server.Hosting;
using HourGrid.Server.Students;

namespace HourGrid.Server.Answers;

/// <summary>Answers to asks that are not saved: a drag in progress, and the pages of a walk.</summary>
internal static class AnswerEndpoints
{
    private const int LargestPage = 100;

    public static void MapAnswers(this IEndpointRouteBuilder api)
    {
        var answers = api.MapGroup("/answers").RequireAuthorization().LimitAnswers();
        answers.MapPost("/", Answer).WithName("Answer").ReadsBody(typeof(AnswerRequest)).ProducesProblems();
        answers
            .MapPost("/timetables", Timetables)
            .WithName("Timetables")
            .ReadsBody(typeof(PageRequest))
            .ProducesProblems();
        answers
            .MapPost("/week-shapes", WeekShapes)
            .WithName("WeekShapes")
            .ReadsBody(typeof(PageRequest))
            .ProducesProblems();
    }

    public static T ProducesProblems<T>(this T endpoint)
        where T : IEndpointConventionBuilder
    {
        foreach (var status in new[] { StatusCodes.Status400BadRequest, StatusCodes.Status422UnprocessableEntity })
            endpoint.WithMetadata(
                new Microsoft.AspNetCore.Mvc.ProducesResponseTypeAttribute(
                    typeof(Microsoft.AspNetCore.Mvc.ProblemDetails),
                    status,
                    "application/problem+json"
                )
            );
        return endpoint;
    }

    private static AnswerRecord Answer(JsonElement body, AnswerRoom room, CancellationToken cancellation) =>
        room.Answer(RequestBody.Ask(body), RequestBody.Held(body), cancellation);

    private static TimetablesRecord Timetables(JsonElement body, AnswerRoom room, CancellationToken cancellation)
    {
        var (first, count) = Page(body);
        return room.Timetables(RequestBody.Ask(body), first, count, cancellation);
    }

    private static TimetablesRecord WeekShapes(JsonElement body, AnswerRoom room, CancellationToken cancellation)
    {
        var (first, count) = Page(body);
        return room.WeekShapes(RequestBody.Ask(body), first, count, cancellation);
    }

    private static (UInt128 First, int Count) Page(JsonElement body) =>
        (
            RequestBody.Field(
                body,
                "first",
                field =>
                    field.ValueKind == JsonValueKind.String
                    && UInt128.TryParse(
                        field.GetString(),
                        NumberStyles.None,
                        CultureInfo.InvariantCulture,
                        out var first
                    )
                        ? first
                        : (UInt128?)null,
                "a whole number, 0 or more, as text"
            ),
            RequestBody.Field(
                body,
                "count",
                field =>
                    field.ValueKind == JsonValueKind.Number
                    && field.TryGetInt32(out var count)
                    && count is >= 1 and <= LargestPage
                        ? count
                        : (int?)null,
                $"a whole number, 1 to {LargestPage}"
            )
        );
}
