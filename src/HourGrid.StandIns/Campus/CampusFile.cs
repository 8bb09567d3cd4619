using System.Globalization;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Campus;

/// <summary>The file of the campus: made anew where there is none, or one of another shape.</summary>
internal static class CampusFile
{
    /// <summary>Grows with every change of the rows: a campus that is only simulated begins again.</summary>
    private const int Shape = 4;

    public static string ConnectionTo(string folder) =>
        new SqliteConnectionStringBuilder { DataSource = Path.Combine(folder, "campus.db") }.ConnectionString;

    public static async Task PrepareAsync(
        CampusContext campus,
        CampusClock clock,
        string seed,
        CampusCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        if (await ShapeAsync(campus, cancellation) != Shape)
        {
            await campus.Database.EnsureDeletedAsync(cancellation);
            await campus.Database.EnsureCreatedAsync(cancellation);
            await campus.Database.ExecuteSqlRawAsync("PRAGMA journal_mode = WAL", cancellation);
            await using var transaction = await campus.Database.BeginTransactionAsync(cancellation);
            await CampusSeed.PlantAsync(campus, seed, catalogue, cancellation);
            await campus.Database.ExecuteSqlRawAsync(
                string.Create(CultureInfo.InvariantCulture, $"PRAGMA user_version = {Shape}"),
                cancellation
            );
            await transaction.CommitAsync(cancellation);
        }
        clock.Ahead = TimeSpan.FromSeconds((await campus.Clocks.SingleAsync(cancellation)).AheadSeconds);
    }

    private static async Task<int> ShapeAsync(CampusContext campus, CancellationToken cancellation)
    {
        await campus.Database.OpenConnectionAsync(cancellation);
        await using var command = campus.Database.GetDbConnection().CreateCommand();
        command.CommandText = "PRAGMA user_version";
        var shape = Convert.ToInt32(await command.ExecuteScalarAsync(cancellation), CultureInfo.InvariantCulture);
        await campus.Database.CloseConnectionAsync();
        return shape;
    }
}
