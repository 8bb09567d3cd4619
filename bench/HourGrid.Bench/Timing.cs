using System.Diagnostics;

namespace HourGrid.Bench;

/// <summary>Medians of repeated runs.</summary>
internal static class Timing
{
    private const int Least = 5;
    private const int Most = 200;
    private static readonly TimeSpan Enough = TimeSpan.FromSeconds(1);

    /// <summary>
    /// The median time of a run, in milliseconds: of at least five after as many that warm it up, and of more while that
    /// takes no longer than a moment.
    /// </summary>
    public static double Median(Action run)
    {
        var warm = Stopwatch.GetTimestamp();
        for (var i = 0; i < Most && (i < Least || Stopwatch.GetElapsedTime(warm) < Enough); i++)
            run();
        var times = new List<double>();
        var start = Stopwatch.GetTimestamp();
        while (times.Count < Most && (times.Count < Least || Stopwatch.GetElapsedTime(start) < Enough))
        {
            var from = Stopwatch.GetTimestamp();
            run();
            times.Add(Stopwatch.GetElapsedTime(from).TotalMilliseconds);
        }
        times.Sort();
        return times[times.Count / 2];
    }
}
