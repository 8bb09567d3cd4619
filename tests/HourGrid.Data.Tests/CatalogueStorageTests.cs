using HourGrid.Data.Catalogue;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Tests;

public sealed class CatalogueStorageTests : IDisposable
{
    private static readonly DateTime Now = new(2026, 11, 25, 9, 30, 0, DateTimeKind.Utc);
    private readonly TestDatabase file = new();

    public void Dispose() => file.Dispose();

    private HourGridContext Open() => file.Open();

    [Fact]
    public async Task What_was_imported_is_read_back_whole()
    {
        var sample = TestDatabase.Sample();
        await using (var database = Open())
        {
            await DatabaseFile.PrepareAsync(file.File);
            Assert.Null(await CatalogueReading.ReadAsync(database));
            Assert.True(await CatalogueImport.ImportFirstAsync(database, sample, Now));
        }
        await using var again = Open();
        var read = await CatalogueReading.ReadAsync(again);
        Assert.Equal(1, read!.Version);
        Assert.Equal(TestDatabase.Say(sample), TestDatabase.Say(read.Catalogue));
        Assert.All(read.SeatsAsOfUtc.Values, asOf => Assert.Equal(Now, asOf));
    }

    [Fact]
    public async Task A_second_start_finds_the_catalogue_and_imports_nothing()
    {
        var sample = TestDatabase.Sample();
        for (var start = 0; start < 2; start++)
        {
            await using var database = Open();
            await DatabaseFile.PrepareAsync(file.File);
            Assert.Equal(start == 0, await CatalogueImport.ImportFirstAsync(database, sample, Now));
        }
        await using var after = Open();
        Assert.Equal(sample.Courses.Count, await after.Courses.CountAsync());
    }

    [Fact]
    public async Task A_failed_import_leaves_nothing_behind()
    {
        var sample = TestDatabase.Sample();
        var nowhere = sample.Courses[0].Sections[0] with { Campus = new("NOWHERE"), Number = new("99999") };
        var broken = sample with
        {
            Courses = [.. sample.Courses, sample.Courses[0] with { Id = new("LAST 1"), Sections = [nowhere] }],
        };
        await using (var database = Open())
        {
            await DatabaseFile.PrepareAsync(file.File);
            await Assert.ThrowsAsync<SqliteException>(() => CatalogueImport.ImportFirstAsync(database, broken, Now));
        }
        await using var after = Open();
        Assert.Null(await CatalogueReading.ReadAsync(after));
        Assert.Equal(0, await after.Courses.CountAsync());
        Assert.Equal(0, await after.Campuses.CountAsync());
    }

    [Fact]
    public async Task A_start_after_one_killed_while_migrating_does_not_hang()
    {
        await using (var database = Open())
        {
            var older = database.Database.GetMigrations().SkipLast(1).Last();
            await database.Database.MigrateAsync(older);
            await database.Database.ExecuteSqlRawAsync(
                "INSERT INTO __EFMigrationsLock (Id, Timestamp) VALUES (1, '2027-01-01')"
            );
        }
        await using var again = Open();
        await DatabaseFile.PrepareAsync(file.File);
        Assert.Empty(await again.Database.GetPendingMigrationsAsync());
    }

    [Fact]
    public async Task The_file_writes_ahead_and_to_the_disk()
    {
        await using var database = Open();
        await DatabaseFile.PrepareAsync(file.File);
        Assert.Equal("wal", await Pragma(database, "journal_mode"));
        Assert.Equal("2", await Pragma(database, "synchronous"));
        Assert.Equal("1", await Pragma(database, "foreign_keys"));
    }

    [Fact]
    public async Task The_migrations_hold_the_whole_model()
    {
        await using var database = Open();
        Assert.False(database.Database.HasPendingModelChanges());
    }

    private static async Task<string> Pragma(HourGridContext database, string name)
    {
        await database.Database.OpenConnectionAsync();
        await using var command = database.Database.GetDbConnection().CreateCommand();
        command.CommandText = $"PRAGMA {name};";
        return (await command.ExecuteScalarAsync())!.ToString()!;
    }
}
