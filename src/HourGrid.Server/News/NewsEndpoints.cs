using System.Globalization;
using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using HourGrid.Server.Requests;
using HourGrid.Server.SignIn;

namespace HourGrid.Server.News;

/// <summary>News for open pages, as server-sent events.</summary>
internal static class NewsEndpoints
{
    /// <summary>So that both sides notice a connection that is gone.</summary>
    private static readonly TimeSpan Quiet = TimeSpan.FromSeconds(15);

    public static void MapNews(this IEndpointRouteBuilder api) =>
        api.MapGet("/news", Open).WithName("News").RequireAuthorization().LimitStreams();

    /// <param name="after">The event after which to begin; where it is absent, the header that browsers send, or now.</param>
    private static ServerSentEventsResult<string> Open(
        long? after,
        HttpContext http,
        PageNews news,
        IHostApplicationLifetime lifetime
    )
    {
        var last = long.TryParse(
            http.Request.Headers["Last-Event-ID"].ToString(),
            NumberStyles.None,
            CultureInfo.InvariantCulture,
            out var id
        )
            ? id
            : after ?? news.Last;
        return TypedResults.ServerSentEvents(
            EventsAsync(last, PersonClaims.NumberOf(http.User), news, lifetime, http.RequestAborted)
        );
    }

    private static async IAsyncEnumerable<SseItem<string>> EventsAsync(
        long last,
        string? person,
        PageNews news,
        IHostApplicationLifetime lifetime,
        [EnumeratorCancellation] CancellationToken cancellation
    )
    {
        // A server that stops does not wait for those who listen.
        using var ends = CancellationTokenSource.CreateLinkedTokenSource(cancellation, lifetime.ApplicationStopping);
        using var listener = news.Listen(person);
        yield return Quietly(last);
        while (!ends.IsCancellationRequested)
        {
            var (events, upTo) = news.After(last, person);
            if (events is null)
                yield return new("{}", PageNews.Missed) { EventId = Text(upTo) };
            else
                foreach (var one in events)
                    yield return new(one.Json, one.Kind) { EventId = Text(one.Id) };
            // What others alone were told is behind this listener, too.
            last = upTo;
            if (!await HearsAsync(listener, ends.Token))
                yield return Quietly(last);
        }
    }

    /// <summary>Whether there is more, or no more to wait for, within a while.</summary>
    private static async Task<bool> HearsAsync(PageListener listener, CancellationToken cancellation)
    {
        try
        {
            return await listener.HearsAsync(Quiet, cancellation);
        }
        catch (OperationCanceledException)
        {
            return true;
        }
    }

    private static SseItem<string> Quietly(long last) => new("{}", "nothing") { EventId = Text(last) };

    private static string Text(long id) => id.ToString(CultureInfo.InvariantCulture);
}
