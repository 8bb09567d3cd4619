using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;

namespace HourGrid.Core.Engine;

/// <summary>One bundle for each course taken, no conflict, every hard rule kept.</summary>
/// <param name="Bundles">The bundles, in the order of the ask.</param>
public sealed record Timetable(IReadOnlyList<Bundle> Bundles)
{
    /// <summary>Its sections, sorted by registration number; two timetables are the same when these are.</summary>
    public IReadOnlyList<OfferedSection> Sections { get; } = Sorted(Bundles);

    /// <summary>The credits of all its bundles.</summary>
    public Credits Credits { get; } = Bundles.Aggregate(default(Credits), (sum, bundle) => sum + bundle.Credits);

    /// <summary>
    /// Sections put by, as the catalogue has them now, course by course in its order. Nothing is checked: they may be no
    /// longer whole, or in each other's way.
    /// </summary>
    /// <param name="snapshot">The catalogue.</param>
    /// <param name="sections">Registration numbers; those it does not have are left out.</param>
    public static Timetable Of(CatalogueSnapshot snapshot, IReadOnlySet<RegistrationNumber> sections) =>
        new([
            .. snapshot
                .Courses.Select(course =>
                    (course, its: course.Sections.Where(section => sections.Contains(section.Number)).ToArray())
                )
                .Where(pair => pair.its.Length > 0)
                .Select(pair => new Bundle(pair.course, pair.its)),
        ]);

    private static OfferedSection[] Sorted(IReadOnlyList<Bundle> bundles)
    {
        // Made by the thousand, so without the enumerators that a query takes.
        var count = 0;
        for (var i = 0; i < bundles.Count; i++)
            count += bundles[i].Sections.Count;
        var sections = new OfferedSection[count];
        for (var i = 0; i < bundles.Count; i++)
        for (var j = 0; j < bundles[i].Sections.Count; j++)
            sections[--count] = bundles[i].Sections[j];
        Array.Sort(sections, static (one, other) => one.Number.CompareTo(other.Number));
        return sections;
    }
}
