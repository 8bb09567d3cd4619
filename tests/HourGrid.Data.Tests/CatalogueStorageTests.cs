using System.Text;
using System.Text.Json;
using System.Text.Json.Serialization;
using HourGrid.Core.Catalogue;
using HourGrid.Data.Catalogue;
using HourGrid.Formats.Catalogue;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Tests;

public sealed class CatalogueStorageTests : IDisposable
{
    private readonly DirectoryInfo folder = Directory.CreateTempSubdirectory("hour-grid-data-");

    public void Dispose()
    {
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        folder.Delete(recursive: true);
    }

    private HourGridContext Open()
    {
        var options = new DbContextOptionsBuilder<HourGridContext>();
        DatabaseFile.Use(options, Path.Combine(folder.FullName, "hour-grid.db"));
        return new(options.Options);
    }

    private static UniversityCatalogue Sample()
    {
        for (var at = new DirectoryInfo(AppContext.BaseDirectory); at is not null; at = at.Parent)
            if (Path.Combine(at.FullName, "demo", "saltmere.catalogue.json") is var file && File.Exists(file))
                return CatalogueJson.Read(File.ReadAllBytes(file)).Value;
        throw new FileNotFoundException("demo/saltmere.catalogue.json");
    }

    [Fact]
    public async Task What_was_imported_is_read_back_whole()
    {
        var sample = Sample();
        await using (var database = Open())
        {
            await DatabaseFile.PrepareAsync(database);
            Assert.Null(await CatalogueReading.ReadAsync(database));
            Assert.True(await CatalogueImport.ImportFirstAsync(database, sample));
        }
        await using var again = Open();
        var read = await CatalogueReading.ReadAsync(again);
        var (catalogue, version) = read!.Value;
        Assert.Equal(1, version);
        Assert.Equal(Say(sample), Say(catalogue));
    }

    [Fact]
    public async Task A_second_start_finds_the_catalogue_and_imports_nothing()
    {
        var sample = Sample();
        for (var start = 0; start < 2; start++)
        {
            await using var database = Open();
            await DatabaseFile.PrepareAsync(database);
            Assert.Equal(start == 0, await CatalogueImport.ImportFirstAsync(database, sample));
        }
        await using var after = Open();
        Assert.Equal(sample.Courses.Count, await after.Courses.CountAsync());
    }

    [Fact]
    public async Task A_failed_import_leaves_nothing_behind()
    {
        var sample = Sample();
        var broken = sample with { Courses = [.. sample.Courses, sample.Courses[0] with { Id = new("TWICE 1") }] };
        await using (var database = Open())
        {
            await DatabaseFile.PrepareAsync(database);
            await Assert.ThrowsAsync<DbUpdateException>(() => CatalogueImport.ImportFirstAsync(database, broken));
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
            await DatabaseFile.PrepareAsync(database);
            await database.Database.ExecuteSqlRawAsync(
                "INSERT INTO __EFMigrationsLock (Id, Timestamp) VALUES (1, '2027-01-01')"
            );
        }
        await using var again = Open();
        await DatabaseFile.PrepareAsync(again);
        Assert.Empty(await again.Database.GetPendingMigrationsAsync());
    }

    [Fact]
    public async Task The_file_writes_ahead_and_to_the_disk()
    {
        await using var database = Open();
        await DatabaseFile.PrepareAsync(database);
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

    /// <summary>Everything a catalogue holds, as text; the travel table has no order of its own.</summary>
    private static string Say(UniversityCatalogue catalogue) =>
        Encoding.UTF8.GetString(
            JsonSerializer.SerializeToUtf8Bytes(
                catalogue with
                {
                    Travel = [.. catalogue.Travel.OrderBy(entry => entry.From).ThenBy(entry => entry.To)],
                },
                Whole
            )
        );

    private static readonly JsonSerializerOptions Whole = new() { Converters = { new AnyPrerequisite() } };

    private sealed class AnyPrerequisite : JsonConverter<Prerequisite>
    {
        public override Prerequisite Read(ref Utf8JsonReader reader, Type type, JsonSerializerOptions options) =>
            throw new NotSupportedException();

        public override void Write(Utf8JsonWriter writer, Prerequisite value, JsonSerializerOptions options)
        {
            writer.WriteStartObject();
            writer.WritePropertyName(value.GetType().Name);
            JsonSerializer.Serialize(writer, (object)value, value.GetType(), options);
            writer.WriteEndObject();
        }
    }
}
