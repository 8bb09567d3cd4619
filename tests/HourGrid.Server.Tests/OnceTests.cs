using HourGrid.Server.Computing;

namespace HourGrid.Server.Tests;

/// <summary>The same question asked many times at once is answered once.</summary>
public sealed class OnceTests
{
    [Fact]
    public async Task It_is_found_once_for_all_who_ask()
    {
        using var deadline = new CancellationTokenSource(TimeSpan.FromMinutes(1));
        using var asked = new CountdownEvent(8);
        var once = new Once<string>();
        var found = 0;
        var answers = await Task.WhenAll(
            Enumerable
                .Range(0, 8)
                .Select(_ =>
                    Task.Factory.StartNew(
                        () =>
                        {
                            asked.Signal();
                            return once.OrFind(
                                () =>
                                {
                                    asked.Wait(deadline.Token);
                                    return $"answer {Interlocked.Increment(ref found)}";
                                },
                                deadline.Token
                            );
                        },
                        deadline.Token,
                        TaskCreationOptions.LongRunning,
                        TaskScheduler.Default
                    )
                )
        );
        Assert.All(answers, answer => Assert.Equal("answer 1", answer));
    }

    [Fact]
    public void What_failed_or_is_not_to_be_kept_is_found_anew()
    {
        var once = new Once<string>(answer => answer != "about");
        Assert.Throws<OperationCanceledException>(() =>
            once.OrFind(() => throw new OperationCanceledException(), CancellationToken.None)
        );
        Assert.Equal("about", once.OrFind(() => "about", CancellationToken.None));
        Assert.False(once.IsFound);
        Assert.Equal("exactly", once.OrFind(() => "exactly", CancellationToken.None));
        Assert.Equal("exactly", once.OrFind(() => "never", CancellationToken.None));
    }

    [Fact]
    public async Task Who_waits_for_another_can_leave()
    {
        using var left = new CancellationTokenSource();
        using var begun = new ManualResetEventSlim();
        using var over = new ManualResetEventSlim();
        var once = new Once<string>();
        var first = Task.Run(() =>
            once.OrFind(
                () =>
                {
                    begun.Set();
                    over.Wait();
                    return "late";
                },
                CancellationToken.None
            )
        );
        begun.Wait();
        var second = Task.Run(() => once.OrFind(() => "never", left.Token));
        await left.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => second);
        over.Set();
        Assert.Equal("late", await first);
    }
}
