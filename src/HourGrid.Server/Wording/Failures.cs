using HourGrid.Core.Asking;
using HourGrid.Formats.Json;
using HourGrid.Formats.Wording;
using HourGrid.Server.Requests;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Wording;

/// <summary>What a sender is told of failures that know nothing of requests.</summary>
internal static class Failures
{
    /// <summary>What is said where nothing more is known than the status.</summary>
    public static string SentenceOf(int? status) =>
        status switch
        {
            StatusCodes.Status401Unauthorized => "This browser is not known; a visit makes it known.",
            StatusCodes.Status404NotFound => "There is nothing at this address.",
            StatusCodes.Status405MethodNotAllowed => "This address does not take such a request.",
            >= StatusCodes.Status500InternalServerError => "Something went wrong in Hour Grid. Nothing was changed.",
            _ => "The request was not answered.",
        };

    /// <summary>The refusal that a failure means; null where it is nobody's fault but ours.</summary>
    public static RefusedException? Of(Exception failure) => DetailsOf(failure) is { } details ? new(details) : null;

    private static ProblemDetails? DetailsOf(Exception failure) =>
        failure switch
        {
            FormatProblemsException format => new()
            {
                Status = StatusCodes.Status400BadRequest,
                Title = "The request cannot be read.",
                Detail = format.Message,
                Extensions =
                {
                    ["problems"] = format
                        .Problems.Select(problem => new
                        {
                            path = problem.Path,
                            found = problem.Found,
                            expected = problem.Expected,
                        })
                        .ToArray(),
                },
            },
            AskRefusedException refused => new()
            {
                Status = StatusCodes.Status422UnprocessableEntity,
                Title = "This cannot be answered.",
                Detail = AskWords.Of(refused),
                Extensions = { ["path"] = refused.Path },
            },
            AskTooLargeException tooLarge => new()
            {
                Status = StatusCodes.Status422UnprocessableEntity,
                Title = "This is too large to answer.",
                Detail = AskWords.Of(tooLarge),
            },
            BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge } => new()
            {
                Status = StatusCodes.Status413PayloadTooLarge,
                Title = "The request is too large.",
                Detail = $"The body is larger than {BodyText.LargestInBytes} bytes; no more are read.",
            },
            BadHttpRequestException bad => new()
            {
                Status = bad.StatusCode,
                Title = "The request cannot be read.",
                Detail = bad.InnerException?.Message ?? bad.Message,
            },
            DbUpdateException or SqliteException => new()
            {
                Status = StatusCodes.Status503ServiceUnavailable,
                Title = "The database did not take it.",
                Detail = "It could not be saved: the database of Hour Grid did not take it. Nothing was changed.",
            },
            _ => null,
        };
}
