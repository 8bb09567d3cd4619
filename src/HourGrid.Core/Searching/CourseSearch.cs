using System.Numerics;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Searching;

/// <summary>A course that a search shows.</summary>
/// <param name="Offered">The course.</param>
/// <param name="Sections">Its sections that pass, at least one.</param>
public sealed record FoundCourse(OfferedCourse Offered, IReadOnlyList<OfferedSection> Sections);

/// <summary>One change of a narrowing, and how many courses it would bring back.</summary>
/// <param name="By">The side that is loosened.</param>
/// <param name="Value">The campus or delivery mode that is allowed too, or the seats rule; null: the side narrows nothing any more.</param>
/// <param name="More">Courses shown then that are not shown now.</param>
public sealed record Loosening(NarrowedBy By, object? Value, int More);

/// <summary>What a search shows, and what it hides.</summary>
/// <param name="Courses">Courses shown, best match first.</param>
/// <param name="Matches">Courses that match the words, shown or hidden.</param>
/// <param name="Loosenings">Every single change that brings any back, the most first.</param>
public sealed record SearchResult(
    IReadOnlyList<FoundCourse> Courses,
    int Matches,
    IReadOnlyList<Loosening> Loosenings
);

/// <summary>Finds courses by words and narrows them down, keeping count of what is hidden by what.</summary>
public static class CourseSearch
{
    /// <param name="index">The courses of a term.</param>
    /// <param name="query">What someone typed; may be empty.</param>
    /// <param name="narrowing">What to leave out.</param>
    public static SearchResult Of(CourseIndex index, string query, SearchNarrowing narrowing)
    {
        var matches = index.Find(query);
        var shown = new List<FoundCourse>();
        var brought = new Dictionary<(NarrowedBy, object?), int>();
        foreach (var offered in matches)
        {
            var passing = new List<OfferedSection>();
            var changes = new HashSet<(NarrowedBy, object?)>();
            var ofCourse = narrowing.Against(offered.Course);
            foreach (var section in offered.SectionsOffered)
            {
                var against = ofCourse | narrowing.Against(section, offered.Course);
                if (against == 0)
                    passing.Add(section);
                else if (BitOperations.IsPow2(against))
                    changes.UnionWith(
                        Changes((NarrowedBy)BitOperations.TrailingZeroCount(against), section, narrowing)
                    );
            }
            if (passing.Count > 0)
                shown.Add(new(offered, passing));
            else
                foreach (var change in changes)
                    brought[change] = brought.GetValueOrDefault(change) + 1;
        }
        return new(
            shown,
            matches.Count,
            [
                .. brought
                    .Select(pair => new Loosening(pair.Key.Item1, pair.Key.Item2, pair.Value))
                    .OrderByDescending(one => one.More)
                    .ThenBy(one => one.By)
                    .ThenBy(one => $"{one.Value}", StringComparer.Ordinal),
            ]
        );
    }

    /// <summary>The single changes that would let a section pass that goes against one side alone.</summary>
    private static IEnumerable<(NarrowedBy, object?)> Changes(
        NarrowedBy side,
        OfferedSection section,
        SearchNarrowing narrowing
    )
    {
        switch (side)
        {
            case NarrowedBy.Campus:
                var others = SearchNarrowing.CampusesOf(section).Except(narrowing.Campuses).ToArray();
                if (others.Length == 1)
                    yield return (side, others[0]);
                break;
            case NarrowedBy.Mode:
                yield return (side, section.Section.Mode);
                break;
            case NarrowedBy.Seats:
                foreach (var rule in new[] { SeatsAdmitted.Waitlist, SeatsAdmitted.Any })
                    if (rule != narrowing.Seats && SearchNarrowing.HasSeat(rule, section))
                        yield return (side, rule);
                break;
            default:
                yield return (side, null);
                break;
        }
    }
}
