using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Engine;

/// <summary>Finds the bundles of a course that an ask admits.</summary>
public static class BundleFinder
{
    /// <summary>
    /// Every admissible bundle of the wanted course, once each, ordered by arrangement and then by section in the
    /// catalogue's order.
    /// </summary>
    /// <param name="offered">The course as the term offers it.</param>
    /// <param name="ask">The rules that hold for all courses.</param>
    /// <param name="wanted">The limits that hold for this one.</param>
    /// <param name="conflicts">When two meetings conflict.</param>
    /// <param name="cancellation">Stops the search.</param>
    public static IReadOnlyList<Bundle> Find(
        OfferedCourse offered,
        Ask ask,
        WantedCourse wanted,
        ConflictRule conflicts,
        CancellationToken cancellation = default
    )
    {
        var admission = new Admission(ask, wanted, offered);
        var links = new SectionLinks(offered);
        var bundles = new List<Bundle>();
        var arrangements = offered
            .Sections.Where(section => section.Section.Status != SectionStatus.Cancelled)
            .GroupBy(section => section.Section.Arrangement);
        foreach (var arrangement in arrangements)
        {
            // Which components are needed is settled before any rule looks at the sections: a rule that admits no
            // lab makes the arrangement impossible, it does not make the lab unnecessary.
            var candidates = arrangement
                .GroupBy(section => section.Section.Component)
                .Select(component => component.Where(admission.Admits).ToArray())
                .ToArray();
            Extend(
                offered,
                candidates,
                0,
                new OfferedSection[candidates.Length],
                links,
                conflicts,
                bundles,
                cancellation
            );
        }
        return bundles;
    }

    private static void Extend(
        OfferedCourse offered,
        OfferedSection[][] candidates,
        int component,
        OfferedSection[] chosen,
        SectionLinks links,
        ConflictRule conflicts,
        List<Bundle> found,
        CancellationToken cancellation
    )
    {
        cancellation.ThrowIfCancellationRequested();
        if (component == candidates.Length)
        {
            if (found.Count == Problem.MaxBundlesPerCourse)
                throw new AskTooLargeException(
                    $"{offered.Course.Id} has more than {Problem.MaxBundlesPerCourse} bundles. "
                        + "Keep a section of it, or rule some out."
                );
            found.Add(new Bundle(offered, [.. chosen]));
            return;
        }
        foreach (var section in candidates[component])
        {
            var fits = true;
            for (var earlier = 0; earlier < component && fits; earlier++)
                fits =
                    links.Allow(chosen[earlier], section)
                    && !conflicts.Conflict(chosen[earlier].Meetings, section.Meetings);
            if (!fits)
                continue;
            chosen[component] = section;
            Extend(offered, candidates, component + 1, chosen, links, conflicts, found, cancellation);
        }
    }
}
