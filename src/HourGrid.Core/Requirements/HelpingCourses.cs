using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Core.Requirements.Assigning;
using HourGrid.Core.Work;

namespace HourGrid.Core.Requirements;

/// <summary>A course of a term that makes a programme less short.</summary>
/// <param name="Course">The course.</param>
/// <param name="ShortAfter">What the whole is short of with it added as planned.</param>
/// <param name="IsEligible">Whether nothing stands against taking it but perhaps a corequisite.</param>
/// <param name="Leaves">Every leaf for which it qualifies, in the order of the file.</param>
public sealed record HelpingCourse(
    CourseId Course,
    TotalCredits ShortAfter,
    bool IsEligible,
    IReadOnlyList<Requirement.Leaf> Leaves
);

/// <summary>What a term offers for a programme.</summary>
public static class HelpingCourses
{
    /// <summary>
    /// Every course with a section in the term that is not cancelled and with which, added as planned, the whole is less
    /// short; by what it is short of then, then by code.
    /// </summary>
    /// <param name="programme">The programme.</param>
    /// <param name="courses">The courses of the catalogue.</param>
    /// <param name="question">Whose record, for which term.</param>
    /// <param name="budget">How long it may take; what is not found by then is left out. Null for twice <see cref="RequirementAudit.Budget"/>.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <exception cref="OperationCanceledException">It was stopped.</exception>
    public static IReadOnlyList<HelpingCourse> Of(
        Programme programme,
        CourseBook courses,
        EligibilityQuestion question,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        ArgumentNullException.ThrowIfNull(programme);
        ArgumentNullException.ThrowIfNull(courses);
        ArgumentNullException.ThrowIfNull(question);
        var limit = new WorkLimit(budget ?? 2 * RequirementAudit.Budget, cancellation);
        var before = ShortWith(null);
        // Courses that qualify for the same leaves with as many credits, and of which the record says nothing, are alike.
        var alike = new Dictionary<string, TotalCredits>();
        var known = CountedEntries.Of(question.Record, courses).Keys.ToHashSet();
        var helping = new List<HelpingCourse>();
        foreach (var course in courses.Catalogue.Where(course => IsOffered(course, question.Term)))
        {
            limit.ThrowIfCancelled();
            var traits = courses[course.Id];
            Requirement.Leaf[] leaves = [.. programme.Leaves.Where(leaf => leaf.From.Admits(traits))];
            if (leaves.Length == 0 || limit.IsOver())
                continue;
            var key =
                (known.Contains(course.Id) ? course.Id.Value : "")
                + $"\n{traits.LeastCredits}\n{string.Join('\n', leaves.Select(leaf => leaf.Id))}";
            if (!alike.TryGetValue(key, out var after))
                alike[key] = after = ShortWith(course.Id);
            if (after < before)
                helping.Add(new(course.Id, after, IsEligible(question, course), leaves));
        }
        return [.. helping.OrderBy(one => one.ShortAfter).ThenBy(one => one.Course.Value, StringComparer.Ordinal)];

        TotalCredits ShortWith(CourseId? planned) =>
            new(
                AssignmentSearch
                    .LeastShort(
                        new(
                            programme,
                            courses,
                            CountedEntries.Of(question.Record, courses, planned is { } one ? [one] : [])
                        ),
                        limit
                    )
                    .Short.All
            );
    }

    /// <summary>Whether a course has a section in a term that is not cancelled.</summary>
    public static bool IsOffered(Course course, TermId term)
    {
        ArgumentNullException.ThrowIfNull(course);
        return course.Sections.Any(section => section.Term == term && section.Status != SectionStatus.Cancelled);
    }

    private static bool IsEligible(EligibilityQuestion question, Course course) =>
        CourseEligibility.Of(question, course).Findings.All(finding => finding is EligibilityFinding.Corequisite);
}
