using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;

namespace HourGrid.Core.Eligibility;

/// <summary>Who asks for which term, with what beside.</summary>
/// <param name="Record">The student's record.</param>
/// <param name="Term">The term in which a course is to be taken.</param>
/// <param name="Starts">When terms start; a term that is not among them lies before.</param>
public sealed record EligibilityQuestion(
    StudentRecord Record,
    TermId Term,
    IReadOnlyDictionary<TermId, DateOnly> Starts
)
{
    /// <summary>Courses of the same plan or registration.</summary>
    public IReadOnlySet<CourseId> Beside { get; init; } = new HashSet<CourseId>();

    /// <summary>Courses of which sections are held in the term.</summary>
    public IReadOnlySet<CourseId> Registered { get; init; } = new HashSet<CourseId>();

    /// <summary>What was granted to the student.</summary>
    public IReadOnlySet<Grant> Granted { get; init; } = new HashSet<Grant>();

    /// <summary>
    /// Whether another term is over before this one begins. Terms leave the catalogue when they are past, so one that it
    /// does not have lies before.
    /// </summary>
    public bool IsBefore(TermId other) =>
        other != Term && (!Starts.TryGetValue(other, out var start) || start < Starts[Term]);
}

/// <summary>What an instructor granted for a course.</summary>
/// <param name="Course">The course.</param>
/// <param name="Kind">What was granted.</param>
public readonly record struct Grant(CourseId Course, GrantKind Kind);

/// <summary>What can be granted.</summary>
public enum GrantKind
{
    /// <summary>To take a section that needs consent.</summary>
    Consent,

    /// <summary>To take it without what must come before.</summary>
    Prerequisite,

    /// <summary>To take it though it is for others.</summary>
    Restriction,
}
