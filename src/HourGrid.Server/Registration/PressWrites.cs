using HourGrid.Data;

namespace HourGrid.Server.Registration;

/// <summary>
/// Writes presses down, all that wait in one transaction (group commit): when many press at once it is the disk that takes
/// the time. Nobody is told that something is written before it is on the disk.
/// </summary>
internal sealed class PressWrites(IServiceScopeFactory scopes, WriteTurns writes)
{
    /// <summary>So that who comes first does not wait for too many.</summary>
    private const int MostTogether = 100;

    private readonly Lock entering = new();
    private readonly Queue<Waiting> queue = [];
    private bool isSaving;

    /// <summary>Makes a change, which is saved with those of others.</summary>
    /// <param name="change">
    /// What to change. It may be asked for a second time, where what others changed beside it could not be saved.
    /// </param>
    /// <returns>What the change gives, once it is saved.</returns>
    public async Task<T> SaveAsync<T>(Func<HourGridContext, Task<T>> change)
    {
        T result = default!;
        var waiting = new Waiting(
            async database => result = await change(database),
            new(TaskCreationOptions.RunContinuationsAsynchronously)
        );
        lock (entering)
        {
            queue.Enqueue(waiting);
            if (!isSaving)
            {
                isSaving = true;
                _ = Task.Run(SaveAllAsync);
            }
        }
        await waiting.Saved.Task;
        return result;
    }

    private async Task SaveAllAsync()
    {
        while (Next() is { Length: > 0 } together)
            await SaveTogetherAsync(together);
    }

    private Waiting[] Next()
    {
        lock (entering)
        {
            var together = new Waiting[Math.Min(queue.Count, MostTogether)];
            for (var index = 0; index < together.Length; index++)
                together[index] = queue.Dequeue();
            isSaving = together.Length > 0;
            return together;
        }
    }

    private async Task SaveTogetherAsync(Waiting[] together)
    {
        try
        {
            await using var scope = scopes.CreateAsyncScope();
            var database = scope.ServiceProvider.GetRequiredService<HourGridContext>();
            await using (var transaction = await writes.BeginAsync(database, CancellationToken.None))
            {
                foreach (var one in together)
                    await one.Change(database);
                await database.SaveChangesAsync();
                await transaction.CommitAsync(CancellationToken.None);
            }
            foreach (var one in together)
                one.Saved.SetResult();
        }
        catch (Exception) when (together.Length > 1)
        {
            // One that cannot be saved does not take the others along.
            foreach (var one in together)
                await SaveTogetherAsync([one]);
        }
        catch (Exception problem)
        {
            together[0].Saved.SetException(problem);
        }
    }

    private sealed record Waiting(Func<HourGridContext, Task> Change, TaskCompletionSource Saved);
}
