using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>The delivery modes allowed for a course.</summary>
/// <param name="wanted">The course's place in the ask.</param>
public sealed class CourseModesRule(int wanted) : CourseSectionRule(wanted, "modes")
{
    internal static CourseModesRule? Of(Ask ask, int wanted) =>
        ask.Wanted[wanted].Modes.Count > 0 ? new(wanted) : null;

    private protected override Func<OfferedSection, bool> Admits(Ask ask, OfferedCourse offered)
    {
        var allowed = ask.Wanted[Index].Modes;
        return section => allowed.Contains(section.Section.Mode);
    }

    private protected override WantedCourse Without(WantedCourse wanted) => wanted with { Modes = [] };
}
