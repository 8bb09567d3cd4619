using System.Reflection;
using HourGrid.Data.Catalogue;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.EntityFrameworkCore.Migrations;

namespace HourGrid.Data;

/// <summary>Opens the database file and brings it up to date.</summary>
public static class DatabaseFile
{
    /// <summary>The database of a data folder.</summary>
    public static string In(string folder) => Path.Combine(folder, "hour-grid.db");

    /// <summary>Sets a context up on the file at a path.</summary>
    public static void Use(DbContextOptionsBuilder options, string path) =>
        options.UseSqlite(ConnectionTo(path)).AddInterceptors(DurableConnections.Instance);

    /// <summary>A context on the file at a path.</summary>
    public static HourGridContext Open(string path)
    {
        var options = new DbContextOptionsBuilder<HourGridContext>();
        Use(options, path);
        return new(options.Options);
    }

    /// <summary>Creates the file or migrates it. Only one process may do so at a time; see the data folder's lock.</summary>
    public static async Task PrepareAsync(string path, CancellationToken cancellation = default)
    {
        KeepPrivate(path);
        var (newest, isInterrupted) = StateOf(path);
        // Finding that there is nothing to migrate takes the migrator a second or two.
        if (newest == NewestMigration)
            return;
        await using var database = Open(path);
        // A process killed while migrating leaves its lock behind, and the next start would wait for it forever.
        if (isInterrupted)
            await database.Database.ExecuteSqlRawAsync("DELETE FROM __EFMigrationsLock;", cancellation);
        await CatalogueMove.BeforeMigrationAsync(database, newest, cancellation);
        await database.Database.MigrateAsync(cancellation);
        await database.Database.ExecuteSqlRawAsync("PRAGMA journal_mode = WAL;", cancellation);
    }

    /// <summary>Lets its owner alone read the file; the files that SQLite puts beside it take over who may.</summary>
    private static void KeepPrivate(string path)
    {
        const UnixFileMode owner = UnixFileMode.UserRead | UnixFileMode.UserWrite;
        if (!File.Exists(path))
            new FileStream(
                path,
                new FileStreamOptions
                {
                    Mode = FileMode.CreateNew,
                    Access = FileAccess.Write,
                    UnixCreateMode = owner,
                }
            ).Dispose();
        else if (File.GetUnixFileMode(path) != owner)
            File.SetUnixFileMode(path, owner);
    }

    /// <summary>How the file is connected to.</summary>
    internal static string ConnectionTo(string path) =>
        new SqliteConnectionStringBuilder { DataSource = path, ForeignKeys = true }.ConnectionString;

    /// <summary>The newest migration that was made, null where there is no such file; and whether one was interrupted.</summary>
    private static (string? Newest, bool IsInterrupted) StateOf(string path)
    {
        if (!File.Exists(path))
            return (null, false);
        using var connection = new SqliteConnection(ConnectionTo(path));
        connection.Open();
        return (Last("__EFMigrationsHistory", "MigrationId"), Last("__EFMigrationsLock", "Id") is not null);

        string? Last(string table, string column)
        {
            using var command = connection.CreateCommand();
            command.CommandText = "SELECT COUNT(*) FROM sqlite_master WHERE name = $table";
            command.Parameters.AddWithValue("$table", table);
            if (command.ExecuteScalar() is 0L)
                return null;
            command.CommandText = $"SELECT MAX({column}) FROM {table}";
            return command.ExecuteScalar() is { } value and not DBNull ? $"{value}" : null;
        }
    }

    private static string NewestMigration { get; } =
        typeof(HourGridContext)
            .Assembly.GetTypes()
            .Select(type => type.GetCustomAttribute<MigrationAttribute>()?.Id)
            .Max(StringComparer.Ordinal)!;

    /// <summary>A change shown as saved is on the disk, also when the machine stops.</summary>
    private sealed class DurableConnections : DbConnectionInterceptor
    {
        // Another process may write, too: SQLite itself looks again within milliseconds, the driver after 150.
        private const string Pragmas = "PRAGMA synchronous = FULL; PRAGMA busy_timeout = 5000;";

        public static DurableConnections Instance { get; } = new();

        public override void ConnectionOpened(
            System.Data.Common.DbConnection connection,
            ConnectionEndEventData eventData
        )
        {
            using var command = connection.CreateCommand();
            command.CommandText = Pragmas;
            command.ExecuteNonQuery();
        }

        public override async Task ConnectionOpenedAsync(
            System.Data.Common.DbConnection connection,
            ConnectionEndEventData eventData,
            CancellationToken cancellationToken = default
        )
        {
            await using var command = connection.CreateCommand();
            command.CommandText = Pragmas;
            await command.ExecuteNonQueryAsync(cancellationToken);
        }
    }
}
