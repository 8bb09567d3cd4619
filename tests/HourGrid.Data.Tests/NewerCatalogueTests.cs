using HourGrid.Core.Catalogue;
using HourGrid.Data.Catalogue;
using HourGrid.Data.Sketches;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Tests;

/// <summary>A newer catalogue over one that is kept.</summary>
public sealed class NewerCatalogueTests : IDisposable
{
    private static readonly DateTime Before = new(2026, 11, 25, 9, 30, 0, DateTimeKind.Utc);
    private static readonly DateTime Now = Before.AddDays(1);
    private readonly TestDatabase file = new();

    public void Dispose() => file.Dispose();

    [Fact]
    public async Task The_first_one_is_all_new()
    {
        var sample = TestDatabase.Sample();
        await PrepareAsync();
        var changes = await ImportAsync(sample, Now);
        Assert.Equal(sample.Courses.Count, changes.NewCourses.Count);
        Assert.All(changes.Sections, one => Assert.Equal(SectionChange.New, one.Change));
        Assert.Equal(TestDatabase.Say(sample), TestDatabase.Say(await ReadAsync()));
    }

    [Fact]
    public async Task The_same_one_again_changes_nothing_but_the_version()
    {
        var sample = TestDatabase.Sample();
        await PrepareAsync();
        await ImportAsync(sample, Before);
        var changes = await ImportAsync(sample, Now);
        Assert.Empty(changes.NewCourses);
        Assert.Empty(changes.GoneCourses);
        Assert.Empty(changes.Sections);
        Assert.Equal(TestDatabase.Say(sample), TestDatabase.Say(await ReadAsync()));
        await using var database = file.Open();
        Assert.Equal(2, (await CatalogueReading.StateAsync(database))!.Version);
    }

    [Fact]
    public async Task Every_change_is_told()
    {
        var sample = TestDatabase.Sample();
        var newer = Newer(sample, out var told);
        await PrepareAsync();
        await ImportAsync(sample, Before);
        var changes = await ImportAsync(newer, Now);

        Assert.Equal(
            told.OrderBy(pair => pair.Key).ToArray(),
            changes
                .Sections.Select(one => KeyValuePair.Create(one.Number.Value, one.Change))
                .OrderBy(pair => pair.Key)
                .ToArray()
        );
        Assert.Equal(TestDatabase.Say(newer), TestDatabase.Say(await ReadAsync()));
        await using var database = file.Open();
        var kept = await database.SectionChanges.ToListAsync();
        Assert.Equal(
            told.Where(pair => pair.Value is SectionChange.Gone or SectionChange.Moved)
                .Select(pair => pair.Key)
                .Order(),
            kept.Select(row => row.Number).Order()
        );
    }

    [Fact]
    public async Task Terms_that_the_newer_one_does_not_have_stay()
    {
        var sample = TestDatabase.Sample();
        var term = sample.Terms[^1].Id;
        var only = sample with
        {
            Terms = [sample.Terms[^1]],
            Courses =
            [
                .. sample
                    .Courses.Where(course => course.Sections.Any(section => section.Term == term))
                    .Select(course => course with { Sections = [.. course.Sections.Where(s => s.Term == term)] }),
            ],
        };
        await PrepareAsync();
        await ImportAsync(sample, Before);
        var changes = await ImportAsync(only, Now);
        Assert.Empty(changes.Sections);
        var read = await ReadAsync();
        Assert.Equal(sample.Terms.Count, read.Terms.Count);
        Assert.Equal(
            sample.Courses.SelectMany(course => course.Sections).Select(section => section.Number).Order(),
            read.Courses.SelectMany(course => course.Sections).Select(section => section.Number).Order()
        );
    }

