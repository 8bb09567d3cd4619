using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Requirements.Ahead;

/// <summary>Why it costs something to leave a course for later, as far as a plan shows it.</summary>
/// <param name="NeededBy">A course of the plan that must come after it; null where there is none.</param>
/// <param name="OfferedIn">The seasons in which the one that is needed, or else the course itself, is usually offered; null for every one.</param>
public sealed record WaitingReason(CourseId? NeededBy, IReadOnlyList<string>? OfferedIn)
{
    /// <summary>The reason for a course, by a plan that has it.</summary>
    /// <param name="course">The course.</param>
    /// <param name="plan">The plan, term by term.</param>
    /// <param name="courses">The courses of the catalogue.</param>
    public static WaitingReason Of(CourseId course, IReadOnlyList<IReadOnlyList<CourseId>> plan, CourseBook courses)
    {
        ArgumentNullException.ThrowIfNull(plan);
        ArgumentNullException.ThrowIfNull(courses);
        var byId = courses.Catalogue.ToDictionary(one => one.Id);
        // Of several the one that is offered least often holds up most.
        var needing = plan.SelectMany(term => term)
            .Select(id => byId[id])
            .Where(one => Names(one.Prerequisites, course))
            .OrderBy(one => one.UsuallyOffered?.Count ?? int.MaxValue)
            .FirstOrDefault();
        return needing is null
            ? new(null, byId.GetValueOrDefault(course)?.UsuallyOffered)
            : new(needing.Id, needing.UsuallyOffered);
    }

    private static bool Names(Prerequisite? condition, CourseId course) =>
        condition switch
        {
            Prerequisite.All all => all.Of.Any(one => Names(one, course)),
            Prerequisite.Any any => any.Of.Any(one => Names(one, course)),
            Prerequisite.CourseTaken taken => taken.Course == course,
            _ => false,
        };
}
