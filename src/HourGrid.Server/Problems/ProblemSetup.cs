using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;
using HourGrid.Formats.Json;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Problems;

/// <summary>Says what went wrong as RFC 9457 problem details.</summary>
internal static class ProblemSetup
{
    public static void AddProblems(this IServiceCollection services)
    {
        services.AddProblemDetails();
        services.AddExceptionHandler<AskProblems>();
    }
}

/// <summary>Problems with what was asked: each names its place, what was found and what was expected.</summary>
internal sealed class AskProblems(IProblemDetailsService problems) : IExceptionHandler
{
    public async ValueTask<bool> TryHandleAsync(
        HttpContext httpContext,
        Exception exception,
        CancellationToken cancellationToken
    )
    {
        if (exception is OperationCanceledException && httpContext.RequestAborted.IsCancellationRequested)
        {
            // The client has left; nobody reads the answer.
            httpContext.Response.StatusCode = StatusCodes.Status499ClientClosedRequest;
            return true;
        }
        if (DetailsOf(exception) is not { } details)
            return false;
        httpContext.Response.StatusCode = details.Status!.Value;
        await problems.WriteAsync(new() { HttpContext = httpContext, ProblemDetails = details });
        return true;
    }

    private static ProblemDetails? DetailsOf(Exception exception) =>
        exception switch
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
                Detail = refused.Message,
                Extensions = { ["path"] = refused.Path },
            },
            AskTooLargeException tooLarge => new()
            {
                Status = StatusCodes.Status422UnprocessableEntity,
                Title = "This is too large to answer.",
                Detail = tooLarge.Message,
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
