using Microsoft.EntityFrameworkCore.Storage;

namespace HourGrid.Data;

/// <summary>
/// Who writes next, in the order they came: SQLite takes one writer at a time, and those who find it taken look again after
/// pauses in which others go before them.
/// </summary>
public sealed class WriteTurns : IDisposable
{
    private readonly SemaphoreSlim turn = new(1);

    /// <summary>Waits for its turn and begins a transaction, which lasts until it is disposed.</summary>
    /// <param name="database">The database.</param>
    /// <param name="cancellation">Leaves the queue.</param>
    public async Task<WriteTurn> BeginAsync(HourGridContext database, CancellationToken cancellation)
    {
        // A connection takes some megabytes, so who waits has none.
        await turn.WaitAsync(cancellation);
        try
        {
            return new(await database.Database.BeginTransactionAsync(cancellation), turn);
        }
        catch
        {
            turn.Release();
            throw;
        }
    }

    /// <inheritdoc/>
    public void Dispose() => turn.Dispose();
}

/// <summary>A transaction of a writer whose turn it is. What is not committed when it is disposed did not happen.</summary>
public sealed class WriteTurn : IAsyncDisposable
{
    private readonly IDbContextTransaction transaction;
    private readonly SemaphoreSlim turn;

    internal WriteTurn(IDbContextTransaction transaction, SemaphoreSlim turn)
    {
        this.transaction = transaction;
        this.turn = turn;
    }

    /// <summary>Makes what was written last.</summary>
    /// <param name="cancellation">Stops before anything is committed.</param>
    public Task CommitAsync(CancellationToken cancellation) => transaction.CommitAsync(cancellation);

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        try
        {
            await transaction.DisposeAsync();
        }
        finally
        {
            turn.Release();
        }
    }
}