    [Fact]
    public async Task One_that_cannot_be_kept_changes_nothing()
    {
        var sample = TestDatabase.Sample();
        await PrepareAsync();
        await ImportAsync(sample, Before);
        var broken = sample with
        {
            Courses = [.. sample.Courses.Skip(1), sample.Courses[1] with { Id = new("TWICE 1") }],
        };
        await Assert.ThrowsAnyAsync<Exception>(() => ImportAsync(broken, Now));
        Assert.Equal(TestDatabase.Say(sample), TestDatabase.Say(await ReadAsync()));
        await using var database = file.Open();
        Assert.Equal(1, (await CatalogueReading.StateAsync(database))!.Version);
        Assert.Equal(["catalogue-1.db"], file.Catalogues());
        Assert.Equal(0, await database.SectionChanges.CountAsync());
    }

    [Fact]
    public async Task The_one_before_stays_until_the_next()
    {
        var sample = TestDatabase.Sample();
        await PrepareAsync();
        foreach (var _ in Enumerable.Range(0, 4))
            await ImportAsync(sample, Now);
        Assert.Equal(["catalogue-3.db", "catalogue-4.db"], file.Catalogues());
    }

    [Fact]
    public async Task What_a_killed_import_left_is_cleared_away_by_the_next()
    {
        var sample = TestDatabase.Sample();
        await PrepareAsync();
        await ImportAsync(sample, Before);
        await using (var database = file.Open())
        {
            var untold = new SectionChangeRow
            {
                Number = "1",
                Label = "L01",
                CourseId = "TID 210",
                TermId = "2027SP",
                Import = 2,
            };
            database.SectionChanges.Add(untold);
            await database.SaveChangesAsync();
        }
        var part = Path.Combine(Path.GetDirectoryName(file.File)!, "catalogue-killed.part");
        await File.WriteAllTextAsync(part, "half a file");
        await ImportAsync(Newer(sample, out var told), Now);
        await using var after = file.Open();
        var news = await after.SectionChanges.ToListAsync();
        Assert.DoesNotContain(news, row => row.Number == "1");
        Assert.Equal(
            told.Count(pair => pair.Value is SectionChange.Gone or SectionChange.Moved),
            news.Count(row => row.Import == 2)
        );
        Assert.Equal(["catalogue-1.db", "catalogue-2.db"], file.Catalogues());
    }

    [Fact]
    public async Task Of_a_section_that_comes_and_goes_the_newest_is_kept()
    {
        var sample = TestDatabase.Sample();
        var newer = Newer(sample, out var told);
        await PrepareAsync();
        foreach (var catalogue in new[] { sample, newer, sample, newer, sample, newer })
            await ImportAsync(catalogue, Now);
        await using var database = file.Open();
        var news = await database.SectionChanges.ToListAsync();
        Assert.Equal(news.Count, news.DistinctBy(row => (row.TermId, row.Number)).Count());
        Assert.Equal(
            told.Where(pair => pair.Value is SectionChange.Gone or SectionChange.Moved)
                .Select(pair => pair.Key)
                .Order(),
            news.Where(row => row.Import == 6).Select(row => row.Number).Order()
        );
    }

    [Fact]
    public async Task Only_one_imports_at_a_time()
    {
        await PrepareAsync();
        var folder = Path.GetDirectoryName(file.File)!;
        await using (
            new FileStream(
                Path.Combine(folder, "import.lock"),
                FileMode.OpenOrCreate,
                FileAccess.ReadWrite,
                FileShare.None
            )
        )
            await Assert.ThrowsAsync<ImportUnderWayException>(() => ImportAsync(TestDatabase.Sample(), Now));
        await ImportAsync(TestDatabase.Sample(), Now);
    }

