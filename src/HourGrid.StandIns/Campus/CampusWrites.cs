using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Campus;

/// <summary>
/// Changes of the campus, one after the other: all that students do to one section is done in an order, whoever asks from
/// however many connections. What happened is told once it is on the disk.
/// </summary>
internal sealed class CampusWrites(IDbContextFactory<CampusContext> contexts, CampusNews news, CampusClock clock)
    : IDisposable
{
    private readonly SemaphoreSlim turn = new(1);

    /// <summary>Makes a change in one transaction.</summary>
    public async Task<T> ChangeAsync<T>(Func<CampusContext, EventLog, Task<T>> change, CancellationToken cancellation)
    {
        await turn.WaitAsync(cancellation);
        try
        {
            await using var campus = await contexts.CreateDbContextAsync(cancellation);
            await using var transaction = await campus.Database.BeginTransactionAsync(cancellation);
            var log = new EventLog(campus, clock.UtcNow);
            var result = await change(campus, log);
            await campus.SaveChangesAsync(cancellation);
            await transaction.CommitAsync(CancellationToken.None);
            if (log.HasAny)
                news.Tell();
            return result;
        }
        finally
        {
            turn.Release();
        }
    }

    public void Dispose() => turn.Dispose();
}
