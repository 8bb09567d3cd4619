using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Requirements.Ahead;

/// <summary>The end in sight, and what waiting costs.</summary>
/// <param name="Terms">The least number of terms until the programme is complete; null where that is more than was looked at.</param>
/// <param name="IsExact">False where time ran out: figures are then the least that are not excluded.</param>
/// <param name="Plan">Courses term by term, in ordinal order, of just so many terms; null where none is known.</param>
/// <param name="Waiting">Course by course what waiting costs, in the order of <see cref="HelpingCourses"/>.</param>
public sealed record TermsAheadAnswer(
    int? Terms,
    bool IsExact,
    IReadOnlyList<IReadOnlyList<CourseId>>? Plan,
    IReadOnlyList<CostOfWaiting> Waiting
);

/// <summary>What it costs not to take a course in the first term.</summary>
/// <param name="Course">The course.</param>
/// <param name="Now">The least number of terms with it in the first; null where that is more than was looked at.</param>
/// <param name="Later">The least number with it in a later one, or never.</param>
/// <param name="IsExact">False where time ran out.</param>
public sealed record CostOfWaiting(CourseId Course, int? Now, int? Later, bool IsExact);
