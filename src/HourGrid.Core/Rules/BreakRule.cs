using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>Floating free time.</summary>
/// <param name="wanted">The break.</param>
/// <param name="index">Its place in the ask.</param>
public sealed class BreakRule(Break wanted, int index)
    : DayRule($"breaks[{index}]", index, wanted.Strength == Strength.Cannot)
{
    internal static IEnumerable<BreakRule> Of(Ask ask) =>
        ask.Breaks.Select((wanted, index) => new BreakRule(wanted, index));

    /// <inheritdoc/>
    public override Ask Without(Ask ask) => ask with { Breaks = WithoutAt(ask.Breaks, Index) };

    /// <summary>
    /// The witnesses are the places of the free stretch, and that the day has no meeting. A free stretch can be moved
    /// earlier until it touches the window's start or the end of what is taken, so only those places are looked at.
    /// </summary>
    private protected override IEnumerable<IReadOnlyList<Witness>> Witnesses(
        WitnessTable table,
        int[] today,
        Weekday day,
        WeekSet weeks
    )
    {
        if (!wanted.Days.Contains(day))
            return [];
        var taken = table
            .Blocks.Where(one => one.Block.Days.Contains(day) && one.Block.Weeks.Overlaps(weeks))
            .Select(one => (one.Rule, one.Block.Time))
            .ToArray();
        var starts = today
            .Select(number => table.Meetings[number].Time.End)
            .Concat(taken.Select(block => block.Time.End))
            .Append(wanted.Window.Start)
            .Where(start => start >= wanted.Window.Start && start.Value + wanted.Minutes <= wanted.Window.End.Value)
            .Distinct();
        return
        [
            [
                table.Witness(today, _ => true),
                .. starts
                    .Select(start => new MinuteInterval(start, new(start.Value + wanted.Minutes)))
                    .Select(stretch =>
                        table.Witness(
                            today,
                            meeting => meeting.Time.Overlaps(stretch),
                            [.. taken.Where(block => block.Time.Overlaps(stretch)).Select(block => block.Rule)]
                        )
                    ),
            ],
        ];
    }
}
