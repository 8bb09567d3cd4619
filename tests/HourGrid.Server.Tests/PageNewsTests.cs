using System.Collections.Concurrent;
using HourGrid.Server.News;

namespace HourGrid.Server.Tests;

/// <summary>What open pages are told, and who is told what.</summary>
public sealed class PageNewsTests
{
    private static readonly TimeSpan Long = TimeSpan.FromSeconds(30);

    private readonly PageNews news = new(TimeProvider.System);

    [Fact]
    public void What_is_of_one_person_is_told_to_nobody_else()
    {
        var before = news.Last;
        news.Tell(PageNews.Record, new { }, "S1");
        news.Tell(PageNews.Catalogue, new { version = 2 });
        Assert.Equal([PageNews.Record, PageNews.Catalogue], Kinds(before, "S1"));
        Assert.Equal([PageNews.Catalogue], Kinds(before, "S2"));
        Assert.Equal([PageNews.Catalogue], Kinds(before, null));
    }

    [Fact]
    public void Who_comes_back_is_told_what_is_kept_and_else_that_something_was_missed()
    {
        var before = news.Last;
        for (var i = 0; i < PageNews.MostKept; i++)
            news.Tell(PageNews.Live, new { });
        Assert.Equal(PageNews.MostKept, news.After(before, null).Events!.Count);
        news.Tell(PageNews.Live, new { });
        Assert.Null(news.After(before, null).Events);
        Assert.Equal(PageNews.MostKept, news.After(before + 1, null).Events!.Count);
        // Of another run of the server.
        Assert.Null(news.After(news.Last + 1, null).Events);
    }

    [Fact]
    public async Task Who_waits_is_woken_by_what_comes_next()
    {
        using var listener = news.Listen("S1");
        Assert.False(await HasHeardAsync(listener));
        var waiting = listener.HearsAsync(Long, CancellationToken.None);
        news.Tell(PageNews.Live, new { });
        Assert.True(await waiting);
        // Once for all that came while nobody waited.
        news.Tell(PageNews.Registration, new { }, "S1");
        news.Tell(PageNews.Registration, new { }, "S1");
        Assert.True(await HasHeardAsync(listener));
        Assert.False(await HasHeardAsync(listener));
    }

    [Fact]
    public async Task What_everybody_is_told_wakes_them_all_also_while_they_are_being_woken()
    {
        const int Many = 450;
        var all = Enumerable.Range(0, Many).Select(_ => news.Listen(null)).ToArray();
        news.Tell(PageNews.Live, new { });
        // The first has heard and waits again before the last is woken.
        Assert.True(await all[0].HearsAsync(Long, CancellationToken.None));
        news.Tell(PageNews.Live, new { });
        Assert.True(await all[0].HearsAsync(Long, CancellationToken.None));
        Assert.All(
            await Task.WhenAll(all.Skip(1).Select(one => one.HearsAsync(Long, CancellationToken.None))),
            Assert.True
        );
        foreach (var one in all)
            one.Dispose();
    }

    [Fact]
    public async Task Seats_that_change_while_pages_are_being_woken_are_told_together_afterwards()
    {
        var time = new StillTime();
        var told = new PageNews(time);
        using var listener = told.Listen(null);
        var before = told.Last;
        told.TellSeats("T", [new("A", HasTurned: true)]);
        // At once, where nothing else is being told.
        Assert.True(await HasHeardAsync(listener));
        Assert.Equal(["""{"term":"T","courses":[{"course":"A","hasTurned":true}]}"""], Seats(told, before));
        var first = told.Last;
        told.TellSeats("T", [new("B", HasTurned: true), new("A", HasTurned: false)]);
        told.TellSeats("T", [new("B", HasTurned: false)]);
        told.TellSeats("U", [new("A", HasTurned: false)]);
        Assert.False(await HasHeardAsync(listener));
        Assert.Empty(Seats(told, first));
        time.Pass();
        Assert.True(await listener.HearsAsync(Long, CancellationToken.None));
        Assert.Equal(
            [
                """{"term":"T","courses":[{"course":"A","hasTurned":false},{"course":"B","hasTurned":true}]}""",
                """{"term":"U","courses":[{"course":"A","hasTurned":false}]}""",
            ],
            Seats(told, first)
        );
    }

    [Fact]
    public async Task What_one_person_is_told_wakes_the_pages_of_that_person_alone()
    {
        using var one = news.Listen("S1");
        using var other = news.Listen("S1");
        using var another = news.Listen("S2");
        using var nobody = news.Listen(null);
        news.Tell(PageNews.Registration, new { }, "S1");
        Assert.True(await HasHeardAsync(one) && await HasHeardAsync(other));
        Assert.False(await HasHeardAsync(another) || await HasHeardAsync(nobody));
        // Whoever was told nothing is not behind for it.
        Assert.Equal(news.Last, news.After(news.Last - 1, "S2").UpTo);
        news.Tell(PageNews.Live, new { });
        Assert.True(await HasHeardAsync(another) && await HasHeardAsync(nobody));
    }

    [Fact]
    public async Task A_page_that_was_closed_leaves_the_others_as_they_are()
    {
        using var one = news.Listen("S1");
        news.Listen("S1").Dispose();
        news.Listen("S2").Dispose();
        news.Tell(PageNews.Registration, new { }, "S1");
        news.Tell(PageNews.Registration, new { }, "S2");
        Assert.True(await HasHeardAsync(one));
        Assert.False(await HasHeardAsync(one));
    }

    private static Task<bool> HasHeardAsync(PageListener listener) =>
        listener.HearsAsync(TimeSpan.Zero, CancellationToken.None);

    private static string[] Seats(PageNews news, long after) =>
        [.. news.After(after, null).Events!.Select(one => one.Json)];

    private string[] Kinds(long after, string? person) =>
        [.. news.After(after, person).Events!.Select(one => one.Kind)];

    /// <summary>Time that stands still, and passes for whoever waits when it is told to.</summary>
    private sealed class StillTime : TimeProvider
    {
        private readonly ConcurrentQueue<Action> waiting = new();

        public void Pass()
        {
            for (var count = waiting.Count; count > 0 && waiting.TryDequeue(out var one); count--)
                one();
        }

        public override ITimer CreateTimer(TimerCallback callback, object? state, TimeSpan dueTime, TimeSpan period)
        {
            waiting.Enqueue(() => callback(state));
            return new Waiting();
        }

        private sealed class Waiting : ITimer
        {
            public bool Change(TimeSpan dueTime, TimeSpan period) => true;

            public void Dispose() { }

            public ValueTask DisposeAsync() => ValueTask.CompletedTask;
        }
    }
}
