using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;
using HourGrid.Core.Engine.Ranking;

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
        var found = Best.Search(problem, From, byShape: true, new WorkLimit(budget, cancellation));
        cancellation.ThrowIfCancellationRequested();
        return new(found.Describe(Pick(problem, found.Best, count), cancellation), found.IsExact);
    }

    private static List<int> Pick(Problem problem, Ranked[] best, int count)
    {
        var picked = new List<int>();
        var nearest = new long[best.Length];
        Array.Fill(nearest, long.MaxValue);
        for (var next = 0; picked.Count < Math.Min(count, best.Length); )
        {
            picked.Add(next);
            for (var i = 0; i < best.Length; i++)
                nearest[i] = Math.Min(nearest[i], Distance(problem, best[i].Options, best[next].Options));
            nearest[next] = Picked;
            for (var i = 0; i < best.Length; i++)
                if (nearest[i] > nearest[next])
                    next = i;
        }
        return picked;
    }

    private static long Distance(Problem problem, int[] one, int[] other)
    {
        var minutes = 0L;
        for (var level = 0; level < one.Length; level++)
            if (one[level] != other[level])
                minutes += Apart(
                    problem.Levels[level].Options[one[level]].Meetings,
                    problem.Levels[level].Options[other[level]].Meetings
                );
        return minutes;
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
