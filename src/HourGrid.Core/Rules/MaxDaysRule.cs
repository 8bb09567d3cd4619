using System.Numerics;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>The most class days in any week.</summary>
/// <param name="most">How many, 0 to 7.</param>
public sealed class MaxDaysRule(int most) : WitnessedRule("dayLimits.maxDays")
{
    internal static IEnumerable<MaxDaysRule> Of(Ask ask) => ask.DayLimits.MaxDays is { } most ? [new(most)] : [];

    /// <inheritdoc/>
    public override Ask Without(Ask ask) => ask with { DayLimits = ask.DayLimits with { MaxDays = null } };

    /// <summary>The witnesses are the largest sets of days allowed; a meeting rules out those without its day.</summary>
    internal override IEnumerable<IReadOnlyList<Witness>> Witnesses(WitnessTable table, WeekSet weeks)
    {
        var used = 0;
        var among = table.Among(meeting => meeting.Weeks.Overlaps(weeks));
        foreach (var number in among)
            used |= 1 << (int)table.Meetings[number].Day;
        if (BitOperations.PopCount((uint)used) <= most)
            return [];
        return
        [
            [
                .. Enumerable
                    .Range(0, used + 1)
                    .Where(days => (days & ~used) == 0 && BitOperations.PopCount((uint)days) == most)
                    .Select(days => table.Witness(among, meeting => (days >> (int)meeting.Day & 1) == 0)),
            ],
        ];
    }
}
