using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>The range of the credits taken.</summary>
/// <param name="bounds">The range.</param>
public sealed class CreditsRule(CreditBounds bounds) : SumRule("credits")
{
    internal static IEnumerable<CreditsRule> Of(Ask ask) =>
        ask.Credits is { Min: null, Max: null } ? [] : [new(ask.Credits)];

    /// <inheritdoc/>
    public override Ask Without(Ask ask) => ask with { Credits = default };

    internal override IEnumerable<BoundedSum> Sums(IReadOnlyCollection<WeekSet> weeks) =>
        [new(course => course.Credits.Hundredths, bounds.Min?.Hundredths, bounds.Max?.Hundredths)];
}
