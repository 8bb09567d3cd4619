using System.Diagnostics;
using HourGrid.Core.Catalogue;
using HourGrid.Data.Sketches;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Catalogue;

/// <summary>
/// What imports did to sections. It is written a few rows at a time, so that nobody who saves waits for it, and nobody is
/// told of it before its import holds.
/// </summary>
internal sealed class SectionNews(HourGridContext database)
{
    private const int RowsAtATime = 100;

    /// <summary>
    /// After each piece the database is left to others for so many times as long: whoever finds it taken looks again after a
    /// pause, and would seldom find it free if the next piece came at once.
    /// </summary>
    private const int Rest = 9;

    /// <summary>Writes what an import did, instead of what one of the same number left when it was killed.</summary>
    public async Task WriteAsync(
        CatalogueChanges changes,
        int import,
        DateTime importedUtc,
        CancellationToken cancellation
    )
    {
        await DropAsync(database.SectionChanges.Where(row => row.Import >= import), cancellation);
        var news = changes
            .Sections.Where(one => one.Change is SectionChange.Gone or SectionChange.Moved)
            .Select(one => new SectionChangeRow
            {
                TermId = one.Term.Value,
                CourseId = one.Course.Value,
                Number = one.Number.Value,
                Label = one.Before!.Label,
                IsGone = one.Change == SectionChange.Gone,
                ImportedUtc = importedUtc,
                Import = import,
            });
        foreach (var some in news.Chunk(RowsAtATime))
            await RestAfterAsync(() => InsertAsync(some, cancellation), cancellation);
    }

    /// <summary>Drops all of a section but the newest, which alone is told; or they would grow with every import.</summary>
    public Task DropOlderAsync(CancellationToken cancellation) =>
        DropAsync(
            database.SectionChanges.Where(older =>
                database.SectionChanges.Any(newer =>
                    newer.TermId == older.TermId && newer.Number == older.Number && newer.Id > older.Id
                )
            ),
            cancellation
        );

    /// <summary>Looks for the rows before anything is locked.</summary>
    private async Task DropAsync(IQueryable<SectionChangeRow> rows, CancellationToken cancellation)
    {
        var ids = await rows.Select(row => row.Id).ToListAsync(cancellation);
        foreach (var some in ids.Chunk(RowsAtATime))
            await RestAfterAsync(
                () => database.SectionChanges.Where(row => some.Contains(row.Id)).ExecuteDeleteAsync(cancellation),
                cancellation
            );
    }

    private async Task InsertAsync(SectionChangeRow[] rows, CancellationToken cancellation)
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        using var table = new RowTable<SectionChangeRow>(database);
        table.InsertAll(rows);
        await transaction.CommitAsync(cancellation);
    }

    private static async Task RestAfterAsync(Func<Task> write, CancellationToken cancellation)
    {
        var began = Stopwatch.GetTimestamp();
        await write();
        await Task.Delay(Rest * Stopwatch.GetElapsedTime(began), cancellation);
    }
}
