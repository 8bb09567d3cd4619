using HourGrid.Server.News;

namespace HourGrid.Server.Tests;

/// <summary>What open pages are told, and who is told what.</summary>
public sealed class PageNewsTests
{
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
    public void Who_waits_is_woken_by_what_comes_next()
    {
        var (_, _, more) = news.After(news.Last, null);
        Assert.False(more.IsCompleted);
        news.Tell(PageNews.Live, new { });
        Assert.True(more.IsCompleted);
    }

    [Fact]
    public void What_one_person_is_told_wakes_that_person_alone()
    {
        var (_, _, own) = news.After(news.Last, "S1");
        var (_, _, others) = news.After(news.Last, "S2");
        var (_, _, nobodys) = news.After(news.Last, null);
        news.Tell(PageNews.Registration, new { }, "S1");
        Assert.True(SpinWait.SpinUntil(() => own.IsCompleted, TimeSpan.FromSeconds(30)));
        Assert.False(others.IsCompleted || nobodys.IsCompleted);
        // Whoever was told nothing is not behind for it.
        Assert.Equal(news.Last, news.After(news.Last - 1, "S2").UpTo);
        news.Tell(PageNews.Live, new { });
        Assert.True(SpinWait.SpinUntil(() => others.IsCompleted, TimeSpan.FromSeconds(30)));
        Assert.True(nobodys.IsCompleted);
    }

    private string[] Kinds(long after, string? person) =>
        [.. news.After(after, person).Events!.Select(one => one.Kind)];
}
