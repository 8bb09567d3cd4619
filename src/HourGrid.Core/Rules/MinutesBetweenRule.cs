using HourGrid.Core.Asking;

namespace HourGrid.Core.Rules;

/// <summary>Minutes that must lie between two classes.</summary>
public sealed class MinutesBetweenRule() : ConflictRule("dayLimits.minutesBetween")
{
    internal static IEnumerable<MinutesBetweenRule> Of(Ask ask) => ask.DayLimits.MinutesBetween > 0 ? [new()] : [];

    /// <inheritdoc/>
    public override Ask Without(Ask ask) => ask with { DayLimits = ask.DayLimits with { MinutesBetween = 0 } };
}
