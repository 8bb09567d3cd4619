using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Requirements;

/// <summary>
/// Which courses qualify: those that are listed, and those that meet every one of subjects, attributes and numbers that is
/// given, where any is.
/// </summary>
public sealed record CourseFilter
{
    /// <summary>Courses that qualify by being listed.</summary>
    public IReadOnlyList<CourseId> Courses { get; init; } = [];

    /// <summary>Subjects of which a course has to be of one; empty where that does not matter.</summary>
    public IReadOnlyList<string> Subjects { get; init; } = [];

    /// <summary>Attributes of which a course has to have one; empty where that does not matter.</summary>
    public IReadOnlyList<string> Attributes { get; init; } = [];

    /// <summary>The numbers a course may have; null where that does not matter.</summary>
    public NumberRange? Numbers { get; init; }

    /// <summary>Courses that do not qualify, whatever else is said.</summary>
    public IReadOnlyList<CourseId> Except { get; init; } = [];

    /// <summary>Whether a course qualifies.</summary>
    public bool Admits(CourseTraits course)
    {
        ArgumentNullException.ThrowIfNull(course);
        if (Except.Contains(course.Id))
            return false;
        if (Courses.Contains(course.Id))
            return true;
        if (Subjects.Count == 0 && Attributes.Count == 0 && Numbers is null)
            return false;
        return (Subjects.Count == 0 || Subjects.Contains(course.Subject))
            && (Attributes.Count == 0 || Attributes.Any(course.Attributes.Contains))
            && (Numbers is not { } range || (course.LeadingNumber is { } number && range.Contains(number)));
    }
}

/// <summary>Numbers of courses, both bounds included.</summary>
/// <param name="Min">The smallest; null for no bound.</param>
/// <param name="Max">The largest; null for no bound.</param>
public readonly record struct NumberRange(int? Min, int? Max)
{
    /// <summary>Whether a number lies within.</summary>
    public bool Contains(int number) => number >= (Min ?? int.MinValue) && number <= (Max ?? int.MaxValue);
}
