using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>The campuses allowed for a course.</summary>
/// <param name="wanted">The course's place in the ask.</param>
public sealed class CourseCampusesRule(int wanted) : CourseSectionRule(wanted, "campuses")
{
    internal static CourseCampusesRule? Of(Ask ask, int wanted) =>
        ask.Wanted[wanted].Campuses.Count > 0 ? new(wanted) : null;

    private protected override Func<OfferedSection, bool> Admits(Ask ask, OfferedCourse offered)
    {
        var allowed = ask.Wanted[Index].Campuses;
        return section => CampusesRule.Admits(allowed, section);
    }

    private protected override WantedCourse Without(WantedCourse wanted) => wanted with { Campuses = [] };
}
