using HourGrid.Core.Measuring;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// The badness of idle minutes summed over all weeks, looked up: the one figure that every node of a search needs, and
/// two divisions otherwise.
/// </summary>
internal sealed class IdleCosts
{
    private readonly ushort[] badness;

    public IdleCosts(int weeks)
    {
        weeks = Math.Max(1, weeks);
        var sums = 0;
        while (Of(sums, weeks) < Badness.Most)
            sums += weeks;
        badness = new ushort[sums + 1];
        for (var sum = 0; sum <= sums; sum++)
            badness[sum] = (ushort)Of(sum, weeks);
    }

    /// <summary>At least this bad, if no week is without a meeting; the more weeks, the less bad is a sum.</summary>
    public int Idle(int sum) => sum <= 0 ? 0 : badness[Math.Min(sum, badness.Length - 1)];

    private static int Of(int sum, int weeks) => Badness.Idle((2 * sum + weeks) / (2 * weeks));
}
