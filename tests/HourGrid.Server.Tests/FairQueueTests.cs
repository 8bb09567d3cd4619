using System.Diagnostics;
using HourGrid.Core.Work;
using HourGrid.Server.Computing;
using HourGrid.Server.Requests;

namespace HourGrid.Server.Tests;

/// <summary>Nobody's work holds up the others'. A test that waits for what never comes fails by its time.</summary>
public sealed class FairQueueTests : IDisposable
{
    private const int Workers = 3;

    private readonly FairQueue queue = new(Workers);
    private readonly CancellationTokenSource deadline = new(TimeSpan.FromMinutes(2));

    public void Dispose() => deadline.Dispose();

    [Fact]
    public async Task Work_under_way_gives_its_worker_to_who_had_less()
    {
        using var over = CancellationTokenSource.CreateLinkedTokenSource(deadline.Token);
        Task[] greedy = [.. Enumerable.Range(0, Workers).Select(_ => YieldUntil("greedy", over.Token))];
        foreach (var i in Enumerable.Range(0, 20))
            Assert.Equal(i, await RunAsync($"other {i % 4}", () => i));
        Assert.All(greedy, one => Assert.False(one.IsCompleted));
        await over.CancelAsync();
        await Task.WhenAll(greedy);
    }

    [Fact]
    public async Task Those_who_work_without_end_take_turns()
    {
        using var over = CancellationTokenSource.CreateLinkedTokenSource(deadline.Token);
        var slices = new int[2 * Workers];
        Task[] all =
        [
            .. slices.Select(
                (_, i) =>
                    RunAsync(
                        $"student {i}",
                        () =>
                        {
                            while (!over.IsCancellationRequested)
                            {
                                Interlocked.Increment(ref slices[i]);
                                Worker.Yield();
                            }
                            return 0;
                        }
                    )
            ),
        ];
        // Each comes to work while none of the others ends.
        await Until(() => slices.All(slice => slice > 0));
        await over.CancelAsync();
        await Task.WhenAll(all);
    }

    [Fact]
    public async Task What_cannot_yield_leaves_a_worker_to_the_others()
    {
        using var over = new ManualResetEventSlim();
        var begun = 0;
        Task[] whole =
        [
            .. Enumerable
                .Range(0, 2 * Workers)
                .Select(i =>
                    Task.Run(() =>
                        queue.RunAsync(
                            $"student {i}",
                            isWhole: true,
                            () =>
                            {
                                Interlocked.Increment(ref begun);
                                over.Wait(deadline.Token);
                                return 0;
                            },
                            deadline.Token
                        )
                    )
                ),
        ];
        await Until(() => Volatile.Read(ref begun) == Workers - 1);
        foreach (var i in Enumerable.Range(0, 20))
            Assert.Equal(i, await RunAsync("other", () => i));
        Assert.Equal(Workers - 1, Volatile.Read(ref begun));
        over.Set();
        await Task.WhenAll(whole);
    }

    [Fact]
    public async Task So_many_of_one_student_begin_and_so_many_wait_and_the_rest_is_refused()
    {
        using var over = CancellationTokenSource.CreateLinkedTokenSource(deadline.Token);
        var begun = 0;
        Task<int>[] first = [.. Enumerable.Range(0, Workers).Select(_ => RunAsync("student", Work))];
        await Until(() => Volatile.Read(ref begun) >= Workers);
        Task<int>[] more =
        [
            .. Enumerable
                .Range(0, FairQueue.MostOfStudent - Workers)
                .Select(_ => queue.RunAsync("student", isWhole: false, Work, deadline.Token)),
        ];
        var refused = await Assert.ThrowsAsync<RefusedException>(() => RunAsync("student", () => 0));
        Assert.Equal("You have 72 requests waiting already. Try again in 5 seconds.", refused.Message);
        await Until(() => Volatile.Read(ref begun) == FairQueue.MostBegunOfStudent);
        Assert.Equal(1, await RunAsync("another", () => 1));
        Assert.Equal(FairQueue.MostBegunOfStudent, Volatile.Read(ref begun));
        await over.CancelAsync();
        await Task.WhenAll([.. first, .. more]);
        Assert.Equal(FairQueue.MostOfStudent, begun);
        Assert.Equal(2, await RunAsync("student", () => 2));

        int Work()
        {
            Interlocked.Increment(ref begun);
            while (!over.IsCancellationRequested)
                Worker.Yield();
            return 0;
        }
    }

    [Fact]
    public async Task Parts_of_an_answer_take_idle_workers_alone()
    {
        using var over = new ManualResetEventSlim();
        var begun = 0;
        Task[] others =
        [
            .. Enumerable
                .Range(0, Workers - 1)
                .Select(i =>
                    RunAsync(
                        $"student {i}",
                        () =>
                        {
                            Interlocked.Increment(ref begun);
                            over.Wait(deadline.Token);
                            return 0;
                        }
                    )
                ),
        ];
        await Until(() => Volatile.Read(ref begun) == others.Length);
        var threads = await RunAsync(
            "student",
            () =>
            {
                var threads = new HashSet<int>();
                ParallelRun.ForEach(
                    100,
                    _ =>
                    {
                        lock (threads)
                            threads.Add(Environment.CurrentManagedThreadId);
                    }
                );
                return threads;
            }
        );
        Assert.Single(threads);
        over.Set();
        await Task.WhenAll(others);
    }

