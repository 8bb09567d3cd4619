using System.Globalization;
using HourGrid.Server.Wording;
using Microsoft.AspNetCore.Diagnostics;

namespace HourGrid.Server.Requests;

/// <summary>Says what went wrong as RFC 9457 problem details.</summary>
internal static class ProblemSetup
{
    public static void AddProblems(this IServiceCollection services)
    {
        services.AddProblemDetails(options =>
            options.CustomizeProblemDetails = context =>
                context.ProblemDetails.Detail ??= Failures.SentenceOf(context.ProblemDetails.Status)
        );
        services.AddExceptionHandler<ProblemAnswers>();
    }
}

/// <summary>Answers with what is wrong with a request: its place, what was found and what was expected.</summary>
internal sealed class ProblemAnswers(IProblemDetailsService problems) : IExceptionHandler
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
        if ((exception as RefusedException ?? Failures.Of(exception)) is not { } refused)
            return false;
        await WriteAsync(httpContext, refused, problems);
        return true;
    }

    /// <summary>The same where nothing was thrown: outside of what catches.</summary>
    public static async Task WriteAsync(HttpContext http, RefusedException refused, IProblemDetailsService problems)
    {
        http.Response.StatusCode = refused.Details.Status!.Value;
        if (refused.RetryAfter is { } wait)
            http.Response.Headers.RetryAfter = wait.TotalSeconds.ToString(CultureInfo.InvariantCulture);
        await problems.WriteAsync(new() { HttpContext = http, ProblemDetails = refused.Details });
    }
}
