using HourGrid.Core.Records;

namespace HourGrid.Formats.Records;

/// <summary>A student's record in the shape of its JSON form.</summary>
/// <param name="Format">What it is.</param>
/// <param name="Version">Of the format.</param>
/// <param name="Student">The student's number.</param>
/// <param name="Name">The student's name.</param>
/// <param name="Programmes">The programmes the student is in.</param>
/// <param name="Level">Such as <c>undergraduate</c>.</param>
/// <param name="Year">Such as <c>third</c>.</param>
/// <param name="Standing">Such as <c>good</c>.</param>
/// <param name="Adviser">The id of the adviser.</param>
/// <param name="Taken">Courses completed, under way and planned.</param>
/// <param name="Exams">Exams passed.</param>
/// <param name="Transfer">Credit from elsewhere.</param>
/// <param name="Load">What may and should be carried in a term.</param>
/// <param name="Holds">What stands in the way.</param>
/// <param name="Opening">By term, when the student may begin to register.</param>
/// <param name="Approvals">By term, how the adviser's approval stands.</param>
/// <param name="Recommended">Courses that the adviser recommends.</param>
public sealed record RecordDocument(
    string Format,
    int Version,
    string Student,
    string Name,
    IReadOnlyList<string> Programmes,
    string Level,
    string Year,
    string Standing,
    string? Adviser,
    IReadOnlyList<RecordDocument.TakenDocument> Taken,
    IReadOnlyList<RecordDocument.ExamDocument> Exams,
    IReadOnlyList<RecordDocument.TransferDocument> Transfer,
    RecordDocument.LoadDocument Load,
    IReadOnlyList<RecordDocument.HoldDocument> Holds,
    IReadOnlyDictionary<string, DateTimeOffset> Opening,
    IReadOnlyDictionary<string, string> Approvals,
    IReadOnlyList<RecordDocument.RecommendedDocument> Recommended
)
{
    /// <summary>A course taken.</summary>
    public sealed record TakenDocument(string Course, string Term, decimal Credits, string? Grade, string Status);

    /// <summary>An exam passed.</summary>
    public sealed record ExamDocument(string Exam, decimal Score, IReadOnlyList<string> CountsAs, decimal Credits);

    /// <summary>Credit from elsewhere.</summary>
    public sealed record TransferDocument(string As, decimal Credits, string From);

    /// <summary>What may and should be carried in a term.</summary>
    public sealed record LoadDocument(decimal? FullTime, decimal? Award, decimal? Maximum);

    /// <summary>What stands in the way of something.</summary>
    public sealed record HoldDocument(
        string Id,
        string Name,
        string Office,
        string Text,
        string ClearedBy,
        IReadOnlyList<string> Blocks
    );

    /// <summary>A course that the adviser recommends, and why.</summary>
    public sealed record RecommendedDocument(string Course, string Words);

    public static RecordDocument Of(StudentRecord record)
    {
        ArgumentNullException.ThrowIfNull(record);
        return new(
            RecordJson.Format,
            1,
            record.Student,
            record.Name,
            record.Programmes,
            record.Level,
            record.Year,
            record.Standing,
            record.Adviser,
            [.. record.Taken.Select(Of)],
            [.. record.Exams.Select(Of)],
            [.. record.Transfer.Select(one => new TransferDocument(one.As.Value, one.Credits.Value, one.From))],
            new(record.Load.FullTime?.Value, record.Load.Award?.Value, record.Load.Maximum?.Value),
            [.. record.Holds.Select(Of)],
            record.Opening.ToDictionary(one => one.Key.Value, one => one.Value),
            record.Approvals.ToDictionary(one => one.Key.Value, one => RecordWords.Approvals.Write(one.Value)),
            [.. record.Recommended.Select(one => new RecommendedDocument(one.Course.Value, one.Words))]
        );
    }

    public static HoldDocument Of(Hold hold)
    {
        ArgumentNullException.ThrowIfNull(hold);
        return new(
            hold.Id,
            hold.Name,
            hold.Office,
            hold.Text,
            RecordWords.Clearings.Write(hold.ClearedBy),
            hold.Blocks
        );
    }

    private static TakenDocument Of(TakenCourse one) =>
        new(
            one.Course.Value,
            one.Term.Value,
            one.Credits.Value,
            one.Grade is { } grade ? Grades.Text(grade) : null,
            RecordWords.Statuses.Write(one.Status)
        );

    private static ExamDocument Of(ExamResult one) =>
        new(one.Exam, one.Score, [.. one.CountsAs.Select(course => course.Value)], one.Credits.Value);
}
