using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Catalogue;

/// <summary>Catalogues stood in tables of the database once; a database that is older gets a file for its own.</summary>
internal static class CatalogueMove
{
    /// <summary>The last migration with those tables; the next one drops them.</summary>
    private const string LastWithTables = "20261130103257_StepSizes";

    /// <summary>The import that the migration says is the one that holds.</summary>
    private const int Import = 1;

    /// <summary>Writes the file before the tables go; nothing for a database that has none.</summary>
    /// <param name="database">The database.</param>
    /// <param name="newest">The newest migration that was made; null for a new file.</param>
    /// <param name="cancellation">Stops before anything is written.</param>
    public static async Task BeforeMigrationAsync(
        HourGridContext database,
        string? newest,
        CancellationToken cancellation
    )
    {
        if (newest is null || string.CompareOrdinal(newest, LastWithTables) > 0)
            return;
        await database.Database.MigrateAsync(LastWithTables, cancellation);
        await database.Database.OpenConnectionAsync(cancellation);
        var connection = database.Database.GetDbConnection();
        if (new RowSource(connection).All("SELECT Id FROM Catalogue", row => row.Whole()).Count > 0)
        {
            var files = CatalogueFiles.Beside(connection.DataSource);
            files.Keep(files.Write(KeptRows.Read(connection)), Import);
        }
        await database.Database.CloseConnectionAsync();
    }
}
