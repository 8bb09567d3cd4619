using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Searching;

/// <summary>The values by which the courses of a term can be narrowed, each list in the order people look for it.</summary>
public sealed class Facets
{
    internal Facets(IReadOnlyList<OfferedCourse> courses)
    {
        CoursesBySubject = courses.CountBy(course => course.Course.Subject).ToDictionary();
        Subjects = Sorted(CoursesBySubject.Keys);
        Attributes = Sorted(courses.SelectMany(course => course.Course.Attributes));
        Levels = Sorted(courses.Select(course => course.Course.Level).Where(level => level.Length > 0));
        var sections = courses
            .SelectMany(course => course.SectionsOffered)
            .Select(offered => offered.Section)
            .ToArray();
        Instructors = Sorted(sections.SelectMany(section => section.Instructors));
        Components = Sorted(sections.Select(section => section.Component));
        Campuses =
        [
            .. courses
                .SelectMany(course => course.SectionsOffered)
                .SelectMany(SearchNarrowing.CampusesOf)
                .Distinct()
                .Order(),
        ];
        Modes = [.. sections.Select(section => section.Mode).Distinct().Order()];
        var credits = courses.Select(course => course.Course.Credits).ToArray();
        MostCredits = credits.Length == 0 ? default : credits.MaxBy(range => range.Max.Hundredths).Max;
    }

    /// <summary>Subjects with a course.</summary>
    public IReadOnlyList<string> Subjects { get; }

    /// <summary>How many courses each subject has.</summary>
    public IReadOnlyDictionary<string, int> CoursesBySubject { get; }

    /// <summary>What courses count as.</summary>
    public IReadOnlyList<string> Attributes { get; }

    /// <summary>Levels of courses.</summary>
    public IReadOnlyList<string> Levels { get; }

    /// <summary>Who teaches.</summary>
    public IReadOnlyList<string> Instructors { get; }

    /// <summary>Components of sections.</summary>
    public IReadOnlyList<string> Components { get; }

    /// <summary>Campuses on which a section meets.</summary>
    public IReadOnlyList<CampusId> Campuses { get; }

    /// <summary>Delivery modes of sections.</summary>
    public IReadOnlyList<DeliveryMode> Modes { get; }

    /// <summary>The most credits that a course carries.</summary>
    public Credits MostCredits { get; }

    private static string[] Sorted(IEnumerable<string> values) =>
        [.. values.Distinct().Order(StringComparer.OrdinalIgnoreCase)];
}
