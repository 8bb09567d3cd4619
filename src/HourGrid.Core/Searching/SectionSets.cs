using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;

namespace HourGrid.Core.Searching;

/// <summary>A section and what it belongs to.</summary>
/// <param name="Section">The section.</param>
/// <param name="Under">The one leading section it goes with; null for a leading section and for one that goes with several.</param>
/// <param name="GoesWith">The leading sections it goes with where that is several but not all; else empty.</param>
public sealed record PlacedSection(
    OfferedSection Section,
    OfferedSection? Under,
    IReadOnlyList<OfferedSection> GoesWith
);

/// <summary>The sections of one arrangement of a course, so set out that what belongs together stands together.</summary>
/// <param name="Arrangement">Its name; empty for the unnamed one.</param>
/// <param name="Lead">The component that leads: the lecture, or else the first in the catalogue.</param>
/// <param name="Sections">Each leading section with those that go with it alone under it, then those that go with several.</param>
public sealed record SectionSet(string Arrangement, string Lead, IReadOnlyList<PlacedSection> Sections)
{
    private const string Lecture = "lecture";

    /// <summary>The sections of a course that take place, by arrangement.</summary>
    public static IReadOnlyList<SectionSet> Of(OfferedCourse offered)
    {
        var links = new SectionLinks(offered);
        return
        [
            .. offered
                .SectionsOffered.GroupBy(section => section.Section.Arrangement)
                .Select(arrangement => SetOut(arrangement.Key, [.. arrangement], links)),
        ];
    }

    private static SectionSet SetOut(string arrangement, OfferedSection[] sections, SectionLinks links)
    {
        var lead = sections.Any(section => section.Section.Component == Lecture)
            ? Lecture
            : sections[0].Section.Component;
        var leading = sections.Where(section => section.Section.Component == lead).ToArray();
        var others = sections
            .Except(leading)
            .Select(section => (section, with: leading.Where(one => links.Allow(one, section)).ToArray()))
            .ToArray();
        var placed = new List<PlacedSection>();
        foreach (var one in leading)
        {
            placed.Add(new(one, null, []));
            // With one lecture alone everything belongs to it, and nothing needs to be said.
            if (leading.Length > 1)
                placed.AddRange(
                    others
                        .Where(other => other.with is [var only] && only == one)
                        .Select(o => new PlacedSection(o.section, one, []))
                );
        }
        foreach (var (section, with) in others)
            if (leading.Length == 1 || with.Length != 1)
                placed.Add(
                    new(
                        section,
                        leading.Length == 1 && with.Length == 1 ? leading[0] : null,
                        with.Length == leading.Length ? [] : with
                    )
                );
        return new(arrangement, lead, placed);
    }
}
