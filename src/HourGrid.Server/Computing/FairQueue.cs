using System.Diagnostics;
using HourGrid.Server.Requests;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Computing;

/// <summary>
/// Where all computing waits for one of a few workers. Whoever had far less computed lately comes first, and work under way
/// gives its worker to who comes before it: nobody's requests hold up the others'.
/// </summary>
/// <remarks>
/// Fair queuing in slices of time, with a memory that fades: Demers, Keshav, Shenker, “Analysis and simulation of a fair
/// queueing algorithm”, 1989; the fading as in the priorities of time-sharing systems.
/// </remarks>
/// <param name="workers">How many, at least 2.</param>
internal sealed class FairQueue(int workers)
{
    /// <summary>How long work keeps its worker while somebody waits who clearly comes before it.</summary>
    private static readonly TimeSpan Slice = TimeSpan.FromMilliseconds(5);

    /// <summary>How long it keeps it while others wait who had as much; most answers end within it.</summary>
    private static readonly TimeSpan SliceAmongEquals = TimeSpan.FromMilliseconds(20);

    /// <summary>How long a request waits to be begun before its sender is told to come again.</summary>
    private static readonly TimeSpan LongestWait = TimeSpan.FromSeconds(10);

    /// <summary>When who was told to come again should.</summary>
    public static TimeSpan RetryAfter { get; } = TimeSpan.FromSeconds(5);

    /// <summary>Of one student, waiting and begun.</summary>
    public const int MostOfStudent = 72;

    /// <summary>Of one student; a draft comes at once while a few pages are worked out.</summary>
    public const int MostBegunOfStudent = 8;

    /// <summary>Of all students, but that who had far less than all of them may have one.</summary>
    private const int MostBegun = 32;

    /// <summary>Accounts are looked through for forgotten ones when there are more, and again when there are twice as many.</summary>
    private const int ManyAccounts = 1_000;

    /// <summary>Seconds of work that are as good as none.</summary>
    private const double Forgotten = 0.001;

    /// <summary>One a processor; two at least, so that what cannot yield does not hold up all the others.</summary>
    public static int WorkersHere => Math.Max(2, Environment.ProcessorCount);

    private readonly Lock gate = new();
    private readonly Dictionary<string, Account> accounts = [];
    private readonly List<Turn> waiting = [];
    private int working;
    private int workingWhole;
    private int begun;
    private int manyAccounts = ManyAccounts;
    private volatile bool isAnyWaiting;

    /// <summary>Does some work once it is its turn.</summary>
    /// <param name="who">Whose work it is.</param>
    /// <param name="isWhole">Whether it cannot yield while it works; such work never takes all workers.</param>
    /// <param name="work">The work; on the calling thread or another one.</param>
    /// <param name="cancellation">Ends the wait.</param>
    /// <exception cref="RefusedException">It would wait too long.</exception>
    public async Task<T> RunAsync<T>(string who, bool isWhole, Func<T> work, CancellationToken cancellation)
    {
        var turn = Enter(who, isWhole);
        if (turn.Granted.IsCompleted)
            return Work();
        try
        {
            await turn.Granted.WaitAsync(LongestWait, cancellation);
        }
        catch (Exception problem) when (problem is OperationCanceledException or TimeoutException)
        {
            Withdraw(turn, who);
            throw problem is TimeoutException ? Refusals.MuchToCompute(RetryAfter) : problem;
        }
        // Where some wait, work may be stopped for others, and threads that stand still must not be the pool's: all that
        // the server does besides would wait for them.
        return await Task.Run(Work, CancellationToken.None);

        T Work()
        {
            var worker = new LentWorker(this, turn.Job);
            try
            {
                return worker.Run(work);
            }
            finally
            {
                Leave(worker, who);
            }
        }
    }

    private Turn Enter(string who, bool isWhole)
    {
        lock (gate)
        {
            if (!accounts.TryGetValue(who, out var account))
                accounts[who] = account = new();
            if (account.Jobs == MostOfStudent)
                throw Refusals.ManyWaiting(MostOfStudent, RetryAfter);
            account.Jobs++;
            return Wait(new Turn(new(account, isWhole), Now));
        }
    }

    /// <summary>Takes back what has not begun; it may have been granted just now.</summary>
    private void Withdraw(Turn turn, string who)
    {
        lock (gate)
        {
            if (!waiting.Remove(turn))
                GiveUp(turn.Job, Now);
            End(turn.Job, who);
        }
    }

    private void Leave(LentWorker worker, string who)
    {
        lock (gate)
        {
            Charge(worker, Now);
            GiveUp(worker.Job, Now);
            End(worker.Job, who);
        }
    }

