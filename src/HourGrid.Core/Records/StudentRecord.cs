using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Records;

/// <summary>What the registrar knows of a student: read, never written by Hour Grid.</summary>
public sealed record StudentRecord
{
    /// <summary>The student's number, such as <c>S2041</c>.</summary>
    public required string Student { get; init; }

    /// <summary>The student's name.</summary>
    public required string Name { get; init; }

    /// <summary>The programmes the student is in.</summary>
    public IReadOnlyList<string> Programmes { get; init; } = [];

    /// <summary>Such as <c>undergraduate</c>; may be empty.</summary>
    public string Level { get; init; } = "";

    /// <summary>Such as <c>third</c>; may be empty.</summary>
    public string Year { get; init; } = "";

    /// <summary>Such as <c>good</c>; may be empty.</summary>
    public string Standing { get; init; } = "";

    /// <summary>The id of the adviser, or null.</summary>
    public string? Adviser { get; init; }

    /// <summary>Courses completed and under way, in any order; one taken again stands once for each time.</summary>
    public IReadOnlyList<TakenCourse> Taken { get; init; } = [];

    /// <summary>Exams passed, with what they count as.</summary>
    public IReadOnlyList<ExamResult> Exams { get; init; } = [];

    /// <summary>Credit from elsewhere.</summary>
    public IReadOnlyList<TransferCredit> Transfer { get; init; } = [];

    /// <summary>What the student may and should carry in a term.</summary>
    public CreditLoad Load { get; init; } = new(null, null, null);

    /// <summary>What stands in the way of something until it is cleared.</summary>
    public IReadOnlyList<Hold> Holds { get; init; } = [];

    /// <summary>By term, when the student may begin to register.</summary>
    public IReadOnlyDictionary<TermId, DateTimeOffset> Opening { get; init; } =
        new Dictionary<TermId, DateTimeOffset>();

    /// <summary>By term, how the adviser's approval stands; not needed where nothing is said.</summary>
    public IReadOnlyDictionary<TermId, Approval> Approvals { get; init; } = new Dictionary<TermId, Approval>();

    /// <summary>Courses that the adviser recommends, in the order of recommending.</summary>
    public IReadOnlyList<Recommendation> Recommended { get; init; } = [];
}

/// <summary>A course that the adviser recommends.</summary>
/// <param name="Course">The course, which the catalogue may not have.</param>
/// <param name="Words">Why; may be empty.</param>
public sealed record Recommendation(CourseId Course, string Words);

/// <summary>A course a student takes or took.</summary>
/// <param name="Course">The course.</param>
/// <param name="Term">The term, which the catalogue may not have any more.</param>
/// <param name="Credits">The credits it carries.</param>
/// <param name="Grade">The grade; null where there is none yet.</param>
/// <param name="Status">Whether it is over.</param>
public sealed record TakenCourse(CourseId Course, TermId Term, Credits Credits, Grade? Grade, TakenStatus Status)
{
    /// <summary>Whether it was completed with a grade that counts.</summary>
    public bool IsPassed => Status == TakenStatus.Completed && Grade is { } grade && Grades.Counts(grade);
}

/// <summary>Whether a course is over.</summary>
public enum TakenStatus
{
    /// <summary>It is over.</summary>
    Completed,

    /// <summary>It is being taken.</summary>
    UnderWay,

    /// <summary>It is registered for, or planned for a term ahead.</summary>
    Planned,
}

/// <summary>An exam passed.</summary>
/// <param name="Exam">Its name.</param>
/// <param name="Score">The score.</param>
/// <param name="CountsAs">Courses it counts as, whatever grade they ask for.</param>
/// <param name="Credits">Credits for each of them.</param>
public sealed record ExamResult(string Exam, decimal Score, IReadOnlyList<CourseId> CountsAs, Credits Credits);

/// <summary>Credit from elsewhere.</summary>
/// <param name="As">The course it counts as, whatever grade is asked for.</param>
/// <param name="Credits">Its credits.</param>
/// <param name="From">Where it is from.</param>
public sealed record TransferCredit(CourseId As, Credits Credits, string From);

/// <summary>Credits of a term.</summary>
/// <param name="FullTime">With fewer the student is not full-time; null where it does not matter.</param>
/// <param name="Award">With fewer an award is lost; null where there is none.</param>
/// <param name="Maximum">More may not be registered; null for no limit.</param>
public sealed record CreditLoad(Credits? FullTime, Credits? Award, Credits? Maximum);

/// <summary>What stands in the way of something until it is cleared.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Office">Who put it.</param>
/// <param name="Text">What the student is to read.</param>
/// <param name="ClearedBy">What clears it.</param>
/// <param name="Blocks">What it blocks, such as <c>register</c>.</param>
public sealed record Hold(
    string Id,
    string Name,
    string Office,
    string Text,
    HoldClearing ClearedBy,
    IReadOnlyList<string> Blocks
);

/// <summary>What clears a hold.</summary>
public enum HoldClearing
{
    /// <summary>The student reads its text and agrees.</summary>
    Reading,

    /// <summary>The office that put it.</summary>
    Office,
}

/// <summary>How an adviser's approval of a term stands.</summary>
public enum Approval
{
    /// <summary>None is needed.</summary>
    NotNeeded,

    /// <summary>It is needed, and not given yet.</summary>
    Needed,

    /// <summary>It is given.</summary>
    Given,
}
