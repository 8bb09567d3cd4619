using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;

namespace HourGrid.Core.Searching;

/// <summary>A section recognised in a text.</summary>
/// <param name="Offered">Its course.</param>
/// <param name="Section">The section.</param>
public sealed record RecognisedSection(OfferedCourse Offered, OfferedSection Section);

/// <summary>A component that a course still needs to be taken whole.</summary>
/// <param name="Course">The course.</param>
/// <param name="Component">The component.</param>
/// <param name="Offers">Sections of it that go with those recognised; where a link is declared, only the linked ones.</param>
public sealed record MissingComponent(OfferedCourse Course, string Component, IReadOnlyList<OfferedSection> Offers);

/// <summary>The registration numbers found in a text.</summary>
/// <param name="Sections">Sections of the term, each once, in the order of the text.</param>
/// <param name="Cancelled">Of those, the ones that do not take place.</param>
/// <param name="OfOtherTerms">Numbers that only other terms have, with the terms.</param>
/// <param name="Unknown">What looks like a registration number and is none.</param>
/// <param name="Missing">Components without which the courses recognised cannot be taken.</param>
public sealed record NumberList(
    IReadOnlyList<RecognisedSection> Sections,
    IReadOnlyList<RecognisedSection> Cancelled,
    IReadOnlyList<(RegistrationNumber Number, IReadOnlyList<TermId> Terms)> OfOtherTerms,
    IReadOnlyList<string> Unknown,
    IReadOnlyList<MissingComponent> Missing
)
{
    /// <summary>Recognises registration numbers in any text: a mail, a note, a list.</summary>
    /// <param name="text">The text.</param>
    /// <param name="snapshot">The term's catalogue.</param>
    /// <param name="others">The other terms' catalogues.</param>
    public static NumberList Read(string text, CatalogueSnapshot snapshot, IReadOnlyList<CatalogueSnapshot> others)
    {
        var courseOf = snapshot
            .Courses.SelectMany(offered => offered.Sections.Select(section => (offered, section)))
            .ToDictionary(pair => pair.section.Number, pair => new RecognisedSection(pair.offered, pair.section));
        var lengths = courseOf.Keys.Where(number => number.Value.All(char.IsAsciiDigit)).Select(n => n.Value.Length);
        var lengthsOfNumbers = lengths.ToHashSet();
        var sections = new List<RecognisedSection>();
        var elsewhere = new List<(RegistrationNumber, IReadOnlyList<TermId>)>();
        var unknown = new List<string>();
        foreach (var word in WordsOf(text).Distinct())
        {
            var number = new RegistrationNumber(word);
            if (courseOf.TryGetValue(number, out var recognised))
                sections.Add(recognised);
            else if (others.Where(other => other.Find(number) is not null).ToArray() is { Length: > 0 } terms)
                elsewhere.Add((number, [.. terms.Select(other => other.Term.Id)]));
            else if (lengthsOfNumbers.Contains(word.Length) && word.All(char.IsAsciiDigit))
                unknown.Add(word);
        }
        var cancelled = sections.Where(one => one.Section.Section.Status == SectionStatus.Cancelled).ToArray();
        return new(
            [.. sections.Except(cancelled)],
            cancelled,
            elsewhere,
            unknown,
            [.. sections.Except(cancelled).GroupBy(one => one.Offered).SelectMany(MissingOf)]
        );
    }

    private static IEnumerable<string> WordsOf(string text)
    {
        var from = -1;
        for (var at = 0; at <= text.Length; at++)
        {
            var isPart = at < text.Length && (char.IsLetterOrDigit(text[at]) || text[at] is '-' or '_');
            if (isPart && from < 0)
                from = at;
            if (isPart || from < 0)
                continue;
            yield return text[from..at].Trim('-', '_');
            from = -1;
        }
    }

    /// <summary>
    /// What is missing of the arrangement in which the recognised sections stand; of the first one where they stand in
    /// several.
    /// </summary>
    private static IEnumerable<MissingComponent> MissingOf(IGrouping<OfferedCourse, RecognisedSection> course)
    {
        var links = new SectionLinks(course.Key);
        var arrangement = course.First().Section.Section.Arrangement;
        OfferedSection[] given =
        [
            .. course.Select(one => one.Section).Where(section => section.Section.Arrangement == arrangement),
        ];
        foreach (
            var component in course
                .Key.SectionsOffered.Where(section => section.Section.Arrangement == arrangement)
                .GroupBy(section => section.Section.Component)
        )
            if (!given.Any(section => section.Section.Component == component.Key))
                yield return new(
                    course.Key,
                    component.Key,
                    [.. component.Where(offer => GoesWith(offer, given, links))]
                );
    }

    /// <summary>Whether a section goes with at least one of those given of each component.</summary>
    private static bool GoesWith(OfferedSection offer, OfferedSection[] given, SectionLinks links) =>
        given.GroupBy(section => section.Section.Component).All(ones => ones.Any(one => links.Allow(one, offer)));
}
