using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;

namespace HourGrid.Core.Comparing;

/// <summary>What two timetables take otherwise of one course.</summary>
/// <param name="Course">The course.</param>
/// <param name="First">Sections that only the first takes; all of the course where the second does not take it.</param>
/// <param name="Second">Sections that only the second takes; all of the course where the first does not take it.</param>
/// <param name="IsInBoth">Whether both take the course.</param>
public sealed record CourseDifference(
    CourseId Course,
    IReadOnlyList<OfferedSection> First,
    IReadOnlyList<OfferedSection> Second,
    bool IsInBoth
);

/// <summary>Finds in what two timetables differ.</summary>
public static class Differences
{
    /// <summary>The courses of which they take different sections, in the order of the first, then of the second.</summary>
    public static IReadOnlyList<CourseDifference> Between(Timetable first, Timetable second)
    {
        var firsts = first.Bundles.ToDictionary(bundle => bundle.Course.Course.Id);
        var seconds = second.Bundles.ToDictionary(bundle => bundle.Course.Course.Id);
        return
        [
            .. firsts
                .Keys.Union(seconds.Keys)
                .Select(course => Of(course, SectionsOf(firsts, course), SectionsOf(seconds, course)))
                .Where(difference => difference.First.Count > 0 || difference.Second.Count > 0),
        ];
    }

    private static CourseDifference Of(
        CourseId course,
        IReadOnlyList<OfferedSection> first,
        IReadOnlyList<OfferedSection> second
    )
    {
        var shared = first.Select(one => one.Number).Intersect(second.Select(one => one.Number)).ToHashSet();
        return new(
            course,
            [.. first.Where(one => !shared.Contains(one.Number))],
            [.. second.Where(one => !shared.Contains(one.Number))],
            first.Count > 0 && second.Count > 0
        );
    }

    private static IReadOnlyList<OfferedSection> SectionsOf(
        Dictionary<CourseId, Timetables.Bundle> bundles,
        CourseId course
    ) => bundles.TryGetValue(course, out var bundle) ? bundle.Sections : [];
}
