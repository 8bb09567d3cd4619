using HourGrid.Core.Catalogue;
using HourGrid.Core.Comparing;
using HourGrid.Core.Measures;
using HourGrid.Core.Timetables;

namespace HourGrid.Server.Wording;

/// <summary>One side of a comparison.</summary>
/// <param name="Name">What it is called, as in A.</param>
/// <param name="Timetable">The timetable.</param>
/// <param name="Measures">What it is like.</param>
internal sealed record Compared(string Name, Timetable Timetable, WeekMeasures Measures);

/// <summary>Says in one plain sentence in what two timetables differ, and what that makes of the week.</summary>
/// <param name="campuses">The campuses, for their names.</param>
internal sealed class DifferenceSentence(IReadOnlyList<Campus> campuses)
{
    /// <summary>Courses that are told one by one; of more the number is said.</summary>
    private const int MostTold = 3;

    private readonly SectionAlternatives alternatives = new(campuses);

    /// <summary>
    /// As in <c>A and B differ only in the ACO 220 recitation: Monday 12:30 or 11:00; B has 1 campus move less.</c>
    /// </summary>
    public string Of(Compared first, Compared second)
    {
        var differences = Differences.Between(first.Timetable, second.Timetable);
        var both = $"{first.Name} and {second.Name}";
        if (differences.Count == 0)
            return $"{both} are the same timetable.";
        var what = differences is [{ IsInBoth: true } only]
            ? $"{both} differ only in the {only.Course} {Components(only)}: {Alternatives(only)}"
            : $"{both} differ in {Saying.Count(differences.Count, "course")}: {Told(first, second, differences)}";
        var week = WeekDifference.Of(first.Measures, second.Measures);
        return week == "" ? $"{what}; their weeks measure the same." : $"{what}; {second.Name} {week}.";
    }

    private string Told(Compared first, Compared second, IReadOnlyList<CourseDifference> differences)
    {
        var told = differences
            .Take(MostTold)
            .Select(one =>
                one.IsInBoth ? $"{one.Course} {Components(one)} ({Alternatives(one)})"
                : one.First.Count > 0 ? $"{one.Course}, which only {first.Name} takes"
                : $"{one.Course}, which only {second.Name} takes"
            );
        var more = differences.Count - MostTold;
        return Saying.List(more > 0 ? [.. told, $"{more} more"] : [.. told]);
    }

    private static string Components(CourseDifference difference) =>
        Saying.List([
            .. difference.First.Concat(difference.Second).Select(section => section.Section.Component).Distinct(),
        ]);

    private string Alternatives(CourseDifference difference)
    {
        var pairs = difference
            .First.Select(section =>
                (section, other: difference.Second.FirstOrDefault(other => IsLike(section, other)))
            )
            .ToArray();
        // Another arrangement of the course may have other components: then it is told whole.
        if (pairs.Length != difference.Second.Count || pairs.Any(pair => pair.other is null))
            return $"{Labels(difference.First)} or {Labels(difference.Second)}";
        return string.Join(", ", pairs.Select(pair => alternatives.Between(pair.section, pair.other!)).Distinct());
    }

    private static bool IsLike(OfferedSection one, OfferedSection other) =>
        one.Section.Component == other.Section.Component;

    private static string Labels(IReadOnlyList<OfferedSection> sections) =>
        sections.Count == 0
            ? "nothing more"
            : Saying.List([.. sections.Select(section => $"{section.Section.Component} {section.Section.Label}")]);
}
