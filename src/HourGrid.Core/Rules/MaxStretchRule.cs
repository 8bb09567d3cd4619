using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;

namespace HourGrid.Core.Rules;

/// <summary>The longest unbroken stretch of classes.</summary>
/// <param name="most">Its minutes.</param>
public sealed class MaxStretchRule(int most) : DayRule("dayLimits.maxStretchMinutes")
{
    internal static IEnumerable<MaxStretchRule> Of(Ask ask) =>
        ask.DayLimits.MaxStretchMinutes is { } most ? [new(most)] : [];

    /// <inheritdoc/>
    public override Ask Without(Ask ask) => ask with { DayLimits = ask.DayLimits with { MaxStretchMinutes = null } };

    /// <summary>
    /// A set for each minute at which a meeting starts. Its witnesses: no meeting starts then, or the pause that ends the
    /// stretch comes in time, at one of the minutes at which a meeting ends.
    /// </summary>
    private protected override IEnumerable<IReadOnlyList<Witness>> Witnesses(
        WitnessTable table,
        int[] today,
        Weekday day,
        WeekSet weeks
    )
    {
        var ends = today.Select(number => table.Meetings[number].Time.End.Value).Distinct().Order().ToArray();
        foreach (var start in today.Select(number => table.Meetings[number].Time.Start.Value).Distinct())
            yield return
            [
                table.Witness(today, meeting => meeting.Time.Start.Value == start),
                .. ends.Where(end => end > start && end - start <= most)
                    .Select(end =>
                        table.Witness(
                            today,
                            meeting => meeting.Time.Start.Value < end + Stretch.Pause && meeting.Time.End.Value > end
                        )
                    ),
            ];
    }
}
