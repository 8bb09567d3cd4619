using System.IO.Hashing;
using System.Runtime.InteropServices;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;
using HourGrid.Core.Measures;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// Timetables found on the way to the best: once there are as many as are wanted, nothing that costs more than the worst
/// of them need be looked at. Threads share it.
/// </summary>
/// <param name="ranked">What is ranked.</param>
/// <param name="wanted">How many are wanted, at least 1.</param>
/// <param name="byShape">Whether each week shape counts once.</param>
internal sealed class CostCeiling(RankedProblem ranked, int wanted, bool byShape)
{
    private const int Narrowest = 64;
    private const int Widest = 4096;
    private const int FewestExchanged = 20;
    private const int MostExchanged = 1000;

    private readonly Lock gate = new();
    private readonly List<Found> found = [];
    private readonly HashSet<ulong> known = [];
    private readonly PriorityQueue<Found, long> next = new();

    // How many timetables cost so much, the most first; and how many they are together.
    private readonly PriorityQueue<int, long> counts = new();
    private int counted;
    private long threshold = long.MaxValue;

    /// <summary>A timetable that stands.</summary>
    /// <param name="Chosen">An option of each level.</param>
    /// <param name="Cost">Its cost, with the most seats to spare that its hours have.</param>
    /// <param name="Exchanged">
    /// The level whose option was exchanged to find it: to exchange it once more finds the same. -1 where it was found
    /// otherwise.
    /// </param>
    public readonly record struct Found(int[] Chosen, long Cost, int Exchanged = -1);

    /// <summary>How many are wanted.</summary>
    public int Wanted => wanted;

    /// <summary>So many timetables as are wanted cost no more than this; only what costs less lowers it.</summary>
    public long Threshold => Volatile.Read(ref threshold);

    /// <summary>Whether as many as are wanted have been found.</summary>
    public bool IsReached => Threshold < long.MaxValue;

    /// <summary>All that were found, in the order in which they were.</summary>
    public IReadOnlyList<Found> All => found;

    /// <summary>As low a ceiling as a short search finds: a beam and exchanges, widened until they find enough.</summary>
    /// <param name="step">Knows the rows of what is ranked.</param>
    /// <param name="root">The root.</param>
    /// <param name="limit">Stops at any moment.</param>
    public void Lower(StateStep step, Root root, WorkLimit limit)
    {
        for (var width = Math.Clamp(wanted / 10, Narrowest, Widest); ; width *= 3)
        {
            var isWhole = Beam.Find(ranked, step, root, this, width, limit);
            if (limit.IsOver())
                return;
            LocalSearch.Try(ranked, root, this, Math.Clamp(wanted / 5, FewestExchanged, MostExchanged), limit);
            if (IsReached || isWhole || width >= Widest || limit.IsOver())
                return;
        }
    }

    /// <summary>Takes note of a timetable that stands, if it was not known and is under the ceiling.</summary>
    public void Add(Found one) => Add([one]);

    /// <summary>Takes note of several.</summary>
    public void Add(ReadOnlySpan<Found> several)
    {
        lock (gate)
            foreach (var one in several)
                Note(one);
    }

    private void Note(Found one)
    {
        var most = one.Cost + SeatsMissing(one.Chosen);
        if (most >= threshold || !known.Add(KeyOf(one.Chosen)))
            return;
        found.Add(one);
        next.Enqueue(one, one.Cost);
        var count = CountOf(one.Chosen);
        counts.Enqueue(count, -most);
        counted += count;
        while (counts.Count > 0 && counted - counts.Peek() >= wanted)
            counted -= counts.Dequeue();
        if (counted >= wanted && counts.TryPeek(out _, out var worst))
            Volatile.Write(ref threshold, -worst);
    }

    /// <summary>The best of those that this did not give yet, as long as they are no worse than the ceiling.</summary>
    /// <param name="into">Takes them.</param>
    /// <returns>How many there are, no more than there is room for.</returns>
    public int Next(Span<Found> into)
    {
        var count = 0;
        lock (gate)
            while (count < into.Length && next.TryDequeue(out into[count], out var cost) && cost <= threshold)
                count++;
        return count;
    }

    /// <summary>
    /// What a choice costs more than the best of its hours: options of the same hours may have more seats to spare than
    /// these.
    /// </summary>
    private long SeatsMissing(int[] chosen)
    {
        var weight = ranked.Weights[SeatsToSpare.Measure];
        if (weight == 0)
            return 0;
        var (own, best) = (SeatsToSpare.Enough, SeatsToSpare.Enough);
        for (var level = 0; level < chosen.Length; level++)
        {
            own = Math.Min(own, ranked.Options[level][chosen[level]].MostSpare);
            best = Math.Min(best, ranked.MostSpare[level][chosen[level]]);
        }
        return (long)weight * (SeatsToSpare.Badness(own) - SeatsToSpare.Badness(best));
    }

    /// <summary>How many timetables of a choice are sure to cost no more than its best one, no more than are wanted.</summary>
    private int CountOf(int[] chosen)
    {
        var count = 1L;
        if (!byShape && ranked.Weights[SeatsToSpare.Measure] == 0)
            for (var level = 0; level < chosen.Length; level++)
                count = Math.Min(wanted, count * Math.Max(1, ranked.Options[level][chosen[level]].Bundles.Length));
        return (int)count;
    }

    /// <summary>
    /// A number that is nearly always another for another choice, or for another week shape. Where it is not,
    /// one timetable goes uncounted, and the ceiling is higher than it need be.
    /// </summary>
    private ulong KeyOf(int[] chosen)
    {
        if (!byShape)
            return XxHash3.HashToUInt64(MemoryMarshal.AsBytes(chosen.AsSpan()));
        Span<int> shapes = stackalloc int[chosen.Length];
        for (var level = 0; level < chosen.Length; level++)
            shapes[level] = ranked.Problem.Levels[level].Options[chosen[level]].Shape;
        return XxHash3.HashToUInt64(MemoryMarshal.AsBytes(shapes));
    }
}
