using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Tests.Plain;

/// <summary>Scores and order straight from their definitions, in decimal fractions.</summary>
internal static class PlainRanking
{
    /// <summary>All timetables of an ask with their scores, the best first.</summary>
    public static List<(decimal Score, PlainTimetable Timetable)> Sorted(UniversityCatalogue catalogue, Ask ask)
    {
        var all = BruteForce
            .Timetables(catalogue, ask)
            .Select(one => (PlainMeasures.Score(catalogue, ask, one), one))
            .ToList();
        all.Sort(
            (x, y) => x.Item1 != y.Item1 ? x.Item1.CompareTo(y.Item1) : CompareNumbers(Numbers(x.one), Numbers(y.one))
        );
        return all;
    }

    /// <summary>Each week shape at its best timetable, the best first.</summary>
    public static List<(decimal Score, PlainTimetable Timetable)> SortedShapes(UniversityCatalogue catalogue, Ask ask)
    {
        var term = catalogue.Terms.Single(one => one.Id == ask.Term);
        return [.. Sorted(catalogue, ask).DistinctBy(one => BruteForce.WeekShape(term, one.Timetable))];
    }

    public static int FreeSeats(UniversityCatalogue catalogue, Section section)
    {
        var enrolled = section.SeatsShared is null
            ? section.Seats.Enrolled
            : catalogue
                .Courses.SelectMany(course => course.Sections)
                .Where(other => other.Term == section.Term && other.SeatsShared == section.SeatsShared)
                .Sum(other => other.Seats.Enrolled);
        return section.Status == SectionStatus.Open ? Math.Max(0, section.Seats.Capacity - enrolled) : 0;
    }

    private static string[] Numbers(PlainTimetable timetable) =>
        [.. timetable.Sections.Select(section => section.Number.Value).Order(StringComparer.Ordinal)];

    private static int CompareNumbers(string[] one, string[] other)
    {
        for (var i = 0; i < one.Length && i < other.Length; i++)
            if (string.CompareOrdinal(one[i], other[i]) is var order and not 0)
                return order;
        return one.Length - other.Length;
    }
}
