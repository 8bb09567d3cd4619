using HourGrid.Core.Catalogue;

namespace HourGrid.Data.Catalogue;

/// <summary>A newer catalogue over the rows of the one before: its terms are its own, the others stay as they are.</summary>
internal static class MergedRows
{
    private const int TheOnlyCatalogue = 1;

    /// <param name="kept">The rows of the one before; null where there is none.</param>
    /// <param name="catalogue">The newer one.</param>
    /// <param name="asOfUtc">When its seats were true.</param>
    public static KeptRows Of(KeptRows? kept, UniversityCatalogue catalogue, DateTime asOfUtc)
    {
        var terms = catalogue.Terms.Select(term => term.Id.Value).ToHashSet();
        CourseRow[] courses = [.. catalogue.Courses.Select((course, i) => RowsOf.Course(course, i, asOfUtc))];
        SectionRow[] stay = [.. (kept?.Sections ?? []).Where(section => !terms.Contains(section.TermId))];
        // Courses that it does not have stay only for sections of other terms.
        var held = stay.Select(section => section.CourseId).ToHashSet();
        return new(
            new()
            {
                Id = TheOnlyCatalogue,
                Institution = catalogue.Institution,
                TimeZone = catalogue.TimeZone,
            },
            With(
                catalogue.Subjects.Select(RowsOf.Subject),
                kept?.Subjects,
                row => row.Code,
                (row, i) => row.Position = i
            ),
            // What is not there any more stays: other terms may name it.
            With(
                catalogue.Campuses.Select(RowsOf.Campus),
                kept?.Campuses,
                row => row.Id,
                (row, i) => row.Position = i
            ),
            [.. RowsOf.Travel(catalogue.Travel)],
            With(catalogue.Terms.Select(RowsOf.Term), kept?.Terms, row => row.Id, (row, i) => row.Position = i),
            With(
                courses,
                kept?.Courses.Where(course => held.Contains(course.Id)),
                row => row.Id,
                (row, i) => row.Position = i
            ),
            Numbered([.. courses.SelectMany(course => course.Sections), .. stay])
        );
    }

    /// <summary>The newer rows, and after them those of before that they do not have.</summary>
    private static List<T> With<T>(
        IEnumerable<T> rows,
        IEnumerable<T>? before,
        Func<T, string> keyOf,
        Action<T, int> place
    )
    {
        var all = rows.ToList();
        var known = all.Select(keyOf).ToHashSet();
        all.AddRange((before ?? []).Where(row => !known.Contains(keyOf(row))));
        foreach (var (i, row) in all.Index())
            place(row, i);
        return all;
    }

    private static List<SectionRow> Numbered(List<SectionRow> sections)
    {
        foreach (var (i, section) in sections.Index())
        {
            section.Id = i + 1;
            foreach (var meeting in section.Meetings)
                meeting.SectionId = section.Id;
            foreach (var link in section.Links)
                link.SectionId = section.Id;
        }
        return sections;
    }
}
