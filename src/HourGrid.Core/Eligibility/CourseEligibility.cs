using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;

namespace HourGrid.Core.Eligibility;

/// <summary>Whether a student may take a course, with every finding against it at once.</summary>
public static class CourseEligibility
{
    /// <summary>What the record says of a course in a term.</summary>
    /// <param name="question">Who asks, for which term.</param>
    /// <param name="course">The course with its sections of all terms.</param>
    public static EligibilityAnswer Of(EligibilityQuestion question, Course course)
    {
        ArgumentNullException.ThrowIfNull(question);
        ArgumentNullException.ThrowIfNull(course);
        var record = new TakenBefore(question);
        var findings = new List<EligibilityFinding>();
        IReadOnlyList<IReadOnlyList<CourseId>> ifPassed = [];
        if (course.Prerequisites is { } tree && !IsGranted(GrantKind.Prerequisite))
        {
            var missing = MinimalSets.Of(tree, leaf => record.Meets(leaf, countUnderWay: true));
            if (missing is not [{ Count: 0 }])
                findings.Add(new EligibilityFinding.Prerequisite(missing));
            else
                ifPassed = IfPassed(record, tree);
        }
        CourseId[] beside =
        [
            .. course
                .Corequisites.Where(other => !question.Beside.Contains(other) && !question.Registered.Contains(other))
                .Where(other => !record.Meets(new Prerequisite.CourseTaken(other, null), countUnderWay: true)),
        ];
        if (beside.Length > 0)
            findings.Add(new EligibilityFinding.Corequisite(beside));
        if (!IsGranted(GrantKind.Restriction))
            findings.AddRange(
                course
                    .Restrictions.Where(one => !ValuesOf(question.Record, one.Kind).Intersect(one.AnyOf).Any())
                    .Select(one => new EligibilityFinding.Restriction(one))
            );
        if (!IsGranted(GrantKind.Consent) && NeedsConsent(course, question.Term))
            findings.Add(new EligibilityFinding.Consent());
        if (!course.IsRepeatable && record.LastPassed(course.Id) is { } term)
            findings.Add(new EligibilityFinding.AlreadyPassed(term));
        if (question.Registered.Contains(course.Id))
            findings.Add(new EligibilityFinding.Registered());
        return new(findings, ifPassed);

        bool IsGranted(GrantKind kind) => question.Granted.Contains(new(course.Id, kind));
    }

    /// <summary>The courses under way on which it depends; none where it holds without any.</summary>
    private static IReadOnlyList<IReadOnlyList<CourseId>> IfPassed(TakenBefore record, Prerequisite tree)
    {
        var sets = MinimalSets.Of(tree, leaf => record.Meets(leaf, countUnderWay: false));
        return
        [
            .. sets.Where(set => set.Count > 0 && set.All(leaf => record.Meets(leaf, countUnderWay: true)))
                .Select(set => set.OfType<Prerequisite.CourseTaken>().Select(leaf => leaf.Course).ToArray()),
        ];
    }

    private static IEnumerable<string> ValuesOf(StudentRecord record, string kind) =>
        kind switch
        {
            "programme" => record.Programmes,
            "year" => [record.Year],
            "level" => [record.Level],
            "standing" => [record.Standing],
            // The record says nothing of it.
            _ => [],
        };

    /// <summary>Whether in every arrangement some component has only sections that need consent.</summary>
    private static bool NeedsConsent(Course course, TermId term)
    {
        var arrangements = course
            .Sections.Where(section => section.Term == term && section.Status != SectionStatus.Cancelled)
            .GroupBy(section => section.Arrangement)
            .ToArray();
        return arrangements.Length > 0
            && arrangements.All(arrangement =>
                arrangement.GroupBy(section => section.Component).Any(component => component.All(one => one.Consent))
            );
    }
}
