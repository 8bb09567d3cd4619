using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Rules;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>What a rule costs.</summary>
/// <param name="Rule">The rule.</param>
/// <param name="Cost">
/// Timetables without it less timetables with it. Below 0 where the rule adds some, as a course that is taken if it fits.
/// </param>
public sealed record RuleCost(Rule Rule, Int128 Cost);

/// <summary>What every rule of an ask costs.</summary>
/// <param name="Costs">In the order of the ask's rules; none where time was up too soon to say anything.</param>
/// <param name="IsExact">Whether the costs are exact.</param>
/// <param name="AreBounds">Whether each cost is at least what is said; so where they are exact.</param>
public sealed record CostsAnswer(IReadOnlyList<RuleCost> Costs, bool IsExact, bool AreBounds);

/// <summary>Counts an ask without each of its rules, all of them together.</summary>
public static class RuleCosts
{
    /// <param name="snapshot">The catalogue.</param>
    /// <param name="ask">The ask.</param>
    /// <param name="budget">How long it may take; null for as long as it takes.</param>
    /// <param name="timetables">
    /// How many timetables the ask has, where that is known exactly: then also costs that time did not suffice for are
    /// bounds.
    /// </param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <exception cref="AskRefusedException">The ask names what the catalogue does not have.</exception>
    /// <exception cref="AskTooLargeException">It is too large to be answered.</exception>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    public static CostsAnswer Of(
        CatalogueSnapshot snapshot,
        Ask ask,
        TimeSpan? budget = null,
        UInt128? timetables = null,
        CancellationToken cancellation = default
    )
    {
        Problem.Check(snapshot, ask);
        var rules = RuleList.Of(ask);
        Rule[] hard = [.. rules.Where(rule => rule.IsHard)];
        UInt128[] counts;
        bool isExact;
        try
        {
            Rule[][] sets =
            [
                [],
                .. hard.Select(rule => new[] { rule }),
            ];
            (counts, isExact) = LiftedCounts.Of(snapshot, ask, sets, new WorkLimit(budget, cancellation));
            cancellation.ThrowIfCancellationRequested();
        }
        catch (OperationCanceledException) when (!cancellation.IsCancellationRequested)
        {
            return new([], false, false);
        }
        var with = isExact ? counts[0] : timetables ?? counts[0];
        var without = hard.Zip(counts.Skip(1)).ToDictionary(pair => pair.First, pair => pair.Second);
        return new(
            [
                .. rules.Select(rule => new RuleCost(
                    rule,
                    rule.IsHard ? checked((Int128)without[rule] - (Int128)with) : 0
                )),
            ],
            isExact,
            isExact || timetables is not null
        );
    }
}
