using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;

namespace HourGrid.Core.Rules;

/// <summary>The most minutes of class on any day.</summary>
/// <param name="most">How many.</param>
public sealed class MaxMinutesPerDayRule(int most) : SumRule("dayLimits.maxMinutesPerDay")
{
    internal static IEnumerable<MaxMinutesPerDayRule> Of(Ask ask) =>
        ask.DayLimits.MaxMinutesPerDay is { } most ? [new(most)] : [];

    /// <inheritdoc/>
    public override Ask Without(Ask ask) => ask with { DayLimits = ask.DayLimits with { MaxMinutesPerDay = null } };

    internal override IEnumerable<BoundedSum> Sums(IReadOnlyCollection<WeekSet> weeks) =>
        from alike in WeekClasses.Binding(weeks, [])
        from day in Weekdays.All
        select new BoundedSum(course => MinutesOn(course.Meetings, day, alike), null, most);

    private static int MinutesOn(IReadOnlyList<Meeting> meetings, Weekday day, WeekSet weeks)
    {
        // Meetings of one course may overlap within a section; a minute counts once.
        var minutes = 0;
        var until = 0;
        foreach (var meeting in meetings)
        {
            if (meeting.Day != day || !meeting.Weeks.Overlaps(weeks))
                continue;
            minutes += Math.Max(0, meeting.Time.End.Value - Math.Max(until, meeting.Time.Start.Value));
            until = Math.Max(until, meeting.Time.End.Value);
        }
        return minutes;
    }
}
