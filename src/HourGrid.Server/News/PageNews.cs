using System.Text.Json;

namespace HourGrid.Server.News;

/// <summary>What open pages are told as it happens. The last are kept for who was away for a moment.</summary>
internal sealed class PageNews
{
    /// <summary>Seats of courses are others.</summary>
    private const string Seats = "seats";

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

    /// <summary>So many pages are woken at once by what everybody is told; whoever asks for something comes between.</summary>
    private const int WokenAtOnce = 100;

    private static readonly TimeSpan Breath = TimeSpan.FromMilliseconds(20);

    private readonly Lock entering = new();

    // By number, the oldest written over: whoever comes back begins where it left off without looking at what was before.
    private readonly PageEvent[] kept = new PageEvent[MostKept];
    private readonly HashSet<PageListener> listeners = [];
    private readonly Dictionary<string, HashSet<PageListener>> ofPersons = [];

    private readonly GatheredSeats seats = new();

    private readonly TimeProvider time;

    // Whether pages are being woken, and whether more was told since that began.
    private bool isWaking;
    private bool isToldMore;

    // Numbers of one run of the server: whoever comes with one of another run has missed it all.
    private readonly long first;
    private long last;

    public PageNews(TimeProvider time)
    {
        this.time = time;
        first = last = time.GetUtcNow().ToUnixTimeMilliseconds() * 1000;
    }

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
        lock (entering)
        {
            Keep(kind, json, person);
            if (person is not null)
            {
                // What one person is told wakes nobody else: there may be thousands.
                foreach (var one in ofPersons.GetValueOrDefault(person, []))
                    one.Wake();
                return;
            }
        }
        WakeAll();
    }

    /// <summary>Tells everybody of seats: at once, or together with others when pages are woken the next time.</summary>
    public void TellSeats(string term, IEnumerable<CourseSeatNews> courses)
    {
        lock (entering)
            foreach (var (course, hasTurned) in courses)
                seats.Add(term, course, hasTurned);
        WakeAll();
    }

    private void Keep(string kind, string json, string? person)
    {
        last++;
        kept[last % MostKept] = new(last, kind, json, person);
    }

    private void WakeAll()
    {
        lock (entering)
        {
            isToldMore = true;
            if (isWaking)
                return;
            isWaking = true;
        }
        _ = WakeAllAsync();
    }

    /// <summary>Wakes all pages, some after the others; what is told meanwhile they are told together when it begins anew.</summary>
    private async Task WakeAllAsync()
    {
        PageListener[] all = [];
        for (var at = 0; ; at += WokenAtOnce)
        {
            lock (entering)
            {
                if (at >= all.Length)
                {
                    if (!isToldMore)
                    {
                        isWaking = false;
                        return;
                    }
                    isToldMore = false;
                    foreach (var one in seats.Take())
                        Keep(Seats, JsonSerializer.Serialize(one, JsonSerializerOptions.Web), person: null);
                    all = [.. listeners];
                    at = 0;
                }
                foreach (var one in all.Skip(at).Take(WokenAtOnce).Where(listeners.Contains))
                    one.Wake();
            }
            await Task.Delay(Breath, time);
        }
    }

    /// <summary>Has a page woken by what is told from now on, until it is disposed.</summary>
    /// <param name="person">The number of the person who looks at it; null for who is not signed in.</param>
    public PageListener Listen(string? person)
    {
        var listener = new PageListener(this, person);
        lock (entering)
        {
            listeners.Add(listener);
            if (person is not null)
                (ofPersons.TryGetValue(person, out var own) ? own : ofPersons[person] = []).Add(listener);
        }
        return listener;
    }

    /// <summary>Wakes a page no more.</summary>
    public void Forget(PageListener listener)
    {
        lock (entering)
        {
            listeners.Remove(listener);
            if (
                listener.Person is { } person
                && ofPersons.TryGetValue(person, out var own)
                && own.Remove(listener)
                && own.Count == 0
            )
                ofPersons.Remove(person);
        }
    }

    /// <summary>The events after one for a person, and up to which event that is.</summary>
    /// <returns>Null instead of events that are not kept any more.</returns>
    public (IReadOnlyList<PageEvent>? Events, long UpTo) After(long id, string? person)
    {
        lock (entering)
        {
            if (id > last || id < first || id < last - MostKept)
                return (null, last);
            var events = new List<PageEvent>();
            for (var at = id + 1; at <= last; at++)
                if (kept[at % MostKept].Person is null || kept[at % MostKept].Person == person)
                    events.Add(kept[at % MostKept]);
            return (events, last);
        }
    }
}

/// <param name="Id">Its number; they grow.</param>
/// <param name="Kind">What kind of news.</param>
/// <param name="Json">What, as JSON.</param>
/// <param name="Person">The number of the person who alone is told; null for everybody.</param>
internal sealed record PageEvent(long Id, string Kind, string Json, string? Person);
