using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;

namespace HourGrid.Core.Requirements;

/// <summary>How far a course is that counts, the best first.</summary>
public enum CountedStatus
{
    /// <summary>Completed with a grade that counts, or brought from outside.</summary>
    Completed,

    /// <summary>Being taken.</summary>
    UnderWay,

    /// <summary>Planned.</summary>
    Planned,
}

/// <summary>Where an entry stands in a record; of equals the first is the better.</summary>
public enum EntrySource
{
    /// <summary>Taken here.</summary>
    Taken,

    /// <summary>By an exam.</summary>
    Exam,

    /// <summary>From elsewhere.</summary>
    Transfer,
}

/// <summary>One entry of a record by which a course can count.</summary>
/// <param name="Course">The course.</param>
/// <param name="Status">How far it is.</param>
/// <param name="Grade">Its grade where it was completed here; null for whatever reaches every minimum.</param>
/// <param name="Credits">What it carries.</param>
/// <param name="Source">Where it stands.</param>
public sealed record CountedEntry(
    CourseId Course,
    CountedStatus Status,
    Grade? Grade,
    Credits Credits,
    EntrySource Source
)
{
    /// <summary>Whether it can count where a completed course must have a grade.</summary>
    /// <param name="minimum">The grade; null where any that counts will do.</param>
    public bool Meets(Grade? minimum) => Grade is not { } grade || Grades.Meets(grade, minimum);
}

/// <summary>What of a record can count.</summary>
public static class CountedEntries
{
    /// <summary>
    /// By course, its entries, the best first: by status, then by grade (exams and transfers reach every grade), then taken
    /// before exam before transfer, then as they stand in the record.
    /// </summary>
    /// <param name="record">The record.</param>
    /// <param name="courses">The courses; they say what a planned one carries.</param>
    /// <param name="planned">Courses planned besides.</param>
    public static IReadOnlyDictionary<CourseId, IReadOnlyList<CountedEntry>> Of(
        StudentRecord record,
        CourseBook courses,
        IEnumerable<CourseId>? planned = null
    )
    {
        ArgumentNullException.ThrowIfNull(record);
        ArgumentNullException.ThrowIfNull(courses);
        return All(record, courses, planned ?? [])
            .GroupBy(entry => entry.Course)
            .ToDictionary(
                entries => entries.Key,
                entries =>
                    (IReadOnlyList<CountedEntry>)
                        [
                            // Sorting keeps the order of equals.
                            .. entries
                                .OrderBy(entry => entry.Status)
                                .ThenByDescending(entry => entry.Grade ?? Grade.A)
                                .ThenBy(entry => entry.Source),
                        ]
            );
    }

    private static IEnumerable<CountedEntry> All(
        StudentRecord record,
        CourseBook courses,
        IEnumerable<CourseId> planned
    )
    {
        foreach (var taken in record.Taken)
            switch (taken.Status)
            {
                case TakenStatus.Completed when taken.IsPassed:
                    yield return new(
                        taken.Course,
                        CountedStatus.Completed,
                        taken.Grade,
                        taken.Credits,
                        EntrySource.Taken
                    );
                    break;
                case TakenStatus.UnderWay:
                    yield return new(taken.Course, CountedStatus.UnderWay, null, taken.Credits, EntrySource.Taken);
                    break;
                case TakenStatus.Planned:
                    yield return Planned(taken.Course, taken.Credits);
                    break;
                default:
                    break;
            }
        foreach (var exam in record.Exams)
        foreach (var course in exam.CountsAs)
            yield return new(course, CountedStatus.Completed, null, exam.Credits, EntrySource.Exam);
        foreach (var transfer in record.Transfer)
            yield return new(transfer.As, CountedStatus.Completed, null, transfer.Credits, EntrySource.Transfer);
        foreach (var course in planned)
            yield return Planned(course, default);

        CountedEntry Planned(CourseId course, Credits otherwise) =>
            new(course, CountedStatus.Planned, null, courses[course].LeastCredits ?? otherwise, EntrySource.Taken);
    }
}
