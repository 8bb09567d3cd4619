using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>The kept sections of a course: of their components, no others.</summary>
/// <param name="wanted">The course's place in the ask.</param>
public sealed class KeepRule(int wanted) : CourseSectionRule(wanted, "keep")
{
    internal static KeepRule? Of(Ask ask, int wanted) => ask.Wanted[wanted].Keep.Count > 0 ? new(wanted) : null;

    private protected override Func<OfferedSection, bool> Admits(Ask ask, OfferedCourse offered)
    {
        HashSet<RegistrationNumber> kept = [.. ask.Wanted[Index].Keep];
        HashSet<string> componentsWithKept =
        [
            .. offered
                .Sections.Where(section => kept.Contains(section.Number))
                .Select(section => section.Section.Component),
        ];
        return section => kept.Contains(section.Number) || !componentsWithKept.Contains(section.Section.Component);
    }

    private protected override WantedCourse Without(WantedCourse wanted) => wanted with { Keep = [] };
}
