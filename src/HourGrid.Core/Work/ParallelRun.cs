namespace HourGrid.Core.Work;

/// <summary>Work that any number of threads do together: each takes the next piece until there is none.</summary>
public static class ParallelRun
{
    /// <summary>Runs the same work on several threads, this one among them, and waits for all.</summary>
    /// <param name="most">How many at most, at least 1; only on workers that are idle.</param>
    /// <param name="work">Given the number of its thread, 0 for this one. One alone must come to the end.</param>
    internal static void Of(int most, Action<int> work)
    {
        List<Task>? others = null;
        for (var i = 1; i < most; i++)
        {
            var number = i;
            if (Worker.TryBegin(() => work(number)) is not { } other)
                break;
            (others ??= []).Add(other);
        }
        if (others is null)
        {
            work(0);
            return;
        }
        var all = Task.WhenAll(others);
        try
        {
            work(0);
        }
        finally
        {
            // What they work on is this thread's; it stays until they have done with it. They may have failed.
            Worker.WaitFor(() => Task.WaitAny(all));
        }
        all.GetAwaiter().GetResult();
    }

    /// <summary>Does something for each of so many things, on this thread and on workers that are idle.</summary>
    /// <param name="count">How many.</param>
    /// <param name="work">Given the number of a thing, from 0; each is given once.</param>
    public static void ForEach(int count, Action<int> work)
    {
        var taken = -1;
        Of(
            Math.Clamp(count, 1, Environment.ProcessorCount),
            _ =>
            {
                while (Interlocked.Increment(ref taken) is var one && one < count)
                    work(one);
            }
        );
    }
}
