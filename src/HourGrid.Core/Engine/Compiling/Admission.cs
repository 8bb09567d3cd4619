using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Rules;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>Which rules a section of a wanted course goes against, looked at by itself.</summary>
/// <param name="ask">The ask.</param>
/// <param name="forms">Its rules.</param>
/// <param name="wanted">The course's place in the ask.</param>
/// <param name="offered">The course as the term offers it.</param>
/// <param name="hours">What the ask's hours say of each meeting.</param>
internal sealed class Admission(Ask ask, RuleForms forms, int wanted, OfferedCourse offered, HourRules hours)
{
    private readonly (int Number, Func<OfferedSection, bool> Admits)[] checks =
    [
        .. forms
            .Sections.Select(one => (one.Number, admits: one.Rule.Admits(ask, wanted, offered)))
            .Where(pair => pair.admits is not null)
            .Select(pair => (pair.Number, pair.admits!)),
    ];

    /// <summary>
    /// The numbers of the rules that a section goes against, ascending; null for one that nothing could admit, and
    /// as soon as there are more than <paramref name="most"/>.
    /// </summary>
    public int[]? Against(OfferedSection section, int most)
    {
        if (section.Section.Status == SectionStatus.Cancelled)
            return null;
        var against = new List<int>();
        foreach (var (number, admits) in checks)
            if (!admits(section))
                against.Add(number);
        foreach (var meeting in section.Meetings)
            against.AddRange(hours.Against(meeting));
        if (against.Count == 0)
            return [];
        int[] distinct = [.. against.Distinct().Order()];
        return distinct.Length > most ? null : distinct;
    }
}
