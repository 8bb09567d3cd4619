using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// Runs the search for the best on all processors: first a ceiling is found; then each choice for the first two
/// levels is a piece of work, the most promising first, and all share what they have found.
/// </summary>
internal static unsafe class SharedSearch
{
    private const int LevelsShared = 2;

    public static (Ranked[] Found, bool IsExact) Run(
        RankedProblem ranked,
        Root root,
        int count,
        bool byShape,
        WorkLimit limit
    )
    {
        using var choosing = new Choosing(ranked.Problem);
        var ceiling = new Ceiling(ranked, count, byShape);
        ceiling.Lower(choosing, root, limit);
        var best = new BestList(count, ceiling.Threshold);
        var levels = ranked.Problem.Levels.Count;
        var isStopped = false;
        if (levels <= LevelsShared)
        {
            var search = new BestSearch(ranked, choosing, root, best, byShape, limit);
            search.SearchBelow(root, [], 0);
            search.HandOver();
            return search.IsStopped ? (Together(best), false) : (best.Sorted(), true);
        }
        var pieces = Pieces(ranked, choosing, root, best.Threshold);
        var taken = -1;
        Shared.Run(
            Environment.ProcessorCount,
            _ =>
            {
                using var own = new Choosing(ranked.Problem);
                var search = new BestSearch(ranked, own, root, best, byShape, limit);
                while (!search.IsStopped && Next() is { } piece)
                    search.SearchBelow(root, piece.Options, piece.Cost);
                search.HandOver();
                if (search.IsStopped)
                    Volatile.Write(ref isStopped, true);
            }
        );
        return isStopped ? (Together(best), false) : (best.Sorted(), true);

        // The next piece, if anything wanted can come of it; nothing wanted comes of those after it then.
        (long Cost, int[] Options)? Next() =>
            Interlocked.Increment(ref taken) is var piece
            && piece < pieces.Count
            && pieces[piece].Cost <= best.Threshold
                ? pieces[piece]
                : null;

        // The best found so far on either way, each once.
        Ranked[] Together(BestList found)
        {
            var first = new BestList(count);
            var picker = new BundlePicker(ranked, root, first, byShape, WorkLimit.None);
            foreach (var (chosen, cost, _) in ceiling.All.OrderBy(one => one.Cost))
                picker.Offer(chosen, cost);
            picker.HandOver();
            return
            [
                .. found
                    .Sorted()
                    .Concat(first.Sorted())
                    .DistinctBy(one => string.Join(',', one.Ranks))
                    .Order(BestList.InOrder)
                    .Take(count),
            ];
        }
    }

    /// <summary>The choices for the first levels, with the cost that no completion beats, the least first.</summary>
    private static List<(long Cost, int[] Options)> Pieces(
        RankedProblem ranked,
        Choosing choosing,
        Root root,
        long threshold
    )
    {
        var pieces = new List<(long Cost, int[] Options)>();
        var partials = ranked.NewPartials(LevelsShared + 1);
        var options = new int[LevelsShared];
        fixed (ulong* state = root.State)
            Add(0, state, 0);
        // In this order equals stay as they are: those of the smallest parts first.
        return [.. pieces.OrderBy(piece => piece.Cost)];

        void Add(int level, ulong* state, long cost)
        {
            var next = choosing.Scratch(level + 1);
            var open = new long[ranked.Options[level].Length];
            var count = partials[level].CostsWith(ranked.Levels[level], state, cost, threshold, open);
            ranked.Levels[level].Sort(open.AsSpan(0, count));
            foreach (var one in open.AsSpan(0, count))
            {
                var option = options[level] = Partial.OptionOf(one);
                if (!choosing.Choose(level, option, state, next))
                    continue;
                if (level + 1 == LevelsShared)
                {
                    pieces.Add((Partial.CostOf(one), [.. options]));
                    continue;
                }
                partials[level + 1].Become(partials[level], ranked.Levels[level], option);
                Add(level + 1, next, Partial.CostOf(one));
            }
        }
    }
}
