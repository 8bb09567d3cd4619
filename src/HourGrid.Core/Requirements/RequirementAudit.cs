using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements.Assigning;
using HourGrid.Core.Work;

namespace HourGrid.Core.Requirements;

/// <summary>What a record leaves a programme short of, by the assignment of its courses that leaves the least.</summary>
public static class RequirementAudit
{
    /// <summary>How long an audit may take before it gives what it has.</summary>
    public static TimeSpan Budget { get; } = TimeSpan.FromSeconds(2);

    /// <summary>Audits a record.</summary>
    /// <param name="programme">The programme.</param>
    /// <param name="record">The record.</param>
    /// <param name="courses">What is known of courses.</param>
    /// <param name="budget">How long it may take; null for <see cref="Budget"/>.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <exception cref="OperationCanceledException">It was stopped.</exception>
    public static AuditAnswer Of(
        Programme programme,
        StudentRecord record,
        CourseBook courses,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        ArgumentNullException.ThrowIfNull(programme);
        var entries = CountedEntries.Of(record, courses);
        var problem = new AssignmentProblem(programme, courses, entries);
        var assignment = AssignmentSearch.Best(problem, new WorkLimit(budget ?? Budget, cancellation));
        cancellation.ThrowIfCancellationRequested();
        return new()
        {
            Programme = programme,
            Nodes = NodeStates.Of(problem, assignment.Given),
            ShortWithPlanned = new(assignment.Short.All),
            ShortWithUnderWay = new(assignment.Short.UnderWay),
            ShortCompleted = new(assignment.Short.Completed),
            Completed = Total(CountedStatus.Completed),
            UnderWay = Total(CountedStatus.UnderWay),
            Planned = Total(CountedStatus.Planned),
            Unused = Unused(problem, assignment.Given),
            IsExact = assignment.IsExact,
        };

        TotalCredits Total(CountedStatus status) =>
            new(
                entries
                    .Values.Select(of => of[0])
                    .Where(one => one.Status == status)
                    .Sum(one => (long)one.Credits.Hundredths)
            );
    }

    private static IReadOnlyList<CourseId> Unused(AssignmentProblem problem, IReadOnlyList<bool> given)
    {
        var used = problem.Pairs.Where((_, pair) => given[pair]).Select(pair => pair.Course).ToHashSet();
        return [.. problem.Courses.Where((_, course) => !used.Contains(course))];
    }
}
