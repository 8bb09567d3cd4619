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
        Assert.Equal(["catalogue-1.db"], file.Catalogues());
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
        Assert.Empty(file.Catalogues());
    }

    /// <summary>Catalogues stood in tables of the database once.</summary>
    [Fact]
    public async Task A_catalogue_of_an_older_database_is_kept()
    {
        var sample = TestDatabase.Sample();
        await using (var database = Open())
        {
            await database.Database.MigrateAsync("StepSizes");
            await database.Database.ExecuteSqlRawAsync(
                """
                INSERT INTO Catalogue (Id, Institution, TimeZone, Version) VALUES (1, 'Old', 'Europe/Lisbon', 7);
                INSERT INTO Terms (Id, Position, Name, Start, "End") VALUES ('T', 0, 'Term', '2027-01-11', '2027-04-30');
                INSERT INTO Courses (Id, Position, Subject, Number, Title, Description, Materials, MinCreditsHundredths,
                    MaxCreditsHundredths, Level, Attributes, Corequisites, Restrictions)
                    VALUES ('TID 1', 0, 'TID', '1', 'Tides', '', '', 300, 300, 'undergraduate', '[]', '[]', '[]');
                INSERT INTO Sections (Id, CourseId, TermId, Number, Position, Label, Component, Arrangement, Mode,
                    Instructors, Capacity, Enrolled, WaitlistCapacity, Waitlisted, SeatsAsOfUtc, Status, Consent, Notes,
                    Materials)
                    VALUES (5, 'TID 1', 'T', '10001', 0, 'L01', 'lecture', '', 'InPerson', '["A. Body"]', 20, 3, 0, 0,
                    '2026-11-25 09:30:00', 'Open', 0, '', '');
                INSERT INTO Meetings (SectionId, Position, Days, StartMinute, EndMinute, Room, "From", "To", EveryWeeks)
                    VALUES (5, 0, 5, 540, 590, 'Hall', '2027-01-11', '2027-04-30', 1);
                """
            );
        }
        await DatabaseFile.PrepareAsync(file.File);
        await using var again = Open();
        var read = (await CatalogueReading.ReadAsync(again))!;
        Assert.Equal((1, 7, "Old"), (read.Import, read.Version, read.Catalogue.Institution));
        var section = read.Catalogue.Courses.Single().Sections.Single();
        Assert.Equal(("10001", 3, 1), (section.Number.Value, section.Seats.Enrolled, section.Patterns.Count));
        // A newer one is brought over it as over any other.
        await CatalogueImport.ImportAsync(again, sample, Now);
        Assert.Equal(
            [.. sample.Terms.Select(term => term.Id.Value), "T"],
            (await CatalogueReading.ReadAsync(again))!.Catalogue.Terms.Select(term => term.Id.Value)
        );
    }

    [Fact]
    public async Task A_start_after_one_killed_while_migrating_does_not_hang()
    {
        await using (var database = Open())
        {
            var older = database.Database.GetMigrations().SkipLast(2).Last();
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
