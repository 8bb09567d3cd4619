using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>The ruled-out sections of a course.</summary>
/// <param name="wanted">The course's place in the ask.</param>
public sealed class RuleOutRule(int wanted) : CourseSectionRule(wanted, "ruleOut")
{
    internal static RuleOutRule? Of(Ask ask, int wanted) => ask.Wanted[wanted].RuleOut.Count > 0 ? new(wanted) : null;

    private protected override Func<OfferedSection, bool> Admits(Ask ask, OfferedCourse offered)
    {
        HashSet<RegistrationNumber> ruledOut = [.. ask.Wanted[Index].RuleOut];
        return section => !ruledOut.Contains(section.Number);
    }

    private protected override WantedCourse Without(WantedCourse wanted) => wanted with { RuleOut = [] };
}
