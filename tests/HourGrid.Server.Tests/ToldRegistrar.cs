using System.Collections.Concurrent;
using System.Globalization;
using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using System.Threading.Channels;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.Logging;

namespace HourGrid.Server.Tests;

/// <summary>A registrar over HTTP that says what a test tells it to, and fails as it is told to.</summary>
internal sealed class ToldRegistrar : IAsyncDisposable
{
    private readonly WebApplication app;
    private readonly List<(long Id, string Json)> events = [];
    private readonly ConcurrentDictionary<CancellationTokenSource, Channel<bool>> listening = [];

    private ToldRegistrar()
    {
        var builder = WebApplication.CreateSlimBuilder();
        builder.Logging.ClearProviders();
        builder.WebHost.UseUrls("http://127.0.0.1:0");
        app = builder.Build();
        app.Use(FailAsync);
        app.MapGet(
            "/registrar/terms/{term}/seats",
            (string term) => Results.Ok(new { lastEvent = Last, sections = Seats.Where(one => one.Term == term) })
        );
        app.MapGet("/registrar/events", (HttpRequest request) => TypedResults.ServerSentEvents(EventsAsync(request)));
    }

    public static async Task<ToldRegistrar> StartAsync()
    {
        var registrar = new ToldRegistrar();
        await registrar.app.StartAsync();
        return registrar;
    }

    public string Address => $"{app.Urls.Single()}/registrar/";

    /// <summary>The seats as they were when the first event was not told yet.</summary>
    public List<ToldSeats> Seats { get; } = [];

    /// <summary>From which event each connection asked to be told; null for those that did not say.</summary>
    public ConcurrentQueue<string?> AskedFrom { get; } = [];

    public int Listening => listening.Count;

    public bool IsDown { get; set; }

    public bool IsNonsense { get; set; }

    public TimeSpan Delay { get; set; }

    private long Last => events.Count == 0 ? 100 : events[^1].Id;

    public void Tell(ToldSeats seats)
    {
        lock (events)
            events.Add(
                (
                    Last + 1,
                    System.Text.Json.JsonSerializer.Serialize(seats, System.Text.Json.JsonSerializerOptions.Web)
                )
            );
        foreach (var channel in listening.Values)
            channel.Writer.TryWrite(true);
    }

    /// <summary>Ends every connection.</summary>
    public void Cut()
    {
        foreach (var connection in listening.Keys)
            connection.Cancel();
    }

    public async ValueTask DisposeAsync()
    {
        Cut();
        await app.DisposeAsync();
    }

    private async Task FailAsync(HttpContext http, RequestDelegate next)
    {
        await Task.Delay(Delay, http.RequestAborted);
        if (IsDown)
            http.Response.StatusCode = StatusCodes.Status503ServiceUnavailable;
        else if (IsNonsense)
            await http.Response.WriteAsync("<p>It works!</p>");
        else
            await next(http);
    }

    private async IAsyncEnumerable<SseItem<string>> EventsAsync(
        HttpRequest request,
        [EnumeratorCancellation] CancellationToken cancellation = default
    )
    {
        var from = request.Headers["Last-Event-ID"].FirstOrDefault();
        AskedFrom.Enqueue(from);
        var after = from is null ? Last : long.Parse(from, CultureInfo.InvariantCulture);
        using var connection = CancellationTokenSource.CreateLinkedTokenSource(cancellation);
        var more = Channel.CreateUnbounded<bool>();
        listening[connection] = more;
        try
        {
            yield return new("{}", "nothing") { EventId = $"{after}" };
            do
            {
                (long Id, string Json)[] news;
                lock (events)
                    news = [.. events.Where(one => one.Id > after)];
                foreach (var (id, json) in news)
                    yield return new(json, "seats") { EventId = $"{after = id}" };
            } while (await HasMoreAsync(more, connection.Token));
        }
        finally
        {
            listening.TryRemove(connection, out _);
        }
    }

    private static async Task<bool> HasMoreAsync(Channel<bool> more, CancellationToken cancellation)
    {
        try
        {
            return await more.Reader.ReadAsync(cancellation);
        }
        catch (OperationCanceledException)
        {
            return false;
        }
    }
}

internal sealed record ToldSeats(
    string Term,
    string Number,
    int Capacity,
    int Enrolled,
    int WaitlistCapacity = 0,
    int Waitlisted = 0
);
