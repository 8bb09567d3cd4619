using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// Meetings of one option on one day, merged into busy stretches of minutes. There are many such days, so one of these
/// serves for all, one after the other.
/// </summary>
internal sealed class DayOfOption
{
    // The minute at which the unbroken stretch began that the last meeting is in.
    private int from;

    public List<Meeting> Meetings { get; } = [];

    /// <summary>The busy stretches, in their order.</summary>
    public List<MinuteInterval> Times { get; } = [];

    public int Start => Times[0].Start.Value;
    public int End => Times[^1].End.Value;
    public int Busy { get; private set; }
    public int LongestStretch { get; private set; }

    public void Clear()
    {
        Meetings.Clear();
        Times.Clear();
        (Busy, LongestStretch) = (0, 0);
    }

    /// <summary>Adds a meeting. They come in the order of a week.</summary>
    public void Add(in Meeting meeting)
    {
        Meetings.Add(meeting);
        var time = meeting.Time;
        if (Times.Count > 0 && time.Start <= Times[^1].End)
        {
            var longer = new MinuteInterval(Times[^1].Start, new(Math.Max(time.End.Value, Times[^1].End.Value)));
            Busy += longer.Length - Times[^1].Length;
            Times[^1] = longer;
        }
        else
        {
            if (Times.Count == 0 || time.Start.Value - Times[^1].End.Value >= Stretch.Pause)
                from = time.Start.Value;
            Busy += time.Length;
            Times.Add(time);
        }
        LongestStretch = Math.Max(LongestStretch, Times[^1].End.Value - from);
    }
}
