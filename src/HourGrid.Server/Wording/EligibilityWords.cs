using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;

namespace HourGrid.Server.Wording;

/// <summary>Why a student may not take a course.</summary>
internal static class EligibilityWords
{
    /// <summary>Ways that are told one by one; of more the number is said.</summary>
    private const int MostWays = 3;

    public static string KindOf(EligibilityFinding finding) =>
        finding switch
        {
            EligibilityFinding.Prerequisite => "prerequisite",
            EligibilityFinding.Corequisite => "corequisite",
            EligibilityFinding.Restriction => "restriction",
            EligibilityFinding.Consent => "consent",
            EligibilityFinding.AlreadyPassed => "alreadyPassed",
            EligibilityFinding.Registered => "registered",
            _ => throw new ArgumentOutOfRangeException(nameof(finding)),
        };

    /// <summary>As in <c>You lack TID 110 with a C, or the Calculus placement exam with 4.</c></summary>
    public static string Of(EligibilityFinding finding, IReadOnlyList<Term> terms) =>
        finding switch
        {
            EligibilityFinding.Prerequisite prerequisite => $"You lack {Ways(prerequisite.Missing)}.",
            EligibilityFinding.Corequisite corequisite =>
                $"Take {Saying.List([.. corequisite.Missing.Select(course => course.Value)])} beside it or before.",
            EligibilityFinding.Restriction restriction => ConditionWords.Of(restriction.Of),
            EligibilityFinding.Consent => "Its instructor has to consent.",
            EligibilityFinding.AlreadyPassed passed =>
                $"You passed it in {terms.FirstOrDefault(term => term.Id == passed.Term)?.Name ?? passed.Term.Value}, and it counts once.",
            EligibilityFinding.Registered => "You are registered for it.",
            _ => throw new ArgumentOutOfRangeException(nameof(finding)),
        };

    /// <summary>As in <c>If you pass TID 210.</c>; null where it depends on nothing.</summary>
    public static string? IfPassed(IReadOnlyList<IReadOnlyList<CourseId>> sets) =>
        sets.Count == 0
            ? null
            : $"If you pass {Or([.. sets.Select(set => Saying.List([.. set.Select(course => course.Value)]))])}.";

    /// <summary>As in <c>TID 110 with a C, or the Calculus placement exam with 4</c>.</summary>
    public static string Ways(IReadOnlyList<IReadOnlyList<Prerequisite>> sets) =>
        Or([.. sets.Select(set => Saying.List([.. set.Select(Said)]))]);

    private static string Or(IReadOnlyList<string> ways) =>
        ways.Count <= MostWays
            ? string.Join(", or ", ways)
            : $"{string.Join(", or ", ways.Take(MostWays))}, or one of {ways.Count - MostWays} other ways";

    private static string Said(Prerequisite condition) =>
        condition switch
        {
            Prerequisite.CourseTaken { MinGrade: { } grade } taken =>
                $"{taken.Course} with {(grade[0] is 'A' or 'F' ? "an" : "a")} {grade}",
            Prerequisite.CourseTaken taken => taken.Course.Value,
            Prerequisite.ExamTaken { MinScore: { } score } exam => Saying.Invariant(
                $"the {exam.Exam} exam with {score:0.##}"
            ),
            Prerequisite.ExamTaken exam => $"the {exam.Exam} exam",
            _ => throw new ArgumentOutOfRangeException(nameof(condition)),
        };
}
