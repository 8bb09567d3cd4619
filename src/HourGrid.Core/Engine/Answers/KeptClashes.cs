using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Rules;
using HourGrid.Core.Timetables;

namespace HourGrid.Core.Engine.Answers;

/// <summary>Two kept sections of different courses that cannot both be attended.</summary>
/// <param name="One">The one that starts first.</param>
/// <param name="Other">The other.</param>
/// <param name="Day">The weekday.</param>
/// <param name="From">Where the hours they share begin or, where they share none, the pause between them.</param>
/// <param name="To">Where these end.</param>
/// <param name="Minutes">By how many minutes the later comes too soon.</param>
public sealed record KeptClash(
    OfferedSection One,
    OfferedSection Other,
    Weekday Day,
    Minute From,
    Minute To,
    int Minutes
);

/// <summary>Finds where the sections that a student keeps are in each other's way.</summary>
public static class KeptClashes
{
    /// <summary>Every clash of two kept sections of courses in play, in the order of the ask and of the week.</summary>
    /// <remarks>Several kept sections of one component are a choice, which clashes only if it has one member.</remarks>
    /// <param name="snapshot">The catalogue.</param>
    /// <param name="ask">The ask.</param>
    public static IReadOnlyList<KeptClash> Of(CatalogueSnapshot snapshot, Ask ask)
    {
        var conflicts = ConflictCheck.Of(snapshot, ask);
        var kept = ask
            .Wanted.Where(wanted => CourseRule.IsInPlay(ask, wanted))
            .SelectMany(wanted => PlacedOf(snapshot, wanted).Select(section => (wanted.Course, Section: section)))
            .ToArray();
        return
        [
            .. from first in Enumerable.Range(0, kept.Length)
            from second in Enumerable.Range(first + 1, kept.Length - first - 1)
            where kept[first].Course != kept[second].Course
            from clash in Between(conflicts, kept[first].Section, kept[second].Section)
            select clash,
        ];
    }

    private static IEnumerable<OfferedSection> PlacedOf(CatalogueSnapshot snapshot, WantedCourse wanted) =>
        wanted
            .Keep.Select(snapshot.Find)
            .OfType<OfferedSection>()
            .GroupBy(section => section.Section.Component)
            .Where(component => component.Count() == 1)
            .SelectMany(component => component);

    private static IEnumerable<KeptClash> Between(ConflictCheck conflicts, OfferedSection one, OfferedSection other)
    {
        foreach (var a in one.Meetings)
        foreach (var b in other.Meetings)
            if (conflicts.Clash(a, b) is var (from, to, minutes))
            {
                var (first, second) = a.Time.Start <= b.Time.Start ? (one, other) : (other, one);
                yield return new(first, second, a.Day, from, to, minutes);
            }
    }
}
