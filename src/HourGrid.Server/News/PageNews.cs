using System.Text.Json;

namespace HourGrid.Server.News;

/// <summary>What open pages are told as it happens. The last are kept for who was away for a moment.</summary>
internal sealed class PageNews
{
    /// <summary>Seats of courses are others.</summary>
    public const string Seats = "seats";

    /// <summary>There is a newer catalogue.</summary>
    public const string Catalogue = "catalogue";

    /// <summary>Seats are told as they change from now on, or not any more.</summary>
    public const string Live = "live";

    /// <summary>Something of a student's record is other than before; told to that student's pages alone.</summary>
    public const string Record = "record";

    /// <summary>Something that a student sent, holds or waits for is other than before; told to that student's pages alone.</summary>
    public const string Registration = "registration";

    /// <summary>Anything may be other than before: everything is asked for again.</summary>
    public const string Missed = "missed";

    /// <summary>So many are kept for who was away for a moment; a rush tells thousands within seconds.</summary>
    public const int MostKept = 10_000;

    private readonly Lock entering = new();

    // By number, the oldest written over: whoever comes back begins where it left off without looking at what was before.
    private readonly PageEvent[] kept = new PageEvent[MostKept];
    private readonly Dictionary<string, TaskCompletionSource> ofPersons = [];

    // Numbers of one run of the server: whoever comes with one of another run has missed it all.
    private readonly long first;
    private long last;
    private TaskCompletionSource next = New();

    public PageNews(TimeProvider time) => first = last = time.GetUtcNow().ToUnixTimeMilliseconds() * 1000;

    /// <summary>The number of the last event.</summary>
    public long Last
    {
        get
        {
            lock (entering)
                return last;
        }
    }

    /// <param name="kind">What kind of news.</param>
    /// <param name="what">What, to be written as JSON.</param>
    /// <param name="person">The number of the person who alone is told; null for everybody.</param>
    public void Tell(string kind, object what, string? person = null)
    {
        var json = JsonSerializer.Serialize(what, JsonSerializerOptions.Web);
        TaskCompletionSource? waiting;
        lock (entering)
        {
            last++;
            kept[last % MostKept] = new(last, kind, json, person);
            // What one person is told wakes nobody else: there may be thousands.
            if (person is not null)
                ofPersons.Remove(person, out waiting);
            else
                (waiting, next) = (next, New());
        }
        waiting?.SetResult();
    }

    /// <summary>The events after one for a person, up to which event that is, and what ends when there are more.</summary>
    /// <returns>Null instead of events that are not kept any more.</returns>
    public (IReadOnlyList<PageEvent>? Events, long UpTo, Task More) After(long id, string? person)
    {
        lock (entering)
        {
            var more = next.Task;
            if (person is not null)
            {
                if (!ofPersons.TryGetValue(person, out var own))
                    ofPersons[person] = own = New();
                more = Task.WhenAny(more, own.Task);
            }
            if (id > last || id < first || id < last - MostKept)
                return (null, last, more);
            var events = new List<PageEvent>();
            for (var at = id + 1; at <= last; at++)
                if (kept[at % MostKept].Person is null || kept[at % MostKept].Person == person)
                    events.Add(kept[at % MostKept]);
            return (events, last, more);
        }
    }

    private static TaskCompletionSource New() => new(TaskCreationOptions.RunContinuationsAsynchronously);
}

/// <param name="Id">Its number; they grow.</param>
/// <param name="Kind">What kind of news.</param>
/// <param name="Json">What, as JSON.</param>
/// <param name="Person">The number of the person who alone is told; null for everybody.</param>
internal sealed record PageEvent(long Id, string Kind, string Json, string? Person);
