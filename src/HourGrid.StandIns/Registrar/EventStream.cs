using System.Globalization;
using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using HourGrid.StandIns.Campus;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Registrar;

/// <summary>What happens, as server-sent events: from where the listener left off, then as it happens.</summary>
internal static class EventStream
{
    private const int MostAtOnce = 500;

    /// <summary>So that both sides notice a connection that is gone.</summary>
    private static readonly TimeSpan Quiet = TimeSpan.FromSeconds(10);

    public static ServerSentEventsResult<string> Open(
        HttpRequest request,
        IDbContextFactory<CampusContext> contexts,
        CampusNews news,
        CancellationToken cancellation
    )
    {
        long? last = long.TryParse(
            request.Headers["Last-Event-ID"].ToString(),
            NumberStyles.None,
            CultureInfo.InvariantCulture,
            out var id
        )
            ? id
            : null;
        return TypedResults.ServerSentEvents(EventsAsync(last, contexts, news, cancellation));
    }

    /// <summary>The number of the last event; 0 before any.</summary>
    public static async Task<long> LastAsync(CampusContext campus, CancellationToken cancellation) =>
        await campus
            .Events.OrderByDescending(row => row.Id)
            .Select(row => (long?)row.Id)
            .FirstOrDefaultAsync(cancellation)
        ?? 0;

    private static async IAsyncEnumerable<SseItem<string>> EventsAsync(
        long? last,
        IDbContextFactory<CampusContext> contexts,
        CampusNews news,
        [EnumeratorCancellation] CancellationToken cancellation
    )
    {
        // Where it is asked for before what is there is read, nothing that happens in between is missed.
        var next = news.Next;
        var after = last ?? await NowAsync(contexts, cancellation);
        yield return Quietly(after);
        while (!cancellation.IsCancellationRequested)
        {
            await using (var campus = await contexts.CreateDbContextAsync(cancellation))
            {
                var rows = await campus
                    .Events.AsNoTracking()
                    .Where(row => row.Id > after)
                    .OrderBy(row => row.Id)
                    .Take(MostAtOnce)
                    .ToListAsync(cancellation);
                foreach (var row in rows)
                    yield return new(row.Json, row.Kind) { EventId = Text(after = row.Id) };
                if (rows.Count == MostAtOnce)
                    continue;
            }
            if (!await HappensAsync(next, cancellation))
                yield return Quietly(after);
            next = news.Next;
        }
    }

    /// <summary>Whether something happens within a while.</summary>
    private static async Task<bool> HappensAsync(Task next, CancellationToken cancellation)
    {
        try
        {
            await next.WaitAsync(Quiet, cancellation);
            return true;
        }
        catch (TimeoutException)
        {
            return false;
        }
    }

    private static async Task<long> NowAsync(
        IDbContextFactory<CampusContext> contexts,
        CancellationToken cancellation
    )
    {
        await using var campus = await contexts.CreateDbContextAsync(cancellation);
        return await LastAsync(campus, cancellation);
    }

    private static SseItem<string> Quietly(long after) => new("{}", "nothing") { EventId = Text(after) };

    private static string Text(long id) => id.ToString(CultureInfo.InvariantCulture);
}
