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
        var head = kept?.Head;
        // Courses that it does not have stay only for sections of other terms.
        foreach (var course in kept?.Courses ?? [])
            course.Sections.RemoveAll(section => terms.Contains(section.TermId));
        var stay = (kept?.Courses ?? []).Where(course => course.Sections.Count > 0).ToDictionary(course => course.Id);
        CourseRow[] courses = [.. catalogue.Courses.Select((course, i) => RowsOf.Course(course, i, asOfUtc))];
        foreach (var course in courses)
            if (stay.TryGetValue(course.Id, out var before))
                course.Sections.AddRange(before.Sections);
        return new(
            new(
                new()
                {
                    Id = TheOnlyCatalogue,
                    Institution = catalogue.Institution,
                    TimeZone = catalogue.TimeZone,
                    Seasons = [.. catalogue.Seasons],
                },
                With(
                    catalogue.Subjects.Select(RowsOf.Subject),
                    head?.Subjects,
                    row => row.Code,
                    (row, i) => row.Position = i
                ),
                // What is not there any more stays: other terms may name it.
                With(
                    catalogue.Campuses.Select(RowsOf.Campus),
                    head?.Campuses,
                    row => row.Id,
                    (row, i) => row.Position = i
                ),
                [.. RowsOf.Travel(catalogue.Travel)],
                With(catalogue.Terms.Select(RowsOf.Term), head?.Terms, row => row.Id, (row, i) => row.Position = i)
            ),
            Numbered(With(courses, stay.Values, row => row.Id, (row, i) => row.Position = i))
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

    private static List<CourseRow> Numbered(List<CourseRow> courses)
    {
        var id = 0;
        foreach (var course in courses)
        foreach (var (i, section) in course.Sections.Index())
        {
            section.Id = ++id;
            section.Position = i;
            foreach (var meeting in section.Meetings)
                meeting.SectionId = id;
            foreach (var link in section.Links)
                link.SectionId = id;
        }
        return courses;
    }
}
