using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Work;

namespace HourGrid.Core.Timetables;

/// <summary>Finds the bundles of a course, with what each goes against.</summary>
/// <param name="offered">The course as the term offers it.</param>
/// <param name="against">
/// The numbers of the rules that a section goes against, ascending; null for one that is not looked at further.
/// </param>
/// <param name="conflicts">When two meetings conflict.</param>
/// <param name="mostAgainst">Bundles that go against more rules than this are left out.</param>
internal sealed class BundleFinder(
    OfferedCourse offered,
    Func<OfferedSection, int[]?> against,
    ConflictCheck conflicts,
    int mostAgainst
)
{
    /// <summary>The most bundles one course may have.</summary>
    public const int MostBundles = 20_000;

    private readonly SectionLinks links = new(offered);
    private readonly List<FoundBundle> found = [];

    /// <summary>
    /// Every bundle that goes against few enough rules, once each, ordered by arrangement and then by section in
    /// the catalogue's order.
    /// </summary>
    /// <exception cref="AskTooLargeException">There are more than <see cref="MostBundles"/>.</exception>
    public IReadOnlyList<FoundBundle> Find(WorkLimit limit)
    {
        var arrangements = offered
            .Sections.Where(section => section.Section.Status != SectionStatus.Cancelled)
            .GroupBy(section => section.Section.Arrangement);
        foreach (var arrangement in arrangements)
        {
            // Which components are needed is settled before any rule looks at the sections: a rule that admits no
            // lab makes the arrangement impossible, it does not make the lab unnecessary.
            var candidates = arrangement
                .GroupBy(section => section.Section.Component)
                .Select(component =>
                    component
                        .Select(section => (section, against: Against(section, limit)))
                        .Where(pair => pair.against is not null)
                        .Select(pair => (pair.section, pair.against!))
                        .ToArray()
                )
                .ToArray();
            Extend(candidates, 0, new OfferedSection[candidates.Length], [], limit);
        }
        return found;
    }

    private int[]? Against(OfferedSection section, WorkLimit limit)
    {
        limit.ThrowIfOver();
        return against(section);
    }

    private void Extend(
        (OfferedSection Section, int[] Against)[][] candidates,
        int component,
        OfferedSection[] chosen,
        int[] against,
        WorkLimit limit
    )
    {
        limit.ThrowIfOver();
        if (component == candidates.Length)
        {
            if (found.Count == MostBundles)
                throw new AskTooLargeException(
                    AskExcess.BundlesOfCourse,
                    most: MostBundles,
                    course: offered.Course.Id.Value
                );
            found.Add(new(new Bundle(offered, [.. chosen]), against));
            return;
        }
        foreach (var (section, itsAgainst) in candidates[component])
        {
            var fits = true;
            for (var earlier = 0; earlier < component && fits; earlier++)
                fits =
                    links.Allow(chosen[earlier], section)
                    && !conflicts.Conflict(chosen[earlier].Meetings, section.Meetings);
            if (!fits)
                continue;
            var all = Union(against, itsAgainst);
            if (all.Length > mostAgainst)
                continue;
            chosen[component] = section;
            Extend(candidates, component + 1, chosen, all, limit);
        }
    }

    private static int[] Union(int[] one, int[] other) =>
        one.Length == 0 ? other
        : other.Length == 0 ? one
        : [.. one.Union(other).Order()];
}

/// <summary>A bundle and what it goes against.</summary>
/// <param name="Bundle">The bundle.</param>
/// <param name="Against">The numbers of the rules that would have to be lifted to admit it, ascending.</param>
internal readonly record struct FoundBundle(Bundle Bundle, int[] Against);
