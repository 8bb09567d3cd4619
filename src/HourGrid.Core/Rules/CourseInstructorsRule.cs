using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>The instructors allowed for a course.</summary>
/// <param name="wanted">The course's place in the ask.</param>
public sealed class CourseInstructorsRule(int wanted) : CourseSectionRule(wanted, "instructors")
{
    internal static CourseInstructorsRule? Of(Ask ask, int wanted) =>
        ask.Wanted[wanted].Instructors.Count > 0 ? new(wanted) : null;

    private protected override Func<OfferedSection, bool> Admits(Ask ask, OfferedCourse offered)
    {
        var allowed = ask.Wanted[Index].Instructors;
        return section => section.Section.Instructors.Any(allowed.Contains);
    }

    private protected override WantedCourse Without(WantedCourse wanted) => wanted with { Instructors = [] };
}
