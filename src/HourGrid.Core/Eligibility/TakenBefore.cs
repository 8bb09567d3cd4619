using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;

namespace HourGrid.Core.Eligibility;

/// <summary>What a record has from before a term.</summary>
internal sealed class TakenBefore
{
    private readonly ILookup<CourseId, TakenCourse> taken;
    private readonly HashSet<CourseId> countedElsewhere;
    private readonly IReadOnlyList<ExamResult> exams;

    public TakenBefore(EligibilityQuestion question)
    {
        var record = question.Record;
        taken = record.Taken.Where(one => question.IsBefore(one.Term)).ToLookup(one => one.Course);
        exams = record.Exams;
        countedElsewhere = [.. exams.SelectMany(exam => exam.CountsAs), .. record.Transfer.Select(one => one.As)];
    }

    /// <summary>Whether a condition on one course or exam is met.</summary>
    /// <param name="leaf">The condition.</param>
    /// <param name="countUnderWay">Whether courses under way count as if they were passed well enough.</param>
    public bool Meets(Prerequisite leaf, bool countUnderWay) =>
        leaf switch
        {
            Prerequisite.CourseTaken course => countedElsewhere.Contains(course.Course)
                || taken[course.Course].Any(one => Meets(one, course.MinGrade, countUnderWay)),
            Prerequisite.ExamTaken exam => exams.Any(one =>
                one.Exam == exam.Exam && one.Score >= (exam.MinScore ?? decimal.MinValue)
            ),
            _ => throw new ArgumentOutOfRangeException(nameof(leaf)),
        };

    /// <summary>The term in which a course was passed last; null where it was not.</summary>
    public TermId? LastPassed(CourseId course) => taken[course].LastOrDefault(one => one.IsPassed)?.Term;

    private static bool Meets(TakenCourse one, string? minGrade, bool countUnderWay) =>
        one.Status switch
        {
            TakenStatus.UnderWay => countUnderWay,
            TakenStatus.Completed => one.Grade is { } grade
                && (
                    minGrade is null
                        ? Grades.Counts(grade)
                        : Grades.TryParse(minGrade, out var minimum) && Grades.Meets(grade, minimum)
                ),
            _ => false,
        };
}
