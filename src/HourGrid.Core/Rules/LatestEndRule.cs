using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>The latest end of a day.</summary>
/// <param name="latest">No meeting ends after it.</param>
public sealed class LatestEndRule(Minute latest) : HourRule("dayLimits.latestEnd")
{
    internal static IEnumerable<LatestEndRule> Of(Ask ask) => ask.DayLimits.LatestEnd is { } end ? [new(end)] : [];

    /// <inheritdoc/>
    public override Ask Without(Ask ask) => ask with { DayLimits = ask.DayLimits with { LatestEnd = null } };

    internal override bool IsAgainst(in Meeting meeting) => meeting.Time.End > latest;
}
