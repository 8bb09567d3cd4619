using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Rules;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>A change that gives timetables where there are none.</summary>
/// <param name="Rules">The one or two rules to lift.</param>
/// <param name="Timetables">How many timetables there are without them.</param>
public sealed record WayOut(IReadOnlyList<Rule> Rules, UInt128 Timetables);

/// <summary>Why an ask has no timetable.</summary>
/// <param name="Together">
/// Rules that cannot live together: were all others lifted, there would be none; were any of these lifted too, some.
/// A course that is lifted may be left out. Where no wanted course can be taken whatever is lifted, the first of them.
/// </param>
/// <param name="WaysOut">Every single rule without which there are timetables; where no single one helps, every two.</param>
/// <param name="IsExact">Whether the time sufficed: for the smallest set, and for all ways out and their counts.</param>
public sealed record WhyAnswer(IReadOnlyList<Rule> Together, IReadOnlyList<WayOut> WaysOut, bool IsExact);

/// <summary>Explains why an ask has no timetable, and what would help.</summary>
/// <remarks>
/// The set is found by deletion: each rule in turn is lifted, and stays lifted if there is still no timetable. A rule
/// that helps alone is in every such set, so only the members of one have to be counted; and one of two that help
/// together is in it, the other in the set that is found once the first is lifted.
/// </remarks>
public static class WhyNone
{
    /// <summary>Pairs of rules that are counted, at most.</summary>
    private const int MostPairs = 200;

    /// <param name="snapshot">The catalogue.</param>
    /// <param name="ask">The ask.</param>
    /// <param name="budget">How long it may take; null for as long as it takes.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <returns>Why there is none; null where there is a timetable.</returns>
    /// <exception cref="AskRefusedException">The ask names what the catalogue does not have.</exception>
    /// <exception cref="AskTooLargeException">It is too large to be answered.</exception>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    public static WhyAnswer? Of(
        CatalogueSnapshot snapshot,
        Ask ask,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        Problem.Check(snapshot, ask);
        var answer = Of(snapshot, ask, new WorkLimit(budget, cancellation));
        cancellation.ThrowIfCancellationRequested();
        return answer;
    }

    internal static WhyAnswer? Of(CatalogueSnapshot snapshot, Ask ask, WorkLimit limit)
    {
        try
        {
            using var conflicts = new ConflictSets(snapshot, ask, limit);
            if (conflicts.HasTimetable([]))
                return null;
            if (!conflicts.HasTimetable(conflicts.Rules))
                return new([.. conflicts.Rules.Where(rule => rule is CourseRule).Take(1)], [], true);
            var together = conflicts.Smallest([]);
            var (singles, singlesExact) = Count(snapshot, ask, [.. together.Select(rule => new[] { rule })], limit);
            if (singles.Count > 0 || !singlesExact)
                return new(together, singles, singlesExact);
            var pairs = together
                .SelectMany(one => PartnersOf(conflicts, one).Select(other => new[] { one, other }))
                .DistinctBy(pair => string.Join(' ', pair.Select(rule => rule.Path).Order(StringComparer.Ordinal)))
                .ToArray();
            var (both, bothExact) = Count(snapshot, ask, pairs[..Math.Min(MostPairs, pairs.Length)], limit);
            return new(together, both, bothExact && pairs.Length <= MostPairs);
        }
        catch (OperationCanceledException)
        {
            return new([], [], false);
        }
    }

    /// <summary>
    /// The rules that could help together with one that does not help alone. Without an either–or its courses have
    /// their own roles again, which may ask for more than leaving them out: then any other rule could.
    /// </summary>
    private static IEnumerable<Rule> PartnersOf(ConflictSets conflicts, Rule one)
    {
        var smallest = conflicts.Smallest([one]);
        return smallest.Count > 0 ? smallest : conflicts.Rules.Where(other => other != one);
    }

    private static (IReadOnlyList<WayOut> WaysOut, bool IsExact) Count(
        CatalogueSnapshot snapshot,
        Ask ask,
        Rule[][] sets,
        WorkLimit limit
    )
    {
        var (counts, isExact) = LiftedCounts.Of(snapshot, ask, sets, limit);
        return (
            [.. sets.Zip(counts, (set, count) => new WayOut(set, count)).Where(way => way.Timetables > 0)],
            isExact
        );
    }
}
