namespace HourGrid.Server.News;

/// <summary>One open page, which wants to be woken when there is something for it.</summary>
internal sealed class PageListener(PageNews news, string? person) : IDisposable
{
    private readonly SemaphoreSlim woken = new(0, 1);

    /// <summary>The number of the person who looks at it; null for who is not signed in.</summary>
    public string? Person => person;

    /// <summary>Whether something is told within a while, or was since it last waited.</summary>
    public Task<bool> HearsAsync(TimeSpan atMost, CancellationToken cancellation) =>
        woken.WaitAsync(atMost, cancellation);

    /// <summary>Wakes it, once however often it is called before it waits. One calls at a time.</summary>
    public void Wake()
    {
        if (woken.CurrentCount == 0)
            woken.Release();
    }

    public void Dispose()
    {
        news.Forget(this);
        woken.Dispose();
    }
}
