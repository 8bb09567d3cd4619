using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>Which sections of a course may be taken, by their seats.</summary>
/// <param name="wanted">The course's place in the ask.</param>
public sealed class CourseSeatsRule(int wanted) : CourseSectionRule(wanted, "seats")
{
    internal static CourseSeatsRule? Of(Ask ask, int wanted) =>
        ask.Wanted[wanted].Seats is not (null or SeatsAdmitted.Any) ? new(wanted) : null;

    private protected override Func<OfferedSection, bool> Admits(Ask ask, OfferedCourse offered)
    {
        var admitted = ask.Wanted[Index].Seats!.Value;
        HashSet<RegistrationNumber> registered = [.. ask.Registered];
        return section => SeatsRule.Admits(admitted, registered, section);
    }

    private protected override WantedCourse Without(WantedCourse wanted) => wanted with { Seats = SeatsAdmitted.Any };
}
