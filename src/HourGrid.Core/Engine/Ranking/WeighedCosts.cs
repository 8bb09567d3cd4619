using HourGrid.Core.Measuring;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// What every node of a search needs, looked up: parts of the score, each weighed, by the figure they depend on. All
/// sums are over the weeks of the term; the more weeks, the less bad is a sum, so these are the least it can be.
/// </summary>
internal sealed class WeighedCosts
{
    private readonly int[] idle;
    private readonly int[] moves;
    private readonly int[] wanted;
    private readonly int[] days;

    /// <param name="badness">How bad each measure is.</param>
    /// <param name="weeks">Weeks with any meeting, at least 1.</param>
    /// <param name="courses">Courses in play.</param>
    public WeighedCosts(Badness badness, int weeks, int courses)
    {
        idle = BySum(sum => Badness.Idle(Mean(sum, weeks)), badness.Weights.Idle);
        moves = BySum(sum => Badness.Moves(Mean(10 * sum, weeks)), badness.Weights.Moves);
        wanted =
        [
            .. Enumerable.Range(0, courses + 1).Select(taken => badness.Weights.Wanted * badness.Wanted(taken)),
        ];
        days = [.. Enumerable.Range(0, 8).Select(count => badness.Weights.ClassDays * Badness.ClassDays(count))];
    }

    /// <summary>Of idle minutes over all weeks.</summary>
    public int Idle(int sum) => idle[Math.Clamp(sum, 0, idle.Length - 1)];

    /// <summary>Of campus moves over all weeks.</summary>
    public int Moves(int sum) => moves[Math.Min(sum, moves.Length - 1)];

    /// <summary>Of so many courses taken.</summary>
    public int Wanted(int taken) => wanted[taken];

    /// <summary>Of so many class days.</summary>
    public int Days(int count) => days[count];

    /// <summary>Up to the sum from which on it is as bad as can be.</summary>
    private static int[] BySum(Func<int, int> badness, int weight)
    {
        if (weight == 0)
            return [0];
        var costs = new List<int>();
        for (var sum = 0; costs.Count == 0 || costs[^1] < weight * Badness.Most; sum++)
            costs.Add(weight * badness(sum));
        return [.. costs];
    }

    private static int Mean(int sum, int weeks) => (2 * sum + weeks) / (2 * weeks);
}