    private void End(Job job, string who)
    {
        job.Account.Jobs--;
        if (job.HasBegun)
        {
            job.Account.Begun--;
            begun--;
        }
        Forget(who, job.Account);
        if (accounts.Count > manyAccounts)
        {
            foreach (var (other, account) in accounts)
                Forget(other, account);
            manyAccounts = Math.Max(ManyAccounts, 2 * accounts.Count);
        }
        GrantNext();
    }

    private void Forget(string who, Account account)
    {
        if (account.Jobs == 0 && account.UsedAt(Now) < Forgotten)
            accounts.Remove(who);
    }

    /// <summary>Lets another work if a slice is over and another comes before; returns when it is this work's turn again.</summary>
    public void YieldWhenDue(LentWorker worker)
    {
        if (!isAnyWaiting || Now - worker.Since < Slice)
            return;
        Turn? turn = null;
        lock (gate)
        {
            var now = Now;
            Charge(worker, now);
            var own = new Turn(worker.Job, now);
            if (
                First(now) is { } first
                && (
                    first.IsClearlyBefore(own, now)
                    || (now - worker.Began >= SliceAmongEquals && first.IsBefore(own, now))
                )
            )
            {
                GiveUp(worker.Job, now);
                turn = Wait(own);
            }
        }
        Resume(worker, turn);
    }

    /// <summary>Gives the worker up while something else is waited for.</summary>
    public void GiveUpWhile(LentWorker worker, Action wait)
    {
        lock (gate)
        {
            Charge(worker, Now);
            GiveUp(worker.Job, Now);
            GrantNext();
        }
        try
        {
            wait();
        }
        finally
        {
            Turn turn;
            lock (gate)
                turn = Wait(new Turn(worker.Job, Now));
            Resume(worker, turn);
        }
    }

    /// <summary>Begins a part of a job on a worker that nobody waits for; null where there is none.</summary>
    public Task? TryBegin(Job job, Action work)
    {
        lock (gate)
        {
            if (working == workers || waiting.Count > 0)
                return null;
            Take(job, Now);
        }
        return Task.Run(() =>
        {
            var worker = new LentWorker(this, job);
            try
            {
                worker.Run(work);
            }
            finally
            {
                lock (gate)
                {
                    Charge(worker, Now);
                    GiveUp(job, Now);
                    GrantNext();
                }
            }
        });
    }

    private static void Resume(LentWorker worker, Turn? turn)
    {
        turn?.Granted.Wait();
        worker.Begin();
    }

    private Turn Wait(Turn turn)
    {
        waiting.Add(turn);
        GrantNext();
        return turn;
    }

    private void GrantNext()
    {
        var now = Now;
        while (working < workers && First(now) is { } turn)
        {
            waiting.Remove(turn);
            if (!turn.Job.HasBegun)
            {
                turn.Job.Account.Begun++;
                begun++;
            }
            Take(turn.Job, now);
            turn.Grant();
        }
        isAnyWaiting = waiting.Count > 0;
    }

    private void Take(Job job, TimeSpan now)
    {
        working++;
        if (job.IsWhole)
            workingWhole++;
        job.GetsWorker(now);
    }

    private void GiveUp(Job job, TimeSpan now)
    {
        working--;
        if (job.IsWhole)
            workingWhole--;
        job.LosesWorker(now);
    }

    private static void Charge(LentWorker worker, TimeSpan now)
    {
        var work = now - worker.Since;
        worker.Since = now;
        worker.Job.Used += work;
        worker.Job.Account.Charge(work, now);
    }

    /// <summary>Who comes first of those that may work now.</summary>
    private Turn? First(TimeSpan now)
    {
        var lowestBegun = begun < MostBegun ? int.MaxValue : LowestBegun(now);
        Turn? first = null;
        foreach (var turn in waiting)
            if (MayWork(turn.Job, lowestBegun, now) && (first is null || turn.IsBefore(first, now)))
                first = turn;
        return first;
    }

    private bool MayWork(Job job, int lowestBegun, TimeSpan now) =>
        (!job.IsWhole || workingWhole < workers - 1)
        && (
            job.HasBegun
            || (job.Account.Begun < MostBegunOfStudent && begun < MostBegun)
            || (job.Account.Begun == 0 && job.Account.LevelAt(now) < lowestBegun)
        );

    /// <summary>The least that any student had lately whose work has begun and waits.</summary>
    private int LowestBegun(TimeSpan now) =>
        waiting.Where(turn => turn.Job.HasBegun).Select(turn => turn.Job.Account.LevelAt(now)).DefaultIfEmpty().Min();

    public static TimeSpan Now => Stopwatch.GetElapsedTime(0);
}
