using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>A timetable with how much it changes.</summary>
/// <param name="Changes">
/// Courses of the ask of which it takes other sections than are held, or which it takes and are not held, or the other way
/// round.
/// </param>
/// <param name="Timetable">The timetable, ranked by changes first and then by score.</param>
public sealed record ChangedTimetable(int Changes, RankedTimetable Timetable);

/// <summary>Timetables in the order of how little they change.</summary>
/// <param name="Timetables">Those that change the fewest courses first, and of those the best.</param>
/// <param name="IsExact">Whether none was left out that would stand before one of them.</param>
public sealed record FewestChangesAnswer(IReadOnlyList<ChangedTimetable> Timetables, bool IsExact);

/// <summary>Finds the timetables of an ask that change the least of what is held.</summary>
public static class FewestChanges
{
    /// <summary>The first timetables by how many courses they change, then by score, then by registration numbers.</summary>
    /// <param name="snapshot">The catalogue.</param>
    /// <param name="ask">The ask.</param>
    /// <param name="held">The registration numbers held.</param>
    /// <param name="count">How many.</param>
    /// <param name="budget">How long it may take; null for as long as it takes.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <exception cref="AskRefusedException">The ask names what the catalogue does not have.</exception>
    /// <exception cref="AskTooLargeException">It is too large to be answered, or too many are wanted.</exception>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    public static FewestChangesAnswer Of(
        CatalogueSnapshot snapshot,
        Ask ask,
        IReadOnlySet<RegistrationNumber> held,
        int count,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        ArgumentOutOfRangeException.ThrowIfNegative(count);
        if (count > Best.Most)
            throw new AskTooLargeException(AskExcess.Ranked, count, Best.Most);
        var limit = new WorkLimit(budget, cancellation);
        try
        {
            var problem = Problem.Compile(snapshot, ask, new CompileScope(0, held), limit);
            var found = Best.Search(problem, count, byShape: false, limit);
            var described = found.Describe([.. Enumerable.Range(0, found.Best.Length)], limit);
            return new(
                [
                    .. described.Select(
                        (one, at) =>
                            new ChangedTimetable(
                                problem
                                    .Levels.Select((course, level) => course.Options[found.Best[at].Options[level]])
                                    .Count(option => option.IsChange),
                                one
                            )
                    ),
                ],
                found.IsExact && described.Length == found.Best.Length
            );
        }
        catch (OperationCanceledException) when (!cancellation.IsCancellationRequested)
        {
            return new([], false);
        }
    }
}
