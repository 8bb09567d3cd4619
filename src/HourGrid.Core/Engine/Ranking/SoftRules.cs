using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Measuring;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>The meetings of one option on one day, merged into busy stretches of minutes.</summary>
internal sealed class DayOfOption
{
    /// <param name="meetings">One at least, in the order of a week.</param>
    public DayOfOption(List<Meeting> meetings)
    {
        var from = meetings[0].Time.Start.Value;
        foreach (var meeting in meetings)
        {
            var time = meeting.Time;
            if (Times.Count > 0 && time.Start <= Times[^1].End)
                Times[^1] = new(Times[^1].Start, new(Math.Max(time.End.Value, Times[^1].End.Value)));
            else
            {
                if (Times.Count > 0 && time.Start.Value - Times[^1].End.Value >= Measures.StretchPause)
                    from = time.Start.Value;
                Times.Add(time);
            }
            LongestStretch = Math.Max(LongestStretch, Times[^1].End.Value - from);
        }
        foreach (var time in Times)
            Busy += time.Length;
    }

    public List<MinuteInterval> Times { get; } = [];
    public int Start => Times[0].Start.Value;
    public int End => Times[^1].End.Value;
    public int Busy { get; }
    public int LongestStretch { get; }
}

/// <summary>What an ask's soft rules and preferred campus say of an option's day; both add up over the options.</summary>
internal sealed class SoftRules(Ask ask)
{
    private readonly Dictionary<CampusId, int> campuses = [];
    private readonly TimeBlock[] ratherNot = [.. ask.TimeBlocks.Where(block => block.Strength == Strength.RatherNot)];

    /// <summary>A number for a meeting's campus, from 0; -1 for none.</summary>
    public int CampusOf(in Meeting meeting)
    {
        if (meeting.Campus is not { } campus)
            return -1;
        if (!campuses.TryGetValue(campus, out var number))
            campuses[campus] = number = campuses.Count;
        return number;
    }

    /// <summary>Busy minutes inside Rather-not blocks; a minute counts once.</summary>
    public int SoftMinutes(DayOfOption day, Weekday weekday, WeekSet weeks)
    {
        if (ratherNot.Length == 0)
            return 0;
        var blocks = ratherNot
            .Where(block => block.Days.Contains(weekday) && block.Weeks.Overlaps(weeks))
            .Select(block => block.Time)
            .Order()
            .ToArray();
        var minutes = 0;
        foreach (var time in day.Times)
        {
            var until = time.Start.Value;
            foreach (var block in blocks)
            {
                var from = Math.Max(until, block.Start.Value);
                var to = Math.Min(time.End.Value, block.End.Value);
                if (to <= from)
                    continue;
                minutes += to - from;
                until = to;
            }
        }
        return minutes;
    }

    /// <summary>Minutes on another campus than the preferred one; a minute counts once.</summary>
    public int AwayMinutes(List<Meeting> today)
    {
        if (ask.Campus.Preferred is not { } preferred)
            return 0;
        var away = today.FindAll(meeting => meeting.Campus is { } campus && campus != preferred);
        return away.Count == 0 ? 0 : new DayOfOption(away).Busy;
    }
}
