namespace HourGrid.Core.Catalogue;

/// <summary>A course and all its sections, in every term the catalogue covers.</summary>
public sealed record Course
{
    /// <summary>Its code.</summary>
    public required CourseId Id { get; init; }

    /// <summary>The subject's code, such as <c>TID</c>.</summary>
    public required string Subject { get; init; }

    /// <summary>The number within the subject, such as <c>210</c>.</summary>
    public required string Number { get; init; }

    /// <summary>Its title.</summary>
    public required string Title { get; init; }

    /// <summary>What it is about; may be empty.</summary>
    public string Description { get; init; } = "";

    /// <summary>Textbooks and other things it needs; may be empty.</summary>
    public string Materials { get; init; } = "";

    /// <summary>What it carries where its sections do not say.</summary>
    public required CreditRange Credits { get; init; }

    /// <summary>Undergraduate, graduate or another level; may be empty.</summary>
    public string Level { get; init; } = "";

    /// <summary>What it counts as.</summary>
    public IReadOnlyList<string> Attributes { get; init; } = [];

    /// <summary>What must have been taken before, or null for nothing.</summary>
    public Prerequisite? Prerequisites { get; init; }

    /// <summary>What must be taken beside it or before.</summary>
    public IReadOnlyList<CourseId> Corequisites { get; init; } = [];

    /// <summary>Who may take it.</summary>
    public IReadOnlyList<Restriction> Restrictions { get; init; } = [];

    /// <summary>Whether it may be taken again for credit once it was passed.</summary>
    public bool IsRepeatable { get; init; }

    /// <summary>The seasons in which it is usually offered; empty for never, null for every one.</summary>
    public IReadOnlyList<string>? UsuallyOffered { get; init; }

    /// <summary>Its sections, in the catalogue's order.</summary>
    public IReadOnlyList<Section> Sections { get; init; } = [];
}

/// <summary>Who may take a course.</summary>
/// <param name="Kind">What is looked at, such as <c>programme</c>.</param>
/// <param name="AnyOf">The values that admit a student.</param>
public sealed record Restriction(string Kind, IReadOnlyList<string> AnyOf);

/// <summary>A condition on what a student has done before: one of the records nested here.</summary>
public abstract record Prerequisite
{
    private Prerequisite() { }

    /// <summary>All of the conditions hold.</summary>
    public sealed record All(IReadOnlyList<Prerequisite> Of) : Prerequisite;

    /// <summary>At least one of the conditions holds.</summary>
    public sealed record Any(IReadOnlyList<Prerequisite> Of) : Prerequisite;

    /// <summary>A course was passed, with a grade at least <paramref name="MinGrade"/> where one is given.</summary>
    public sealed record CourseTaken(CourseId Course, string? MinGrade) : Prerequisite;

    /// <summary>An exam was passed, with at least <paramref name="MinScore"/> where one is given.</summary>
    public sealed record ExamTaken(string Exam, decimal? MinScore) : Prerequisite;
}
