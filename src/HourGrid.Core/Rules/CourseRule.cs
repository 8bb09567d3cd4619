using HourGrid.Core.Asking;

namespace HourGrid.Core.Rules;

/// <summary>A course that is taken, or may be. Without it the course is set aside, and out of its either–or.</summary>
/// <param name="wanted">The course's place in the ask.</param>
public sealed class CourseRule(int wanted) : Rule($"wanted[{wanted}]", wanted)
{
    internal static CourseRule? Of(Ask ask, int wanted) => IsInPlay(ask, ask.Wanted[wanted]) ? new(wanted) : null;

    /// <summary>Whether a wanted course is taken, or may be.</summary>
    internal static bool IsInPlay(Ask ask, WantedCourse wanted) =>
        wanted.Role != CourseRole.SetAside || EitherOrRule.Of(ask, wanted) is not null;

    /// <inheritdoc/>
    public override Ask Without(Ask ask)
    {
        var course = ask.Wanted[Index].Course;
        return WithWanted(ask, Index, one => one with { Role = CourseRole.SetAside }) with
        {
            EitherOr =
            [
                .. ask.EitherOr.Select(choice =>
                    choice with
                    {
                        Courses = [.. choice.Courses.Where(other => other != course)],
                    }
                ),
            ],
        };
    }

    /// <summary>It is in no list: a search begins with the courses that may be left out, or must be.</summary>
    internal override void AddTo(RuleForms forms, int number) { }
}
