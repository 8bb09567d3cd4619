using System.Net;
using System.Text.Json;
using HourGrid.Core.Records;
using HourGrid.Formats.Json;
using HourGrid.Formats.Records;
using HourGrid.Server.Wording;
using Polly.CircuitBreaker;
using Polly.Timeout;

namespace HourGrid.Server.Registrar;

/// <summary>
/// The registrar's service, over HTTP alone. Whatever goes wrong there, down, slow or no sense, is one thing here: it does
/// not answer.
/// </summary>
internal sealed class RegistrarClient(HttpClient http)
{
    /// <summary>A student's record as it is now; null where the registrar knows no such student.</summary>
    /// <exception cref="RegistrarSilentException">It does not answer.</exception>
    public Task<StudentRecord?> RecordAsync(string student, CancellationToken cancellation) =>
        AskAsync(
            async () =>
            {
                using var response = await http.GetAsync(
                    new Uri($"students/{Uri.EscapeDataString(student)}/record", UriKind.Relative),
                    cancellation
                );
                if (response.StatusCode == HttpStatusCode.NotFound)
                    return null;
                response.EnsureSuccessStatusCode();
                return RecordJson.Read(await response.Content.ReadAsByteArrayAsync(cancellation)).Value;
            },
            cancellation
        );

    /// <summary>Tells the registrar that a student has read what a hold asks to be read, and agrees.</summary>
    /// <exception cref="RegistrarSilentException">It does not answer.</exception>
    public Task AgreeAsync(string student, string hold, CancellationToken cancellation) =>
        AskAsync(
            async () =>
            {
                using var response = await http.PostAsync(
                    new Uri(
                        $"students/{Uri.EscapeDataString(student)}/holds/{Uri.EscapeDataString(hold)}/agreement",
                        UriKind.Relative
                    ),
                    null,
                    cancellation
                );
                if (response.StatusCode is HttpStatusCode.NotFound or HttpStatusCode.UnprocessableEntity)
                    throw Refusals.HoldNotCleared(await DetailAsync(response, cancellation));
                response.EnsureSuccessStatusCode();
                return true;
            },
            cancellation
        );

    private static async Task<string> DetailAsync(HttpResponseMessage response, CancellationToken cancellation)
    {
        var problem = await response.Content.ReadFromJsonAsync<ProblemDetails>(cancellation);
        return problem?.Detail ?? throw new JsonException();
    }

    private static async Task<T> AskAsync<T>(Func<Task<T>> ask, CancellationToken cancellation)
    {
        try
        {
            return await ask();
        }
        catch (Exception problem)
            when (problem
                    is HttpRequestException
                        or TimeoutRejectedException
                        or BrokenCircuitException
                        or JsonException
                        or FormatProblemsException
                || (problem is OperationCanceledException && !cancellation.IsCancellationRequested)
            )
        {
            throw new RegistrarSilentException(problem);
        }
    }
}

/// <summary>The registrar is down, too slow, or answers no sense.</summary>
internal sealed class RegistrarSilentException(Exception inner) : Exception("The registrar is silent.", inner);
