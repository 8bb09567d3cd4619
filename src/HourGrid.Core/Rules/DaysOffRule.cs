using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>Days off.</summary>
/// <param name="days">The weekdays without a meeting.</param>
public sealed class DaysOffRule(WeekdaySet days) : HourRule("dayLimits.daysOff")
{
    internal static IEnumerable<DaysOffRule> Of(Ask ask) =>
        ask.DayLimits.DaysOff.Count > 0 ? [new(ask.DayLimits.DaysOff)] : [];

    /// <inheritdoc/>
    public override Ask Without(Ask ask) => ask with { DayLimits = ask.DayLimits with { DaysOff = default } };

    internal override bool IsAgainst(in Meeting meeting) => days.Contains(meeting.Day);
}
