namespace HourGrid.Core.Engine.Counting;

/// <summary>Work shared among threads.</summary>
internal static class Shared
{
    /// <summary>Runs the same work on several threads, this one among them, and waits for all.</summary>
    /// <param name="workers">How many, at least 1.</param>
    /// <param name="work">Given the number of its worker, 0 for this thread.</param>
    public static void Run(int workers, Action<int> work)
    {
        if (workers == 1)
        {
            work(0);
            return;
        }
        var others = new Task[workers - 1];
        for (var i = 0; i < others.Length; i++)
        {
            var worker = i + 1;
            others[i] = Task.Run(() => work(worker));
        }
        work(0);
        Task.WaitAll(others);
    }
}
