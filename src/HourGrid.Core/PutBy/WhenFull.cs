using HourGrid.Core.Catalogue;

namespace HourGrid.Core.PutBy;

/// <summary>What to do where a section is full when it is to be registered.</summary>
public enum WhenFull
{
    /// <summary>Take what is prepared, or nothing.</summary>
    Leave,

    /// <summary>Wait in its line; what is prepared is for a line that is full, too.</summary>
    Wait,

    /// <summary>Take what is prepared, and wait in its line where that is full, too.</summary>
    WaitLast,
}

/// <summary>What a student decided for a course of the choice.</summary>
/// <param name="Course">The course.</param>
/// <param name="WhenFull">What to do where it is full.</param>
public readonly record struct CourseWhenFull(CourseId Course, WhenFull WhenFull);
