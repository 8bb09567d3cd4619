using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Timetables;

/// <summary>One bundle for each course taken, no conflict, every hard rule kept.</summary>
public sealed record Timetable
{
    /// <param name="bundles">The bundles, in the order of the ask.</param>
    public Timetable(IReadOnlyList<Bundle> bundles)
        : this(bundles, Sorted(bundles)) { }

    /// <param name="bundles">The bundles, in the order of the ask.</param>
    /// <param name="sections">Their sections, sorted by registration number.</param>
    internal Timetable(IReadOnlyList<Bundle> bundles, OfferedSection[] sections)
    {
        Bundles = bundles;
        Sections = sections;
        for (var i = 0; i < bundles.Count; i++)
            Credits += bundles[i].Credits;
    }

    /// <summary>The bundles, in the order of the ask.</summary>
    public IReadOnlyList<Bundle> Bundles { get; }

    /// <summary>Its sections, sorted by registration number; two timetables are the same when these are.</summary>
    public IReadOnlyList<OfferedSection> Sections { get; }

    /// <summary>The credits of all its bundles.</summary>
    public Credits Credits { get; }

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
                    (course, taken: course.Sections.Where(section => sections.Contains(section.Number)).ToArray())
                )
                .Where(pair => pair.taken.Length > 0)
                .Select(pair => new Bundle(pair.course, pair.taken)),
        ]);

    private static OfferedSection[] Sorted(IReadOnlyList<Bundle> bundles) =>
        [.. bundles.SelectMany(bundle => bundle.Sections).OrderBy(section => section.Number)];
}
