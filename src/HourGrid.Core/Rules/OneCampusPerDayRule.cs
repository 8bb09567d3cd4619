using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>No day has meetings on two campuses.</summary>
public sealed class OneCampusPerDayRule() : DayRule("campus.onePerDay")
{
    internal static IEnumerable<OneCampusPerDayRule> Of(Ask ask) => ask.Campus.OnePerDay ? [new()] : [];

    /// <inheritdoc/>
    public override Ask Without(Ask ask) => ask with { Campus = ask.Campus with { OnePerDay = false } };

    /// <summary>The witnesses are the campuses; a meeting rules out all but its own.</summary>
    private protected override IEnumerable<IReadOnlyList<Witness>> Witnesses(
        WitnessTable table,
        int[] today,
        Weekday day,
        WeekSet weeks
    )
    {
        var campuses = today.Select(number => table.Meetings[number].Campus).OfType<CampusId>().Distinct().ToArray();
        if (campuses.Length < 2)
            return [];
        return
        [
            [
                .. campuses.Select(campus =>
                    table.Witness(today, meeting => meeting.Campus is { } other && other != campus)
                ),
            ],
        ];
    }
}
