using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Requirements.Ahead;

/// <summary>Courses and requirements that a student put into this term and terms ahead.</summary>
/// <param name="Entries">What was put where, in the order in which it stands.</param>
public sealed record AheadPlan(IReadOnlyList<PlannedEntry> Entries)
{
    /// <summary>The most entries.</summary>
    public const int MostEntries = 200;

    /// <summary>Nothing planned.</summary>
    public static AheadPlan None { get; } = new([]);
}

/// <summary>One course or one requirement in a term.</summary>
/// <param name="Id">Tells it from others, and stays while it is moved.</param>
/// <param name="Term">The term.</param>
/// <param name="Course">The course; null where it is a requirement.</param>
/// <param name="Requirement">The requirement, for which a course will be found; null where it is a course.</param>
public sealed record PlannedEntry(string Id, TermId Term, CourseId? Course, RequirementName? Requirement);

/// <summary>A requirement of a programme.</summary>
/// <param name="Programme">The id of the programme.</param>
/// <param name="Id">The id of the requirement in it.</param>
public sealed record RequirementName(string Programme, string Id);
