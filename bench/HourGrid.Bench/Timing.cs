using System.Diagnostics;
using System.Text.Json.Serialization;

namespace HourGrid.Bench;

/// <summary>Medians of repeated runs.</summary>
internal static class Timing
{
    private const int Least = 5;
    private const int Most = 200;
    private static readonly TimeSpan Enough = TimeSpan.FromSeconds(1);

    /// <summary>The median time of a run, in milliseconds.</summary>
    public static double Median(Action run) => Medians(run)[0];

    /// <summary>
    /// The median times of a run and of what it is held against, by turns, so that what else the machine does falls on
    /// both alike.
    /// </summary>
    public static TimeBeside ByTurns(Action run, Action peer) =>
        Medians(run, peer) is [var its, var other] ? new(its, other) : default;

    /// <summary>
    /// Of each, the median of at least five runs after as many that warm it up, and of more while that takes no longer
    /// than a moment.
    /// </summary>
    private static double[] Medians(params Action[] runs)
    {
        Repeat(runs);
        return [.. Repeat(runs).Select(times => times.Order().ElementAt(times.Count / 2))];
    }

    private static List<double>[] Repeat(Action[] runs)
    {
        List<double>[] times = [.. runs.Select(_ => new List<double>())];
        var start = Stopwatch.GetTimestamp();
        for (var turn = 0; turn < Most && (turn < Least || Stopwatch.GetElapsedTime(start) < Enough); turn++)
        for (var i = 0; i < runs.Length; i++)
        {
            var from = Stopwatch.GetTimestamp();
            runs[i]();
            times[i].Add(Stopwatch.GetElapsedTime(from).TotalMilliseconds);
        }
        return times;
    }
}

/// <summary>A time, and that of what it is held against, both in milliseconds.</summary>
internal readonly record struct TimeBeside(double Ms, double PeerMs)
{
    /// <summary>How many times as long as the other.</summary>
    [JsonIgnore]
    public double Times => Ms / PeerMs;
}
