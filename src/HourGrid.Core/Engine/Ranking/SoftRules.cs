using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>What an ask's soft rules and preferred campus say of an option's day; both add up over the options.</summary>
internal sealed class SoftRules(Ask ask)
{
    private readonly TimeBlock[] ratherNot =
    [
        .. ask.TimeBlocks.Where(block => block.Strength == Strength.RatherNot).OrderBy(block => block.Time),
    ];

    private readonly DayOfOption away = new();

    /// <summary>Busy minutes inside Rather-not blocks; a minute counts once.</summary>
    public int SoftMinutes(DayOfOption day, Weekday weekday, WeekSet weeks)
    {
        var minutes = 0;
        foreach (var time in day.Times)
        {
            var until = time.Start.Value;
            foreach (var block in ratherNot)
            {
                var from = Math.Max(until, block.Time.Start.Value);
                var to = Math.Min(time.End.Value, block.Time.End.Value);
                if (to <= from || !block.Days.Contains(weekday) || !block.Weeks.Overlaps(weeks))
                    continue;
                minutes += to - from;
                until = to;
            }
        }
        return minutes;
    }

    /// <summary>Minutes on another campus than the preferred one; a minute counts once.</summary>
    public int AwayMinutes(DayOfOption day)
    {
        if (ask.Campus.Preferred is not { } preferred)
            return 0;
        away.Clear();
        foreach (var meeting in day.Meetings)
            if (meeting.Campus is { } campus && campus != preferred)
                away.Add(meeting);
        return away.Busy;
    }
}
