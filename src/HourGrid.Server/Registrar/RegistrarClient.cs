using System.Globalization;
using System.Net;
using System.Net.Mime;
using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using System.Text.Json;
using HourGrid.Core.Catalogue;
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

    /// <summary>What a student asked instructors for in a term, and what came of it.</summary>
    /// <exception cref="RegistrarSilentException">It does not answer.</exception>
    public Task<IReadOnlyList<Permission>> PermissionsAsync(
        string student,
        TermId term,
        CancellationToken cancellation
    ) =>
        AskAsync(
            async () =>
                await http.GetFromJsonAsync<IReadOnlyList<Permission>>(
                    new Uri(
                        $"students/{Uri.EscapeDataString(student)}/permissions?term={Uri.EscapeDataString(term.Value)}",
                        UriKind.Relative
                    ),
                    Strict,
                    cancellation
                ) ?? throw new JsonException(),
            cancellation
        );

    /// <summary>Asks an instructor, or gives in a code.</summary>
    /// <exception cref="RegistrarSilentException">It does not answer.</exception>
    public Task AskPermissionAsync(PermissionRequest request, CancellationToken cancellation) =>
        AskAsync(
            async () =>
            {
                using var response = await http.PostAsJsonAsync(
                    new Uri("permissions", UriKind.Relative),
                    request,
                    JsonSerializerOptions.Web,
                    cancellation
                );
                if (response.StatusCode == HttpStatusCode.UnprocessableEntity)
                    throw Refusals.PermissionNotTaken(await DetailAsync(response, cancellation));
                return await response
                        .EnsureSuccessStatusCode()
                        .Content.ReadFromJsonAsync<Permission>(Strict, cancellation)
                    ?? throw new JsonException();
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
                // Any other success is not what the registrar says when it has noted it.
                return response.EnsureSuccessStatusCode().StatusCode == HttpStatusCode.NoContent
                    ? true
                    : throw new JsonException();
            },
            cancellation
        );

    /// <summary>The seats of a term as they are now; none where the registrar does not know the term.</summary>
    /// <exception cref="RegistrarSilentException">It does not answer.</exception>
    public Task<TermSeats> SeatsAsync(TermId term, CancellationToken cancellation) =>
        AskAsync(
            async () =>
                await http.GetFromJsonAsync<TermSeats>(
                    new Uri($"terms/{Uri.EscapeDataString(term.Value)}/seats", UriKind.Relative),
                    Strict,
                    cancellation
                ) ?? throw new JsonException(),
            cancellation
        );

    /// <summary>What a student holds and waits for in a term; null where the registrar knows no such student.</summary>
    /// <exception cref="RegistrarSilentException">It does not answer.</exception>
    public Task<Standing?> StandingAsync(string student, TermId term, CancellationToken cancellation) =>
        AskAsync(
            async () =>
            {
                using var response = await http.GetAsync(
                    new Uri(
                        $"students/{Uri.EscapeDataString(student)}/registrations?term={Uri.EscapeDataString(term.Value)}",
                        UriKind.Relative
                    ),
                    cancellation
                );
                // A term that only the catalogue knows has no registrations.
                if (response.StatusCode is HttpStatusCode.NotFound or HttpStatusCode.UnprocessableEntity)
                    return null;
                return await response
                        .EnsureSuccessStatusCode()
                        .Content.ReadFromJsonAsync<Standing>(Strict, cancellation)
                    ?? throw new JsonException();
            },
            cancellation
        );

    /// <summary>What would become of lines if they were sent now.</summary>
    /// <exception cref="RegistrarSilentException">It does not answer.</exception>
    /// <exception cref="Requests.RefusedException">It does not look at them.</exception>
    public Task<RegistrationAnswer> CheckAsync(RegistrationRequest request, CancellationToken cancellation) =>
        AskAsync(() => SendLinesAsync<RegistrationAnswer>("checks", request, cancellation), cancellation);

    /// <summary>Has lines done. The same key again gives the same answer, and does nothing twice.</summary>
    /// <inheritdoc cref="CheckAsync"/>
    public Task<RegisteredLines> RegisterAsync(RegistrationRequest request, CancellationToken cancellation) =>
        AskAsync(() => SendLinesAsync<RegisteredLines>("registrations", request, cancellation), cancellation);

    private async Task<T> SendLinesAsync<T>(string to, RegistrationRequest request, CancellationToken cancellation)
    {
        using var response = await http.PostAsJsonAsync(
            new Uri(to, UriKind.Relative),
            request,
            JsonSerializerOptions.Web,
            cancellation
        );
        if (response.StatusCode == HttpStatusCode.UnprocessableEntity)
            throw Refusals.LinesNotTaken(await DetailAsync(response, cancellation));
        return await response.EnsureSuccessStatusCode().Content.ReadFromJsonAsync<T>(Strict, cancellation)
            ?? throw new JsonException();
    }

    /// <summary>What happens, as it happens, until the connection ends.</summary>
    /// <param name="last">The event after which to begin; null for now.</param>
    /// <param name="cancellation">Stops listening.</param>
    /// <exception cref="RegistrarSilentException">It does not answer, or not any more.</exception>
    public async IAsyncEnumerable<RegistrarEvent> EventsAsync(
        long? last,
        [EnumeratorCancellation] CancellationToken cancellation
    )
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, new Uri("events", UriKind.Relative));
        if (last is { } id)
            request.Headers.Add("Last-Event-ID", id.ToString(CultureInfo.InvariantCulture));
        using var response = await AskAsync(
            async () =>
            {
                var opened = await http.SendAsync(request, HttpCompletionOption.ResponseHeadersRead, cancellation);
                if (opened.Content.Headers.ContentType?.MediaType == MediaTypeNames.Text.EventStream)
                    return opened.EnsureSuccessStatusCode();
                opened.Dispose();
                throw new JsonException();
            },
            cancellation
        );
        await using var stream = await response.Content.ReadAsStreamAsync(cancellation);
        await using var events = SseParser
            .Create(stream)
            .EnumerateAsync(cancellation)
            .GetAsyncEnumerator(cancellation);
        while (await AskAsync(async () => await events.MoveNextAsync(), cancellation))
            if (long.TryParse(events.Current.EventId, CultureInfo.InvariantCulture, out var number))
                yield return new(number, events.Current.EventType, events.Current.Data);
    }

    private static readonly JsonSerializerOptions Strict = new(JsonSerializerOptions.Web)
    {
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = true,
    };

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
                        or IOException
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