    [Fact]
    public async Task Where_the_newest_cannot_be_used_the_one_before_is()
    {
        var sample = TestDatabase.Sample();
        await PrepareAsync();
        await ImportAsync(sample, Before);
        await ImportAsync(sample with { Institution = "Newer" }, Now);
        await File.WriteAllTextAsync(
            Path.Combine(Path.GetDirectoryName(file.File)!, "catalogue-2.db"),
            "no database"
        );
        var (taken, failed) = (new List<KeptCatalogue>(), new List<int>());
        Assert.True(CatalogueReading.TakeUsable(file.File, taken.Add, (import, _) => failed.Add(import)));
        Assert.Equal((1, 2), (taken.Single().Import, taken.Single().Version));
        Assert.Equal(TestDatabase.Say(sample), TestDatabase.Say(taken.Single().Catalogue));
        Assert.Equal([2], failed);
        // What can be read but not served is passed over, too.
        taken.Clear();
        Assert.Throws<InvalidDataException>(() =>
            CatalogueReading.TakeUsable(
                file.File,
                _ => throw new ArithmeticException(),
                (import, _) => failed.Add(import)
            )
        );
        Assert.Equal([2, 2, 1], failed);
        // Importing again mends it.
        await ImportAsync(sample with { Institution = "Mended" }, Now);
        Assert.Equal("Mended", (await ReadAsync()).Institution);
    }

    /// <summary>A catalogue in which one section of each kind has changed, with what should be told.</summary>
    private static UniversityCatalogue Newer(UniversityCatalogue sample, out Dictionary<string, SectionChange> told)
    {
        var all = sample.Courses[2].Sections.Concat(sample.Courses[3].Sections).ToArray();
        var (gone, moved, fuller, taught, cancelled) = (all[0], all[1], all[2], all[3], all[4]);
        told = new()
        {
            [gone.Number.Value] = SectionChange.Gone,
            [moved.Number.Value] = SectionChange.Moved,
            [fuller.Number.Value] = SectionChange.Seats,
            [taught.Number.Value] = SectionChange.Other,
            [cancelled.Number.Value] = SectionChange.Gone,
            ["99001"] = SectionChange.New,
        };
        Section? Change(Section section) =>
            section == gone ? null
            : section == moved
                ? section with
                {
                    Patterns =
                    [
                        .. section.Patterns.Select(one =>
                            one with
                            {
                                Time = new(new(one.Time.Start.Value - 30), new(one.Time.End.Value - 30)),
                            }
                        ),
                        section.Patterns[0] with
                        {
                            Days = WeekdaySet.Of(Weekday.Saturday),
                        },
                    ],
                }
            : section == fuller
                ? section with
                {
                    Seats = section.Seats with { Enrolled = section.Seats.Enrolled + 1 },
                }
            : section == taught ? section with { Instructors = ["N. Newcomer"] }
            : section == cancelled ? section with { Status = SectionStatus.Cancelled }
            : section;
        Section[] Changed(Course course) =>
            [
                .. course
                    .Sections.Select(Change)
                    .OfType<Section>()
                    .Select(section =>
                        section with
                        {
                            LinkedTo = [.. section.LinkedTo.Where(number => number != gone.Number)],
                        }
                    ),
            ];
        var courses = sample.Courses.Select(course => course with { Sections = Changed(course) }).ToList();
        courses.Add(
            courses[0] with
            {
                Id = new("NEW 101"),
                Sections = [all[5] with { Number = new("99001"), LinkedTo = [] }],
            }
        );
        foreach (
            var relinked in sample
                .Courses.SelectMany(course => course.Sections)
                .Where(section => section != gone && section.LinkedTo.Contains(gone.Number))
        )
            told.TryAdd(relinked.Number.Value, SectionChange.Other);
        return sample with { Courses = courses };
    }

    private Task PrepareAsync() => DatabaseFile.PrepareAsync(file.File);

    private async Task<CatalogueChanges> ImportAsync(UniversityCatalogue catalogue, DateTime asOf)
    {
        await using var database = file.Open();
        return await CatalogueImport.ImportAsync(database, catalogue, asOf);
    }

    private async Task<UniversityCatalogue> ReadAsync()
    {
        await using var database = file.Open();
        return (await CatalogueReading.ReadAsync(database))!.Catalogue;
    }
}
