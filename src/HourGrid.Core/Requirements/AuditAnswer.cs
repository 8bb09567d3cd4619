using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Requirements;

/// <summary>What a programme still needs.</summary>
public sealed record AuditAnswer
{
    /// <summary>The programme.</summary>
    public required Programme Programme { get; init; }

    /// <summary>Every requirement, in the order of the file.</summary>
    public required IReadOnlyList<AuditedNode> Nodes { get; init; }

    /// <summary>What the whole is short of, reckoned in credits, over all courses.</summary>
    public required TotalCredits ShortWithPlanned { get; init; }

    /// <summary>The same over courses completed or under way.</summary>
    public required TotalCredits ShortWithUnderWay { get; init; }

    /// <summary>The same over courses completed.</summary>
    public required TotalCredits ShortCompleted { get; init; }

    /// <summary>All credits completed, each course once.</summary>
    public required TotalCredits Completed { get; init; }

    /// <summary>All credits under way.</summary>
    public required TotalCredits UnderWay { get; init; }

    /// <summary>All credits planned.</summary>
    public required TotalCredits Planned { get; init; }

    /// <summary>Courses that count and are given to no leaf, in ordinal order.</summary>
    public required IReadOnlyList<CourseId> Unused { get; init; }

    /// <summary>False where time ran out: what is short is then short of no more than this.</summary>
    public required bool IsExact { get; init; }
}

/// <summary>How a requirement stands.</summary>
public enum RequirementState
{
    /// <summary>By completed courses alone.</summary>
    Done,

    /// <summary>With those under way.</summary>
    UnderWay,

    /// <summary>With those planned.</summary>
    Planned,

    /// <summary>It is short of something.</summary>
    ShortBy,

    /// <summary>Enough others do instead.</summary>
    NotNeeded,
}

/// <summary>A requirement as it stands.</summary>
/// <param name="Requirement">The requirement.</param>
/// <param name="State">How it stands.</param>
/// <param name="ShortWithPlanned">What it is short of over all courses, also where it is not needed.</param>
/// <param name="ShortWithUnderWay">The same over courses completed or under way.</param>
/// <param name="ShortCompleted">The same over courses completed.</param>
/// <param name="Total">All that it asks for, reckoned in credits; of parts of which it takes some, those that are short of least.</param>
/// <param name="Courses">Those given to it, in ordinal order; none unless it is a leaf.</param>
public sealed record AuditedNode(
    Requirement Requirement,
    RequirementState State,
    TotalCredits ShortWithPlanned,
    TotalCredits ShortWithUnderWay,
    TotalCredits ShortCompleted,
    TotalCredits Total,
    IReadOnlyList<CourseId> Courses
);
