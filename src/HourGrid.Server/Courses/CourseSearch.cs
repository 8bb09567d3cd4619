using System.Globalization;
using System.Text;
using HourGrid.Core.Catalogue;

namespace HourGrid.Server.Courses;

/// <summary>Finds the courses someone means by a code or by words of a title.</summary>
internal static class CourseSearch
{
    /// <summary>Courses with sections in the term, best match first: by code, then by the words of the title.</summary>
    public static IEnumerable<OfferedCourse> Find(CatalogueSnapshot snapshot, string query)
    {
        var code = Letters(query);
        if (code.Length == 0)
            return [];
        var words = WordsOf(query);
        return snapshot
            .Courses.Where(offered => offered.Sections.Any(s => s.Section.Status != SectionStatus.Cancelled))
            .Select(offered => (offered, rank: Rank(offered.Course, code, words)))
            .Where(match => match.rank < NoMatch)
            .OrderBy(match => match.rank)
            .ThenBy(match => match.offered.Course.Id.Value, StringComparer.Ordinal)
            .Select(match => match.offered);
    }

    private const int NoMatch = int.MaxValue;

    private static int Rank(Course course, string code, string[] words)
    {
        var id = Letters(course.Id.Value);
        if (id == code)
            return 0;
        if (Letters(course.Number) == code)
            return 1;
        if (id.StartsWith(code, StringComparison.Ordinal))
            return 2;
        if (Letters(course.Number).StartsWith(code, StringComparison.Ordinal))
            return 3;
        var title = WordsOf($"{course.Subject} {course.Number} {course.Title}");
        return words.All(word => title.Any(part => part.StartsWith(word, StringComparison.Ordinal))) ? 4 : NoMatch;
    }

    private static string Letters(string text) => string.Concat(Fold(text).Where(char.IsLetterOrDigit));

    private static string[] WordsOf(string text) =>
        string.Concat(Fold(text).Select(c => char.IsLetterOrDigit(c) ? c : ' '))
            .Split(' ', StringSplitOptions.RemoveEmptyEntries);

    /// <summary>Without accents and in lower case.</summary>
    private static string Fold(string text) =>
        string.Concat(
                text.Normalize(NormalizationForm.FormD)
                    .Where(c => CharUnicodeInfo.GetUnicodeCategory(c) != UnicodeCategory.NonSpacingMark)
            )
            .ToLowerInvariant();
}
