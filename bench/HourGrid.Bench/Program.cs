using System.Diagnostics;
using HourGrid.Bench.Ladder;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Engine.Compiling;

foreach (var rung in Rungs.All.Where(rung => args.Length == 0 || args.Contains(rung.Name)))
{
    var compiles = new List<double>();
    var counts = new List<double>();
    var start = Stopwatch.GetTimestamp();
    CountAnswer count = null!;
    Problem problem = null!;
    while (compiles.Count < 5 || (compiles.Count < 400 && Stopwatch.GetElapsedTime(start).TotalSeconds < 3))
    {
        var t0 = Stopwatch.GetTimestamp();
        problem = Problem.Compile(rung.Snapshot, rung.Ask);
        var t1 = Stopwatch.GetTimestamp();
        count = Counts.Of(problem, TimeSpan.FromSeconds(20));
        var t2 = Stopwatch.GetTimestamp();
        compiles.Add(Stopwatch.GetElapsedTime(t0, t1).TotalMilliseconds);
        counts.Add(Stopwatch.GetElapsedTime(t1, t2).TotalMilliseconds);
    }
    double Calibrate()
    {
        var best = double.MaxValue;
        for (var k = 0; k < 20; k++)
        {
            var t = Stopwatch.GetTimestamp();
            ulong x = 1,
                y = 0;
            for (var i = 0; i < 200_000; i++)
            {
                x ^= x << 13;
                x ^= x >> 7;
                x ^= x << 17;
                y += (ulong)System.Numerics.BitOperations.PopCount(x);
            }
            best = Math.Min(best, Stopwatch.GetElapsedTime(t).TotalMilliseconds + (y == 7 ? 1 : 0));
        }
        return best;
    }
    Console.WriteLine($"calibration {Calibrate():F3}");
    double Median(List<double> list) => list.TakeLast(list.Count / 2 + 1).Order().ElementAt(list.Count / 4);
    if (count.IsExact && count.Total.Timetables < 1_000_000_000)
        foreach (var (k, shape) in new[] { (1000, false), (200, true) })
        {
            var times = new List<double>();
            for (var i = 0; i < 12; i++)
            {
                var t0 = Stopwatch.GetTimestamp();
                var b = Best.Of(problem, k, byShape: shape);
                times.Add(Stopwatch.GetElapsedTime(t0).TotalMilliseconds);
                if (times.Sum() > 20000) break;
            }
            Console.WriteLine($"  best {k} shape {shape}: {times.Order().ElementAt(times.Count / 2):F2} min {times.Min():F2} first {times[0]:F1}");
        }
    var peer = HourGrid.Bench.Peers.PlainBacktracker.Count(problem, TimeSpan.FromSeconds(1));
    Console.WriteLine($"  peer {peer} ratio {peer.Seconds * 1000 / Median(counts):N0}");
    Console.WriteLine(
        $"{rung.Name, -18} bundles {string.Join('/', problem.Courses.Select(c => c.Bundles.Count))} {count.Total.Timetables:N0} shapes {count.Total.WeekShapes:N0} exact {count.IsExact} {count.Estimate} compile {Median(compiles):F3} ({compiles[0]:F1}) count {Median(counts):F3} min {counts.Min():F3} ({counts[0]:F1})"
    );
}
