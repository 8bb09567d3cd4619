using HourGrid.Core.Catalogue;
using HourGrid.Data.Sketches;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Catalogue;

/// <summary>Writes a newer catalogue over the rows that were read of the one before: what differs, and nothing else.</summary>
internal sealed class CatalogueMerge(KeptRows kept, UniversityCatalogue catalogue, DateTime asOfUtc)
{
    private const int TheOnlyCatalogue = 1;

    private readonly HashSet<string> terms = [.. catalogue.Terms.Select(term => term.Id.Value)];

    /// <summary>Whether it was written; not where the rows are not those that were read any more.</summary>
    public async Task<bool> WriteAsync(
        HourGridContext database,
        CatalogueChanges changes,
        CancellationToken cancellation
    )
    {
        await using var transaction = await database.Database.BeginTransactionAsync(cancellation);
        if (await CatalogueReading.VersionAsync(database, cancellation) != kept.Version)
            return false;
        WriteCatalogue(database);
        WriteAll(database, kept.Subjects, catalogue.Subjects.Select(RowsOf.Subject), row => row.Code);
        WriteAll(database, kept.Campuses, catalogue.Campuses.Select(RowsOf.Campus), row => row.Id);
        await WriteTravelAsync(database, cancellation);
        WriteTerms(database);
        await WriteCoursesAsync(database, cancellation);
        WriteChanges(database, changes);
        await transaction.CommitAsync(cancellation);
        return true;
    }

    private void WriteCatalogue(HourGridContext database)
    {
        var row = new CatalogueRow
        {
            Id = TheOnlyCatalogue,
            Institution = catalogue.Institution,
            TimeZone = catalogue.TimeZone,
            Version = kept.Version + 1,
        };
        using var table = new RowTable<CatalogueRow>(database);
        if (kept.Catalogue is null)
            table.Insert(row);
        else
            table.Update(row);
    }

    /// <summary>Inserts what is new and overwrites what differs. What is not there any more stays: other terms may name it.</summary>
    private static void WriteAll<T>(
        HourGridContext database,
        IEnumerable<T> before,
        IEnumerable<T> after,
        Func<T, string> keyOf
    )
        where T : class
    {
        using var table = new RowTable<T>(database);
        var known = before.ToDictionary(keyOf);
        foreach (var row in after)
            if (!known.TryGetValue(keyOf(row), out var old))
                table.Insert(row);
            else if (!table.AreSame(old, row))
                table.Update(row);
    }

    private async Task WriteTravelAsync(HourGridContext database, CancellationToken cancellation)
    {
        await database.Travel.ExecuteDeleteAsync(cancellation);
        using var table = new RowTable<TravelRow>(database);
        foreach (var row in RowsOf.Travel(catalogue.Travel))
            table.Insert(row);
    }

    private void WriteTerms(HourGridContext database)
    {
        TermRow[] rows = [.. catalogue.Terms.Select(RowsOf.Term)];
        WriteAll(database, kept.Terms, rows, row => row.Id);
        var before = kept.Terms.Where(term => terms.Contains(term.Id)).ToArray();
        Replace(database, before.SelectMany(term => term.Parts), rows.SelectMany(term => term.Parts));
        Replace(database, before.SelectMany(term => term.NoClass), rows.SelectMany(term => term.NoClass));
    }

    private static void Replace<T>(HourGridContext database, IEnumerable<T> before, IEnumerable<T> after)
        where T : class
    {
        using var table = new RowTable<T>(database);
        foreach (var row in before)
            table.Delete(row);
        foreach (var row in after)
            table.Insert(row);
    }

    private async Task WriteCoursesAsync(HourGridContext database, CancellationToken cancellation)
    {
        CourseRow[] rows = [.. catalogue.Courses.Select((course, i) => RowsOf.Course(course, i, asOfUtc))];
        WriteAll(database, kept.Courses, rows, row => row.Id);
        WriteSections(database, rows.SelectMany(course => course.Sections));
        string[] ours = [.. terms];
        // Its seats are as old as the catalogue, also where nothing else of a section differs.
        await database
            .Sections.Where(row => ours.Contains(row.TermId))
            .ExecuteUpdateAsync(set => set.SetProperty(row => row.SeatsAsOfUtc, asOfUtc), cancellation);
        RemoveLeftCourses(database, rows);
    }

    private void WriteSections(HourGridContext database, IEnumerable<SectionRow> rows)
    {
        using var sections = new RowTable<SectionRow>(database);
        using var meetings = new RowTable<MeetingRow>(database);
        using var links = new RowTable<SectionLinkRow>(database);
        var known = kept
            .Sections.Where(section => terms.Contains(section.TermId))
            .ToDictionary(section => (section.TermId, section.Number));
        var lastId = kept.Sections.Select(section => section.Id).DefaultIfEmpty().Max();
        foreach (var row in rows)
        {
            known.Remove((row.TermId, row.Number), out var old);
            row.Id = old?.Id ?? ++lastId;
            foreach (var meeting in row.Meetings)
                meeting.SectionId = row.Id;
            foreach (var link in row.Links)
                link.SectionId = row.Id;
            if (old is null)
                sections.Insert(row);
            else if (!sections.AreSame(old, row, nameof(SectionRow.SeatsAsOfUtc)))
                sections.Update(row);
            WriteParts(meetings, old?.Meetings ?? [], row.Meetings);
            WriteParts(links, old?.Links ?? [], row.Links);
        }
        foreach (var gone in known.Values)
        {
            WriteParts(meetings, gone.Meetings, []);
            WriteParts(links, gone.Links, []);
            sections.Delete(gone);
        }
    }

    /// <summary>Rows that are numbered through within their section.</summary>
    private static void WriteParts<T>(RowTable<T> table, List<T> before, List<T> after)
        where T : class
    {
        for (var i = 0; i < after.Count; i++)
            if (i >= before.Count)
                table.Insert(after[i]);
            else if (!table.AreSame(before[i], after[i]))
                table.Update(after[i]);
        for (var i = after.Count; i < before.Count; i++)
            table.Delete(before[i]);
    }

    /// <summary>Courses that the catalogue does not have stay only for sections of other terms.</summary>
    private void RemoveLeftCourses(HourGridContext database, CourseRow[] rows)
    {
        var stay = kept
            .Sections.Where(section => !terms.Contains(section.TermId))
            .Select(section => section.CourseId);
        var named = rows.Select(row => row.Id).Concat(stay).ToHashSet();
        using var table = new RowTable<CourseRow>(database);
        foreach (var left in kept.Courses.Where(course => !named.Contains(course.Id)))
            table.Delete(left);
    }

    private void WriteChanges(HourGridContext database, CatalogueChanges changes)
    {
        database.SectionChanges.AddRange(
            changes
                .Sections.Where(one => one.Change is SectionChange.Gone or SectionChange.Moved)
                .Select(one => new SectionChangeRow
                {
                    TermId = one.Term.Value,
                    CourseId = one.Course.Value,
                    Number = one.Number.Value,
                    Label = one.Before!.Label,
                    IsGone = one.Change == SectionChange.Gone,
                    ImportedUtc = asOfUtc,
                })
        );
        database.SaveChanges();
        database.ChangeTracker.Clear();
    }
}
