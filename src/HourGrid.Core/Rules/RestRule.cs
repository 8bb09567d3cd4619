using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>
/// The least rest between two days that follow each other, Monday to Sunday, and both have class: from the last end of the
/// first to the first start of the second.
/// </summary>
/// <param name="least">Its minutes.</param>
public sealed class RestRule(int least) : WitnessedRule("dayLimits.restMinutes")
{
    internal static IEnumerable<RestRule> Of(Ask ask) => ask.DayLimits.RestMinutes is { } least ? [new(least)] : [];

    /// <inheritdoc/>
    public override Ask Without(Ask ask) => ask with { DayLimits = ask.DayLimits with { RestMinutes = null } };

    /// <summary>
    /// A set for each two days. Its witnesses: the first has no meeting, or all its meetings have ended by one of the minutes
    /// at which one ends, and none of the second starts before the rest from then on is over.
    /// </summary>
    internal override IEnumerable<IReadOnlyList<Witness>> Witnesses(WitnessTable table, WeekSet weeks)
    {
        foreach (var (first, second) in Weekdays.All.Zip(Weekdays.All.Skip(1)))
        {
            var among = table.Among(meeting =>
                (meeting.Day == first || meeting.Day == second) && meeting.Weeks.Overlaps(weeks)
            );
            var ends = among
                .Select(number => table.Meetings[number])
                .Where(meeting => meeting.Day == first)
                .Select(meeting => meeting.Time.End.Value)
                .Distinct()
                .ToArray();
            var isEarly = among.Any(number =>
                table.Meetings[number].Day == second
                && ends.Any(end => StartsBeforeRested(table.Meetings[number], end))
            );
            if (isEarly)
                yield return
                [
                    table.Witness(among, meeting => meeting.Day == first),
                    .. ends.Select(end =>
                        table.Witness(
                            among,
                            meeting =>
                                meeting.Day == first ? meeting.Time.End.Value > end : StartsBeforeRested(meeting, end)
                        )
                    ),
                ];
        }
    }

    private bool StartsBeforeRested(in Meeting meeting, int end) =>
        meeting.Time.Start.Value + Minute.PerDay - end < least;
}
