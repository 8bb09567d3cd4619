using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>What to do if a section of a timetable filled.</summary>
/// <param name="Section">The section.</param>
/// <param name="Instead">
/// The timetable without it that changes the fewest courses, and the best of those; null when there is none.
/// </param>
/// <param name="Changed">The courses that it takes otherwise, in the order of the ask.</param>
/// <param name="Score">Its score.</param>
/// <param name="IsExact">Whether no nearer or better one was left out.</param>
public sealed record Fallback(
    RegistrationNumber Section,
    Timetable? Instead,
    IReadOnlyList<CourseId> Changed,
    int Score,
    bool IsExact
);

/// <summary>Finds what could take the place of a timetable if one of its sections filled.</summary>
public static class Fallbacks
{
    /// <summary>A fallback for each section of a timetable, by registration number.</summary>
    /// <param name="snapshot">The catalogue.</param>
    /// <param name="ask">The ask whose timetable it is.</param>
    /// <param name="sections">The registration numbers of the timetable.</param>
    /// <param name="budget">How long it may take; null for as long as it takes.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <exception cref="AskRefusedException">The ask or the timetable names what the catalogue does not have.</exception>
    /// <exception cref="AskTooLargeException">It is too large to be answered.</exception>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    public static IReadOnlyList<Fallback> Of(
        CatalogueSnapshot snapshot,
        Ask ask,
        IReadOnlyCollection<RegistrationNumber> sections,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        Problem.Check(snapshot, ask);
        var limit = new WorkLimit(budget, cancellation);
        var held = sections.ToHashSet();
        Fallback[] found = [.. held.Order().Select(section => Without(snapshot, ask, held, section, limit))];
        cancellation.ThrowIfCancellationRequested();
        return found;
    }

    private static Fallback Without(
        CatalogueSnapshot snapshot,
        Ask ask,
        HashSet<RegistrationNumber> held,
        RegistrationNumber section,
        WorkLimit limit
    )
    {
        if (limit.IsOver())
            return new(section, null, [], 0, false);
        var filled = ask with
        {
            Wanted =
            [
                .. ask.Wanted.Select(wanted =>
                    snapshot.Find(wanted.Course)!.Sections.Any(other => other.Number == section)
                        ? wanted with
                        {
                            RuleOut = [.. wanted.RuleOut, section],
                        }
                        : wanted
                ),
            ],
        };
        var nearest = Nearest.To(snapshot, filled, held, limit);
        return new(section, nearest.Timetable, nearest.Changed, nearest.Score, nearest.IsExact);
    }
}
