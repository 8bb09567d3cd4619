using HourGrid.Core.Catalogue;
using HourGrid.Core.Work;

namespace HourGrid.Core.Timetables;

/// <summary>Tells whether some sections are a course taken whole.</summary>
public static class WholeBundle
{
    /// <summary>
    /// The bundle made of exactly some sections; null where they are none: a component is missing, one has two sections,
    /// links forbid it, one is cancelled, or two of them meet at once.
    /// </summary>
    /// <param name="offered">The course as the term offers it.</param>
    /// <param name="sections">The registration numbers.</param>
    public static Bundle? Of(OfferedCourse offered, IReadOnlySet<RegistrationNumber> sections) =>
        Among(offered, sections).FirstOrDefault(bundle => bundle.Sections.Count == sections.Count);

    /// <summary>The bundles that can be made of some sections and no others.</summary>
    /// <inheritdoc cref="Of"/>
    public static IReadOnlyList<Bundle> Among(OfferedCourse offered, IReadOnlySet<RegistrationNumber> sections)
    {
        ArgumentNullException.ThrowIfNull(offered);
        var found = new BundleFinder(
            offered,
            section => sections.Contains(section.Number) ? [] : null,
            new ConflictCheck(travel: null, minutesBetween: 0),
            mostAgainst: 0
        ).Find(new WorkLimit());
        return [.. found.Select(one => one.Bundle)];
    }

    /// <summary>
    /// The components of which some sections have none, in the arrangement where the fewest are missing; empty where
    /// none is.
    /// </summary>
    /// <inheritdoc cref="Of"/>
    public static IReadOnlyList<string> MissingComponents(
        OfferedCourse offered,
        IReadOnlySet<RegistrationNumber> sections
    )
    {
        ArgumentNullException.ThrowIfNull(offered);
        return offered
                .SectionsOffered.GroupBy(section => section.Section.Arrangement)
                .OrderByDescending(arrangement => arrangement.Count(section => sections.Contains(section.Number)))
                .Select(arrangement =>
                    arrangement
                        .GroupBy(section => section.Section.Component)
                        .Where(component => !component.Any(section => sections.Contains(section.Number)))
                        .Select(component => component.Key)
                        .ToArray()
                )
                .FirstOrDefault()
            ?? [];
    }
}