    [Fact]
    public async Task Who_waits_for_the_same_answer_lets_others_work()
    {
        using var over = CancellationTokenSource.CreateLinkedTokenSource(deadline.Token);
        var gate = new Gate();
        var entered = 0;
        Task<int>[] same =
        [
            .. Enumerable
                .Range(0, 2 * Workers)
                .Select(i =>
                    RunAsync(
                        $"student {i}",
                        () =>
                            gate.Within(
                                () =>
                                {
                                    Interlocked.Increment(ref entered);
                                    while (!over.IsCancellationRequested)
                                        Worker.Yield();
                                    return i;
                                },
                                deadline.Token
                            )
                    )
                ),
        ];
        foreach (var i in Enumerable.Range(0, 20))
            Assert.Equal(i, await RunAsync("other", () => i));
        Assert.InRange(Volatile.Read(ref entered), 0, 1);
        await over.CancelAsync();
        Assert.Equal(Enumerable.Range(0, same.Length), await Task.WhenAll(same));
    }

    [Fact]
    public async Task Who_leaves_while_waiting_is_forgotten()
    {
        using var over = CancellationTokenSource.CreateLinkedTokenSource(deadline.Token);
        using var left = new CancellationTokenSource();
        var begun = 0;
        Task[] greedy = [.. Enumerable.Range(0, FairQueue.MostBegunOfStudent).Select(_ => RunAsync("greedy", Work))];
        await Until(() => Volatile.Read(ref begun) == greedy.Length);
        Task[] leaving =
        [
            .. Enumerable
                .Range(0, FairQueue.MostOfStudent - greedy.Length)
                .Select(_ =>
                    queue.RunAsync<int>("greedy", false, () => throw new UnreachableException(), left.Token)
                ),
        ];
        await left.CancelAsync();
        foreach (var one in leaving)
            await Assert.ThrowsAnyAsync<OperationCanceledException>(() => one);
        // There is room again.
        var next = RunAsync("greedy", Work);
        await over.CancelAsync();
        await Task.WhenAll([.. greedy, next]);

        int Work()
        {
            Interlocked.Increment(ref begun);
            while (!over.IsCancellationRequested)
                Worker.Yield();
            return 0;
        }
    }

    [Fact]
    public async Task What_fails_gives_its_worker_back()
    {
        foreach (var _ in Enumerable.Range(0, 2 * Workers))
            await Assert.ThrowsAsync<ArithmeticException>(() =>
                RunAsync<int>("student", () => throw new ArithmeticException())
            );
        Assert.Equal(1, await RunAsync("student", () => 1));
    }

    /// <summary>Whatever students do, no more work than there are workers, and all come to the end.</summary>
    [Fact]
    public async Task There_are_never_more_at_work_than_workers()
    {
        var (working, most) = (0, 0);
        var jobs = Enumerable
            .Range(0, 100)
            .Select(i => new Random(i))
            .Select(dice => (Who: $"student {dice.Next(12)}", Pieces: dice.Next(1, 60), IsWhole: dice.Next(4) == 0));
        var done = await Task.WhenAll(
            jobs.Select(job =>
                Task.Run(() =>
                    queue.RunAsync(
                        job.Who,
                        job.IsWhole,
                        () =>
                        {
                            for (var piece = 0; piece < job.Pieces; piece++)
                            {
                                ParallelRun.ForEach(
                                    4,
                                    _ =>
                                    {
                                        var now = Interlocked.Increment(ref working);
                                        InterlockedMax(ref most, now);
                                        Thread.SpinWait(2_000);
                                        Interlocked.Decrement(ref working);
                                    }
                                );
                                Worker.Yield();
                            }
                            return job.Pieces;
                        },
                        deadline.Token
                    )
                )
            )
        );
        Assert.Equal(jobs.Select(job => job.Pieces), done);
        Assert.InRange(most, 1, Workers);
        Assert.Equal(0, working);
    }

    private async Task Until(Func<bool> isTrue)
    {
        while (!isTrue())
        {
            deadline.Token.ThrowIfCancellationRequested();
            await Task.Yield();
        }
    }

    private static void InterlockedMax(ref int most, int now)
    {
        for (var known = most; known < now; known = most)
            Interlocked.CompareExchange(ref most, now, known);
    }

    /// <summary>From a thread of its own, as a request is: work begins where it is asked for if a worker is free.</summary>
    private Task<T> RunAsync<T>(string who, Func<T> work) =>
        Task.Run(() => queue.RunAsync(who, isWhole: false, work, deadline.Token));

    private Task<int> YieldUntil(string who, CancellationToken over) =>
        RunAsync(
            who,
            () =>
            {
                while (!over.IsCancellationRequested)
                    Worker.Yield();
                return 0;
            }
        );
}
