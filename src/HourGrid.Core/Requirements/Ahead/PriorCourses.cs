using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;

namespace HourGrid.Core.Requirements.Ahead;

/// <summary>What a record has before any plan: completed, under way in whatever term, or from outside.</summary>
internal sealed class PriorCourses
{
    private readonly IReadOnlyDictionary<CourseId, IReadOnlyList<CountedEntry>> entries;
    private readonly IReadOnlyList<ExamResult> exams;
    private readonly Dictionary<CourseId, Grade> highestMinimum = [];

    public PriorCourses(TermsAheadQuestion question)
    {
        Record = WithoutPlanned(question.Record);
        entries = CountedEntries.Of(Record, question.Courses);
        exams = Record.Exams;
        foreach (var course in question.Courses.Catalogue)
            Note(course.Prerequisites);
        foreach (var leaf in question.Programme.Leaves.Where(leaf => leaf.MinGrade is not null))
        foreach (var course in entries.Keys.Where(course => leaf.From.Admits(question.Courses[course])))
            Note(course, leaf.MinGrade!.Value);
    }

    /// <summary>The record without what it has planned.</summary>
    public StudentRecord Record { get; }

    /// <summary>A record without what it has planned.</summary>
    public static StudentRecord WithoutPlanned(StudentRecord record) =>
        record with
        {
            Taken = [.. record.Taken.Where(taken => taken.Status != TakenStatus.Planned)],
        };

    /// <summary>All credits that count already, in hundredths, each course once.</summary>
    public long Credits => entries.Values.Sum(of => (long)of[0].Credits.Hundredths);

    /// <summary>Whether a condition on one course or exam is met.</summary>
    public bool Meets(Prerequisite leaf) =>
        leaf switch
        {
            Prerequisite.CourseTaken taken => entries.TryGetValue(taken.Course, out var of)
                && of.Any(entry => Meets(entry, taken.MinGrade)),
            Prerequisite.ExamTaken exam => exams.Any(one =>
                one.Exam == exam.Exam && one.Score >= (exam.MinScore ?? decimal.MinValue)
            ),
            _ => throw new ArgumentOutOfRangeException(nameof(leaf)),
        };

    /// <summary>Whether a course was had, with whatever grade that counts.</summary>
    public bool Has(CourseId course) => entries.ContainsKey(course);

    /// <summary>
    /// Whether a plan may hold a course: not one that counts already, unless it was completed with a grade below a minimum
    /// that a leaf or a prerequisite asks of it.
    /// </summary>
    public bool MayPlan(CourseId course) =>
        !entries.TryGetValue(course, out var of)
        || (
            of.All(entry => entry.Grade is not null)
            && highestMinimum.TryGetValue(course, out var minimum)
            && !of.Any(entry => entry.Meets(minimum))
        );

    // Whatever was not completed here, with a grade, is as good as any.
    private static bool Meets(CountedEntry entry, string? minGrade) =>
        entry.Grade is null
        || minGrade is null
        || (Grades.TryParse(minGrade, out var minimum) && entry.Meets(minimum));

    private void Note(Prerequisite? condition)
    {
        switch (condition)
        {
            case Prerequisite.All all:
                foreach (var one in all.Of)
                    Note(one);
                break;
            case Prerequisite.Any any:
                foreach (var one in any.Of)
                    Note(one);
                break;
            case Prerequisite.CourseTaken { MinGrade: { } text } taken when Grades.TryParse(text, out var minimum):
                Note(taken.Course, minimum);
                break;
            default:
                break;
        }
    }

    private void Note(CourseId course, Grade minimum)
    {
        if (!highestMinimum.TryGetValue(course, out var before) || minimum > before)
            highestMinimum[course] = minimum;
    }
}
