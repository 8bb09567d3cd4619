namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// Timetables in a heap, the worst on top (Williams 1964). Written out since most of the time goes to comparisons: costs
/// stand beside each other, and what a general queue would call is known here.
/// </summary>
internal sealed class WorstFirst
{
    private (long Cost, Ranked Its)[] heap = new (long, Ranked)[16];

    public int Count { get; private set; }

    /// <summary>The worst; there is one.</summary>
    public Ranked Worst => heap[0].Its;

    public void Add(Ranked one)
    {
        if (Count == heap.Length)
            Array.Resize(ref heap, 2 * Count);
        var added = (one.Cost, one);
        var place = Count++;
        while (place > 0 && IsBefore(heap[(place - 1) / 2], added))
        {
            heap[place] = heap[(place - 1) / 2];
            place = (place - 1) / 2;
        }
        heap[place] = added;
    }

    /// <summary>Puts one in the place of the worst.</summary>
    public void ReplaceWorst(Ranked one) => Sink((one.Cost, one));

    /// <summary>The best first.</summary>
    public Ranked[] Sorted()
    {
        var costs = new long[Count];
        var all = new Ranked[Count];
        for (var i = 0; i < Count; i++)
            (costs[i], all[i]) = heap[i];
        // By numbers first: many cost the same, and lists are compared far more slowly.
        Array.Sort(costs, all);
        for (int from = 0, to; from < Count; from = to)
        {
            for (to = from + 1; to < Count && costs[to] == costs[from]; to++) { }
            if (to - from > 1)
                all.AsSpan(from..to).Sort(static (one, other) => BestList.Compare(one, other));
        }
        return all;
    }

    /// <summary>Puts one on top, and down from there until none below it is worse.</summary>
    private void Sink((long Cost, Ranked Its) one)
    {
        var items = heap.AsSpan(0, Count);
        var place = 0;
        for (var below = 1; below < items.Length; below = 2 * place + 1)
        {
            if (below + 1 < items.Length && IsBefore(items[below], items[below + 1]))
                below++;
            if (!IsBefore(one, items[below]))
                break;
            items[place] = items[below];
            place = below;
        }
        items[place] = one;
    }

    private static bool IsBefore((long Cost, Ranked Its) one, (long Cost, Ranked Its) other) =>
        one.Cost != other.Cost ? one.Cost < other.Cost : BestList.Compare(one.Its, other.Its) < 0;
}
