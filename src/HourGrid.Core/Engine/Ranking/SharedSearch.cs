using System.Runtime.InteropServices;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// Runs the search for the best on all processors: first a ceiling is found; then each choice for the first two
/// levels is a piece of work, the most promising first, and all share what they have found.
/// </summary>
internal static unsafe class SharedSearch
{
    private const int LevelsShared = 2;

    /// <summary>Where there would be more pieces, each is a choice for the first level alone.</summary>
    private const long MostPieces = 1 << 17;

    /// <summary>A piece of work.</summary>
    /// <param name="Options">An option of each of the first levels.</param>
    /// <param name="Cost">A cost that no completion beats.</param>
    /// <param name="Known">How many of its completions are known that are no worse than the ceiling.</param>
    private sealed record Piece(int[] Options, long Cost, int Known);

    /// <param name="ranked">What is ranked.</param>
    /// <param name="root">Where to start.</param>
    /// <param name="count">How many are wanted, at least 1.</param>
    /// <param name="byShape">Whether each week shape stands once.</param>
    /// <param name="limit">How long it may search.</param>
    /// <param name="toPutTogether">How long it may take with putting together what it found until then.</param>
    /// <returns>The best first; and whether there is no better.</returns>
    public static (Ranked[] Found, bool IsExact) Run(
        RankedProblem ranked,
        Root root,
        int count,
        bool byShape,
        WorkLimit limit,
        WorkLimit toPutTogether
    )
    {
        using var step = new StateStep(ranked.Problem);
        var ceiling = new CostCeiling(ranked, count, byShape);
        ceiling.Lower(step, root, limit);
        var best = new BestList(count, ceiling.Threshold);
        if (limit.IsOver())
            return (Together(best), false);
        var levels = ranked.Problem.Levels.Count;
        if (levels <= LevelsShared)
        {
            var search = new BestSearch(ranked, step, root, best, byShape, limit);
            search.SearchBelow(root, [], 0);
            search.HandOver();
            return search.IsStopped ? (Together(best), false) : (best.Sorted(), true);
        }
        var pieces = Pieces(ranked, step, root, ceiling, limit);
        // Then some are missing.
        if (limit.IsOver())
            return (Together(best), false);
        var isStopped = false;
        var taken = -1;
        ParallelRun.Of(
            Environment.ProcessorCount,
            _ =>
            {
                using var own = new StateStep(ranked.Problem);
                var search = new BestSearch(ranked, own, root, best, byShape, limit);
                while (!search.IsStopped && Next() is { } piece)
                    search.SearchBelow(root, piece.Options, piece.Cost);
                search.HandOver();
                if (search.IsStopped)
                    Volatile.Write(ref isStopped, true);
            }
        );
        return isStopped ? (Together(best), false) : (best.Sorted(), true);

        // The next piece of which anything wanted can come.
        Piece? Next()
        {
            while (Interlocked.Increment(ref taken) is var place && place < pieces.Length)
                if (pieces[place].Cost <= best.Threshold)
                    return pieces[place];
            return null;
        }

        // The best found so far on either way, each once.
        Ranked[] Together(BestList found)
        {
            if (limit.IsCancelled)
                return [];
            var first = new BestList(count, ceiling.Threshold);
            var deadline = new Deadline(toPutTogether);
            var picker = new BundlePicker(ranked, root, first, byShape, deadline);
            // Where there is no time for all, the worst are left out.
            foreach (var (chosen, cost, _) in ceiling.All.OrderBy(one => one.Cost))
            {
                if (deadline.HasPassedAfter(BundlePicker.WorkOfBundle) || cost > ceiling.Threshold)
                    break;
                picker.Offer(chosen, cost);
            }
            picker.HandOver();
            return Merged(found.Sorted(), first.Sorted(), count);
        }
    }

    /// <summary>The best of two lists that are in order, each once.</summary>
    private static Ranked[] Merged(Ranked[] ones, Ranked[] others, int most)
    {
        var merged = new List<Ranked>(Math.Min(most, ones.Length + others.Length));
        var (i, j) = (0, 0);
        while (merged.Count < most && (i < ones.Length || j < others.Length))
        {
            var order =
                i == ones.Length ? 1
                : j == others.Length ? -1
                : BestList.Compare(ones[i], others[j]);
            merged.Add(order <= 0 ? ones[i] : others[j]);
            (i, j) = (order <= 0 ? i + 1 : i, order >= 0 ? j + 1 : j);
        }
        return [.. merged];
    }

    /// <summary>
    /// The choices for the first levels, the most promising first: those that many good timetables are known of have
    /// most of the others, and the sooner these are found, the less is looked at in the rest.
    /// </summary>
    private static Piece[] Pieces(
        RankedProblem ranked,
        StateStep step,
        Root root,
        CostCeiling ceiling,
        WorkLimit limit
    )
    {
        var areFew = (long)ranked.Options[0].Length * ranked.Options[1].Length <= MostPieces;
        var shared = areFew ? LevelsShared : 1;
        var threshold = ceiling.Threshold;
        var known = new Dictionary<long, int>();
        foreach (var one in ceiling.All)
            if (one.Cost <= threshold)
                CollectionsMarshal.GetValueRefOrAddDefault(known, KeyOf(one.Chosen), out _)++;
        var pieces = new List<Piece>();
        var partials = ranked.NewPartials(shared + 1);
        var options = new int[shared];
        fixed (ulong* state = root.State)
            Add(0, state, 0);
        if (limit.IsOver())
            return [];
        // Equals stay as they are: those of the smallest parts first.
        long[] order =
        [
            .. pieces.Select((piece, place) => (piece.Known > 0 ? -piece.Known : piece.Cost) * MostPieces + place),
        ];
        var sorted = pieces.ToArray();
        Array.Sort(order, sorted);
        return sorted;

        long KeyOf(int[] options) => areFew ? (long)options[0] << 32 | (long)options[1] : options[0];

        void Add(int level, ulong* state, long cost)
        {
            var next = step.Scratch(level + 1);
            var open = new long[ranked.Options[level].Length];
            var count = partials[level].CostsWith(ranked.Levels[level], state, cost, threshold, open);
            ranked.Levels[level].Sort(open.AsSpan(0, count));
            foreach (var one in open.AsSpan(0, count))
            {
                if (limit.IsOver())
                    return;
                var option = options[level] = PartialMeasures.OptionOf(one);
                if (!step.Choose(level, option, state, next))
                    continue;
                if (level + 1 == shared)
                {
                    pieces.Add(
                        new([.. options], PartialMeasures.CostOf(one), known.GetValueOrDefault(KeyOf(options)))
                    );
                    continue;
                }
                partials[level + 1].Become(partials[level], ranked.Levels[level], option);
                Add(level + 1, next, PartialMeasures.CostOf(one));
            }
        }
    }
}
