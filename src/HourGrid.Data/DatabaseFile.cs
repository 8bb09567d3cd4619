using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace HourGrid.Data;

/// <summary>Opens the database file and brings it up to date.</summary>
public static class DatabaseFile
{
    /// <summary>The database of a data folder.</summary>
    public static string In(string folder) => Path.Combine(folder, "hour-grid.db");

    /// <summary>Sets a context up on the file at a path.</summary>
    public static void Use(DbContextOptionsBuilder options, string path) =>
        options
            .UseSqlite(new SqliteConnectionStringBuilder { DataSource = path, ForeignKeys = true }.ConnectionString)
            .AddInterceptors(DurableConnections.Instance);

    /// <summary>Creates the file or migrates it. Only one process may do so at a time; see the data folder's lock.</summary>
    public static async Task PrepareAsync(HourGridContext database, CancellationToken cancellation = default)
    {
        await ForgetInterruptedMigrationAsync(database, cancellation);
        await database.Database.MigrateAsync(cancellation);
        await database.Database.ExecuteSqlRawAsync("PRAGMA journal_mode = WAL;", cancellation);
    }

    /// <summary>A process killed while migrating leaves its lock behind, and the next start would wait for it forever.</summary>
    private static async Task ForgetInterruptedMigrationAsync(
        HourGridContext database,
        CancellationToken cancellation
    )
    {
        var lockTables = await database
            .Database.SqlQueryRaw<int>(
                "SELECT COUNT(*) AS Value FROM sqlite_master WHERE name = '__EFMigrationsLock'"
            )
            .SingleAsync(cancellation);
        if (lockTables > 0)
            await database.Database.ExecuteSqlRawAsync("DELETE FROM __EFMigrationsLock;", cancellation);
    }

    /// <summary>A change shown as saved is on the disk, also when the machine stops.</summary>
    private sealed class DurableConnections : DbConnectionInterceptor
    {
        public static DurableConnections Instance { get; } = new();

        public override void ConnectionOpened(
            System.Data.Common.DbConnection connection,
            ConnectionEndEventData eventData
        )
        {
            using var command = connection.CreateCommand();
            command.CommandText = "PRAGMA synchronous = FULL;";
            command.ExecuteNonQuery();
        }

        public override async Task ConnectionOpenedAsync(
            System.Data.Common.DbConnection connection,
            ConnectionEndEventData eventData,
            CancellationToken cancellationToken = default
        )
        {
            await using var command = connection.CreateCommand();
            command.CommandText = "PRAGMA synchronous = FULL;";
            await command.ExecuteNonQueryAsync(cancellationToken);
        }
    }
}
