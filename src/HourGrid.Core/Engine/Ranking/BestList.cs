namespace HourGrid.Core.Engine.Ranking;

/// <summary>A timetable in the ranking.</summary>
/// <param name="Cost">What it is ordered by first: its score, after the changes where those count.</param>
/// <param name="Ranks">Ranks of its registration numbers, ascending; what it is ordered by second.</param>
/// <param name="Bundles">Its bundles, in no order.</param>
/// <param name="Options">Its option of each level.</param>
internal sealed record Ranked(long Cost, int[] Ranks, RankedBundle[] Bundles, int[] Options);

/// <summary>The best found so far, no more than are wanted. Threads share it.</summary>
/// <param name="most">How many are wanted, at least 1.</param>
/// <param name="ceiling">A cost that so many are known not to exceed; what costs more is not kept.</param>
internal sealed class BestList(int most, long ceiling = long.MaxValue)
{
    private readonly WorstFirst heap = new();
    private readonly Lock gate = new();
    private readonly long ceiling = ceiling;
    private long threshold = ceiling;
    private Ranked? worst;

    /// <summary>How many are wanted.</summary>
    public int Wanted => most;

    /// <summary>A cost above this is not wanted any more; one equal to it may be.</summary>
    public long Threshold => Volatile.Read(ref threshold);

    /// <summary>The worst of those kept; null while there is room.</summary>
    public Ranked? Worst => Volatile.Read(ref worst);

    /// <summary>Takes those of several that are among the best, so that threads seldom wait for each other.</summary>
    public void Offer(ReadOnlySpan<Ranked> several)
    {
        lock (gate)
        {
            foreach (var one in several)
                Take(one);
            if (heap.Count < most)
                return;
            Volatile.Write(ref worst, heap.Worst);
            Volatile.Write(ref threshold, heap.Worst.Cost);
        }
    }

    private void Take(Ranked offered)
    {
        // Else the worst of those kept could be one of them, and would stand for those that cost as much as the ceiling.
        if (offered.Cost > ceiling)
            return;
        if (heap.Count < most)
            heap.Add(offered);
        else if (Compare(offered, heap.Worst) < 0)
            heap.ReplaceWorst(offered);
    }

    /// <summary>The best first.</summary>
    public Ranked[] Sorted()
    {
        lock (gate)
            return heap.Sorted();
    }

    /// <summary>The order of timetables: below 0 where the first is the better.</summary>
    public static int Compare(Ranked one, Ranked other) =>
        one.Cost != other.Cost ? one.Cost.CompareTo(other.Cost) : RegistrationOrder.Compare(one.Ranks, other.Ranks);
}
