using System.Runtime.InteropServices;
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

    /// <summary>Where there would be more pieces, each is a choice for the first level alone.</summary>
    private const long MostPieces = 1 << 18;

    /// <summary>A piece of work.</summary>
    /// <param name="Options">An option of each of the first levels.</param>
    /// <param name="Cost">A cost that no completion beats.</param>
    /// <param name="Known">How many of its completions are known that are no worse than the ceiling.</param>
    private sealed record Piece(int[] Options, long Cost, int Known);

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
        if (levels <= LevelsShared)
        {
            var search = new BestSearch(ranked, choosing, root, best, byShape, limit);
            search.SearchBelow(root, [], 0);
            search.HandOver();
            return search.IsStopped ? (Together(best), false) : (best.Sorted(), true);
        }
        var pieces = Pieces(ranked, choosing, root, ceiling, limit);
        // Then some may be missing.
        var isStopped = limit.IsOver();
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

    /// <summary>
    /// The choices for the first levels, the most promising first: those that many good timetables are known of have
    /// most of the others, and the sooner these are found, the less is looked at in the rest.
    /// </summary>
    private static Piece[] Pieces(
        RankedProblem ranked,
        Choosing choosing,
        Root root,
        Ceiling ceiling,
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
        // In this order equals stay as they are: those of the smallest parts first.
        return [.. pieces.OrderBy(piece => piece.Known > 0 ? -piece.Known : piece.Cost)];

        long KeyOf(int[] options) => areFew ? (long)options[0] << 32 | (long)options[1] : options[0];

        void Add(int level, ulong* state, long cost)
        {
            var next = choosing.Scratch(level + 1);
            var open = new long[ranked.Options[level].Length];
            var count = partials[level].CostsWith(ranked.Levels[level], state, cost, threshold, open);
            ranked.Levels[level].Sort(open.AsSpan(0, count));
            foreach (var one in open.AsSpan(0, count))
            {
                if (limit.IsOver())
                    return;
                var option = options[level] = Partial.OptionOf(one);
                if (!choosing.Choose(level, option, state, next))
                    continue;
                if (level + 1 == shared)
                {
                    pieces.Add(new([.. options], Partial.CostOf(one), known.GetValueOrDefault(KeyOf(options))));
                    continue;
                }
                partials[level + 1].Become(partials[level], ranked.Levels[level], option);
                Add(level + 1, next, Partial.CostOf(one));
            }
        }
    }
}
