using HourGrid.Core.Asking;
using HourGrid.Formats.Json;
using HourGrid.Server.Computing;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Requests;

/// <summary>Says what went wrong as RFC 9457 problem details.</summary>
internal static class ProblemSetup
{
    public static void AddProblems(this IServiceCollection services)
    {
        services.AddProblemDetails(options =>
            options.CustomizeProblemDetails = context =>
                context.ProblemDetails.Detail ??= SentenceOf(context.ProblemDetails.Status)
        );
        services.AddExceptionHandler<AskProblems>();
    }

    /// <summary>What is said where nothing more is known than the status.</summary>
    private static string SentenceOf(int? status) =>
        status switch
        {
            StatusCodes.Status401Unauthorized => "This browser is not known; a visit makes it known.",
            StatusCodes.Status404NotFound => "There is nothing at this address.",
            StatusCodes.Status405MethodNotAllowed => "This address does not take such a request.",
            >= StatusCodes.Status500InternalServerError => "Something went wrong in Hour Grid. Nothing was changed.",
            _ => "The request was not answered.",
        };
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
        if (exception is BusyException busy)
        {
            await RequestLimits.RefuseAsync(httpContext, (int)BusyException.RetryAfter.TotalSeconds, busy.Message);
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
            NoRoomException full => new()
            {
                Status = StatusCodes.Status422UnprocessableEntity,
                Title = "There is no room for it.",
                Detail = full.Message,
            },
            AskTooLargeException tooLarge => new()
            {
                Status = StatusCodes.Status422UnprocessableEntity,
                Title = "This is too large to answer.",
                Detail = tooLarge.Message,
            },
            BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge } => new()
            {
                Status = StatusCodes.Status413PayloadTooLarge,
                Title = "The request is too large.",
                Detail = $"The body is larger than {RequestBody.LargestInBytes} bytes; no more are read.",
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
