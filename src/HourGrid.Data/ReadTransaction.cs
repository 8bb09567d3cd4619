using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data;

/// <summary>A transaction that only reads: all it reads is of one moment, and nobody who writes waits for it.</summary>
internal sealed class ReadTransaction : IAsyncDisposable
{
    private readonly HourGridContext database;
    private readonly SqliteTransaction transaction;

    private ReadTransaction(HourGridContext database, SqliteTransaction transaction) =>
        (this.database, this.transaction) = (database, transaction);

    public static async Task<ReadTransaction> BeginAsync(HourGridContext database, CancellationToken cancellation)
    {
        await database.Database.OpenConnectionAsync(cancellation);
        var connection = (SqliteConnection)database.Database.GetDbConnection();
        // One that begins the usual way takes the lock of those who write.
        var begun = connection.BeginTransaction(deferred: true);
        await database.Database.UseTransactionAsync(begun, cancellation);
        return new(database, begun);
    }

    public async ValueTask DisposeAsync()
    {
        await database.Database.UseTransactionAsync(null);
        await transaction.DisposeAsync();
        await database.Database.CloseConnectionAsync();
    }
}
