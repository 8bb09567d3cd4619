using HourGrid.Core.Catalogue;
using HourGrid.Data.Sketches;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Catalogue;

/// <summary>Writes a newer catalogue over the one that is kept, within a transaction that has begun.</summary>
internal sealed class CatalogueMerge(HourGridContext database, UniversityCatalogue catalogue, DateTime asOfUtc)
{
    private readonly HashSet<string> terms = [.. catalogue.Terms.Select(term => term.Id.Value)];

    public async Task WriteAsync(CatalogueChanges changes, CancellationToken cancellation)
    {
        var kept = await database.Catalogue.SingleAsync(cancellation);
        kept.Institution = catalogue.Institution;
        kept.TimeZone = catalogue.TimeZone;
        kept.Version++;
        await CampusesAsync(cancellation);
        await TermsAsync(cancellation);
        await CoursesAsync(cancellation);
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
        await database.SaveChangesAsync(cancellation);
    }

    /// <summary>Campuses that other terms may still name stay.</summary>
    private async Task CampusesAsync(CancellationToken cancellation)
    {
        var known = await database.Campuses.ToDictionaryAsync(row => row.Id, cancellation);
        foreach (var row in catalogue.Campuses.Select(RowsOf.Campus))
            if (known.TryGetValue(row.Id, out var campus))
                (campus.Name, campus.Position) = (row.Name, row.Position);
            else
                database.Campuses.Add(row);
        await database.Travel.ExecuteDeleteAsync(cancellation);
        database.Travel.AddRange(RowsOf.Travel(catalogue.Travel));
    }

    private async Task TermsAsync(CancellationToken cancellation)
    {
        var known = await database
            .Terms.Include(row => row.Parts)
            .Include(row => row.NoClass)
            .AsSplitQuery()
            .ToDictionaryAsync(row => row.Id, cancellation);
        foreach (var row in catalogue.Terms.Select(RowsOf.Term))
        {
            if (!known.TryGetValue(row.Id, out var term))
            {
                database.Terms.Add(row);
                continue;
            }
            (term.Name, term.Start, term.End, term.Position) = (row.Name, row.Start, row.End, row.Position);
            // Rows with the same key cannot be removed and added in one go.
            database.RemoveRange(term.Parts);
            database.RemoveRange(term.NoClass);
            await database.SaveChangesAsync(cancellation);
            database.AddRange(row.Parts);
            database.AddRange(row.NoClass);
        }
    }

    private async Task CoursesAsync(CancellationToken cancellation)
    {
        var known = await database
            .Courses.Include(row => row.Sections.Where(section => terms.Contains(section.TermId)))
                .ThenInclude(section => section.Meetings)
            .Include(row => row.Sections.Where(section => terms.Contains(section.TermId)))
                .ThenInclude(section => section.Links)
            .AsSplitQuery()
            .ToDictionaryAsync(row => row.Id, cancellation);
        var sections = known
            .Values.SelectMany(course => course.Sections)
            .ToDictionary(section => (section.TermId, section.Number));
        var position = 0;
        foreach (var course in catalogue.Courses)
        {
            var row = RowsOf.Course(course, position++, asOfUtc);
            if (known.Remove(row.Id, out var old))
                database.Entry(old).CurrentValues.SetValues(row);
            else
            {
                old = row;
                database.Courses.Add(old);
                foreach (var section in row.Sections.ToArray())
                    if (sections.ContainsKey((section.TermId, section.Number)))
                        row.Sections.Remove(section);
            }
            foreach (var section in RowsOf.Course(course, 0, asOfUtc).Sections)
                if (sections.Remove((section.TermId, section.Number), out var its))
                    Overwrite(its, section);
                else if (old != row)
                    database.Sections.Add(section);
        }
        database.Sections.RemoveRange(sections.Values);
        await database.SaveChangesAsync(cancellation);
        await RemoveLeftCoursesAsync([.. known.Keys], cancellation);
    }

    private void Overwrite(SectionRow section, SectionRow with)
    {
        with.Id = section.Id;
        database.Entry(section).CurrentValues.SetValues(with);
        var meetings = section.Meetings.OrderBy(meeting => meeting.Position).ToArray();
        if (!meetings.Select(Content).SequenceEqual(with.Meetings.Select(Content)))
            Replace(meetings, with.Meetings, section.Id);
        var links = section.Links.OrderBy(link => link.Position).ToArray();
        if (!links.Select(link => link.LinkedNumber).SequenceEqual(with.Links.Select(link => link.LinkedNumber)))
            Replace(links, with.Links, section.Id);

        static object Content(MeetingRow row) =>
            (row.Days, row.StartMinute, row.EndMinute, row.Room, row.CampusId, row.From, row.To, row.EveryWeeks);
    }

    /// <summary>Puts new values into the rows that are there, in their order, so that no key is written twice.</summary>
    private void Replace<T>(T[] rows, List<T> with, int section)
        where T : class
    {
        for (var i = 0; i < with.Count; i++)
        {
            var entry = database.Entry(with[i]);
            entry.Property("SectionId").CurrentValue = section;
            if (i >= rows.Length)
            {
                entry.State = EntityState.Added;
                continue;
            }
            entry.State = EntityState.Detached;
            database.Entry(rows[i]).CurrentValues.SetValues(with[i]);
        }
        for (var i = rows.Length - 1; i >= with.Count; i--)
            database.Remove(rows[i]);
    }

    /// <summary>Courses that the catalogue does not have stay only for sections of other terms.</summary>
    private async Task RemoveLeftCoursesAsync(string[] left, CancellationToken cancellation)
    {
        foreach (var some in left.Chunk(500))
            await database
                .Courses.Where(row => some.Contains(row.Id))
                .Where(row => !row.Sections.Any())
                .ExecuteDeleteAsync(cancellation);
    }
}
