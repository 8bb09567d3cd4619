using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Measures;
using HourGrid.Core.Timetables;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>The timetable of an ask that is nearest to given sections.</summary>
/// <param name="Timetable">The one that changes the fewest courses, and the best of those; null when there is none.</param>
/// <param name="Measures">What it is like; null when there is none.</param>
/// <param name="Changed">The courses of which it holds other sections than given, in the order of the ask.</param>
/// <param name="Score">Its score.</param>
/// <param name="IsExact">Whether no nearer or better one was left out.</param>
public sealed record NearestTimetable(
    Timetable? Timetable,
    WeekMeasures? Measures,
    IReadOnlyList<CourseId> Changed,
    int Score,
    bool IsExact
)
{
    /// <summary>None was found in time.</summary>
    internal static NearestTimetable Unknown { get; } = new(null, null, [], 0, false);
}

/// <summary>Finds the timetable that changes the least.</summary>
public static class Nearest
{
    /// <summary>The timetable of an ask nearest to some sections, which need not be one of its timetables.</summary>
    /// <param name="snapshot">The catalogue.</param>
    /// <param name="ask">The ask.</param>
    /// <param name="held">The registration numbers to stay near to.</param>
    /// <param name="budget">How long it may take; null for as long as it takes.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <exception cref="AskRefusedException">The ask names what the catalogue does not have.</exception>
    /// <exception cref="AskTooLargeException">It is too large to be answered.</exception>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    public static NearestTimetable To(
        CatalogueSnapshot snapshot,
        Ask ask,
        IReadOnlySet<RegistrationNumber> held,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        var found = To(snapshot, ask, held, new WorkLimit(budget, cancellation));
        cancellation.ThrowIfCancellationRequested();
        return found;
    }

    internal static NearestTimetable To(
        CatalogueSnapshot snapshot,
        Ask ask,
        IReadOnlySet<RegistrationNumber> held,
        WorkLimit limit
    )
    {
        Problem problem;
        try
        {
            problem = Problem.Compile(snapshot, ask, new CompileScope(0, held), limit);
        }
        catch (OperationCanceledException)
        {
            return NearestTimetable.Unknown;
        }
        var found = Best.Search(problem, 1, byShape: false, limit);
        if (found.Best is not [var best])
            return new(null, null, [], 0, found.IsExact);
        var nearest = found.Describe([0], limit)[0];
        var changed = problem
            .Levels.Select((course, level) => (course, option: course.Options[best.Options[level]]))
            .Where(pair => pair.option.IsChange)
            .OrderBy(pair => pair.course.Index)
            .Select(pair => pair.course.Wanted.Course);
        return new(nearest.Timetable, nearest.Measures, [.. changed], nearest.Score, found.IsExact);
    }
}
