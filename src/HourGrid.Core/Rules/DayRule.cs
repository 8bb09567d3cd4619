using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>A witnessed rule that looks at each day by itself.</summary>
public abstract class DayRule : WitnessedRule
{
    private protected DayRule(string path, int index = 0, bool isHard = true)
        : base(path, index, isHard) { }

    internal sealed override IEnumerable<IReadOnlyList<Witness>> Witnesses(WitnessTable table, WeekSet weeks)
    {
        foreach (var day in Weekdays.All)
        {
            var today = table.Among(meeting => meeting.Day == day && meeting.Weeks.Overlaps(weeks));
            if (today.Length == 0)
                continue;
            foreach (var witnesses in Witnesses(table, today, day, weeks))
                yield return witnesses;
        }
    }

    /// <summary>Its witnesses on one weekday that has meetings.</summary>
    /// <param name="table">The meetings, and what makes witnesses of them.</param>
    /// <param name="today">The numbers of the day's meetings.</param>
    /// <param name="day">The weekday.</param>
    /// <param name="weeks">The weeks.</param>
    private protected abstract IEnumerable<IReadOnlyList<Witness>> Witnesses(
        WitnessTable table,
        int[] today,
        Weekday day,
        WeekSet weeks
    );
}
