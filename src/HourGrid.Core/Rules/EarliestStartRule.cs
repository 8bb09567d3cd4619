using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>The earliest start of a day.</summary>
/// <param name="earliest">No meeting starts before it.</param>
public sealed class EarliestStartRule(Minute earliest) : HourRule("dayLimits.earliestStart")
{
    internal static IEnumerable<EarliestStartRule> Of(Ask ask) =>
        ask.DayLimits.EarliestStart is { } start ? [new(start)] : [];

    /// <inheritdoc/>
    public override Ask Without(Ask ask) => ask with { DayLimits = ask.DayLimits with { EarliestStart = null } };

    internal override bool IsAgainst(in Meeting meeting) => meeting.Time.Start < earliest;
}
