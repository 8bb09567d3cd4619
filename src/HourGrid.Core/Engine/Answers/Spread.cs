using System.Runtime.InteropServices;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Ranking;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>Picks from the best timetables some that differ most from each other.</summary>
/// <remarks>
/// The first is the best. Each next one is, of the best week shapes, the one whose nearest among those picked is
/// farthest; of equal ones the better. This is within a factor of two of the most spread there is (Gonzalez,
/// "Clustering to minimize the maximum intercluster distance", 1985). Two are as far apart as the minutes of class that
/// lie otherwise, summed over courses and weeks.
/// </remarks>
public static class Spread
{
    /// <summary>The best that are looked at.</summary>
    public const int From = 2000;

    private const long Picked = -1;

    /// <summary>About what it takes to pick one and describe it: the search ends so much earlier for each.</summary>
    private const double MicrosecondsOfOne = 200;

    /// <summary>The most of the time that is kept for that.</summary>
    private const double MostOfTime = 0.3;

    /// <param name="problem">What is asked.</param>
    /// <param name="count">How many to pick.</param>
    /// <param name="budget">How long it may take; null for as long as it takes.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <returns>Those picked, in the order they were, each with its rank among the best week shapes.</returns>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    public static BestAnswer Of(
        Problem problem,
        int count,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        ArgumentOutOfRangeException.ThrowIfNegative(count);
        var limit = new WorkLimit(budget, cancellation);
        var found = Best.Search(
            problem,
            From,
            byShape: true,
            limit.Leaving(MostOfTime, TimeSpan.FromMicroseconds(count * MicrosecondsOfOne))
        );
        var picked = Pick(problem, found.Best, count, limit);
        var described = found.Describe(picked, limit);
        cancellation.ThrowIfCancellationRequested();
        return new(described, found.IsExact && described.Length == Math.Min(count, found.Best.Length));
    }

    /// <summary>Their places among the best; fewer where the time does not suffice.</summary>
    private static List<int> Pick(Problem problem, Ranked[] best, int count, WorkLimit limit)
    {
        var levels = problem.Levels.Select(level => level.Options).ToArray();
        var picked = new List<int>();
        var nearest = new long[best.Length];
        Array.Fill(nearest, long.MaxValue);
        for (var next = 0; picked.Count < Math.Min(count, best.Length); )
        {
            picked.Add(next);
            if (limit.IsOver())
                break;
            var distances = new DistancesFrom(levels, best[next].Options);
            for (var i = 0; i < best.Length; i++)
                nearest[i] = Math.Min(nearest[i], distances.To(best[i].Options));
            nearest[next] = Picked;
            for (var i = 0; i < best.Length; i++)
                if (nearest[i] > nearest[next])
                    next = i;
        }
        return picked;
    }

    /// <summary>How far others are from one timetable; what lies between two options of a course is found once.</summary>
    /// <param name="levels">The options of each level.</param>
    /// <param name="from">Its option of each.</param>
    private sealed class DistancesFrom(IReadOnlyList<CourseOption>[] levels, int[] from)
    {
        private readonly Dictionary<int, long>[] known = [.. levels.Select(_ => new Dictionary<int, long>())];

        public long To(int[] other)
        {
            var minutes = 0L;
            for (var level = 0; level < from.Length; level++)
            {
                if (other[level] == from[level])
                    continue;
                ref var apart = ref CollectionsMarshal.GetValueRefOrAddDefault(
                    known[level],
                    other[level],
                    out var isKnown
                );
                if (!isKnown)
                    apart = Apart(levels[level][from[level]].Meetings, levels[level][other[level]].Meetings);
                minutes += apart;
            }
            return minutes;
        }
    }

    /// <summary>Minutes over all weeks of the meetings that are in one list alone; both are in order.</summary>
    private static long Apart(IReadOnlyList<Meeting> ones, IReadOnlyList<Meeting> others)
    {
        var minutes = 0L;
        var (i, j) = (0, 0);
        while (i < ones.Count || j < others.Count)
        {
            var order =
                i == ones.Count ? 1
                : j == others.Count ? -1
                : ones[i].CompareTo(others[j]);
            if (order <= 0)
                minutes += order < 0 ? Length(ones[i]) : 0;
            else
                minutes += Length(others[j]);
            (i, j) = (order <= 0 ? i + 1 : i, order >= 0 ? j + 1 : j);
        }
        return minutes;
    }

    private static long Length(Meeting meeting) => (long)meeting.Time.Length * meeting.Weeks.Count;
}
