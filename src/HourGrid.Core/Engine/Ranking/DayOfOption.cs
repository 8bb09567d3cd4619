using HourGrid.Core.Catalogue;
using HourGrid.Core.Measuring;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// Meetings of one option on one day, merged into busy stretches of minutes. There are many such days, so one of these
/// serves for all, one after the other.
/// </summary>
internal sealed class DayOfOption
{
    private readonly List<Meeting> meetings = [];
    private readonly List<MinuteInterval> times = [];

    // The minute at which the unbroken stretch began that the last meeting is in.
    private int from;

    public List<Meeting> Meetings => meetings;

    /// <summary>The busy stretches, in their order.</summary>
    public List<MinuteInterval> Times => times;

    public int Start => times[0].Start.Value;
    public int End => times[^1].End.Value;
    public int Busy { get; private set; }
    public int LongestStretch { get; private set; }

    public void Clear()
    {
        meetings.Clear();
        times.Clear();
        (Busy, LongestStretch) = (0, 0);
    }

    /// <summary>Adds a meeting. They come in the order of a week.</summary>
    public void Add(in Meeting meeting)
    {
        meetings.Add(meeting);
        var time = meeting.Time;
        if (times.Count > 0 && time.Start <= times[^1].End)
        {
            var longer = new MinuteInterval(times[^1].Start, new(Math.Max(time.End.Value, times[^1].End.Value)));
            Busy += longer.Length - times[^1].Length;
            times[^1] = longer;
        }
        else
        {
            if (times.Count == 0 || time.Start.Value - times[^1].End.Value >= Measures.StretchPause)
                from = time.Start.Value;
            Busy += time.Length;
            times.Add(time);
        }
        LongestStretch = Math.Max(LongestStretch, times[^1].End.Value - from);
    }
}
