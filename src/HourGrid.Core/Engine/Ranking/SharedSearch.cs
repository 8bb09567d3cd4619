using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>Runs the search for the best.</summary>
internal static unsafe class SharedSearch
{
    public static (Ranked[] Found, bool IsExact) Run(
        RankedProblem ranked,
        Root root,
        int count,
        bool byShape,
        WorkLimit limit
    )
    {
        var best = new BestList(count);
        using var choosing = new Choosing(ranked.Problem);
        var search = new BestSearch(ranked, choosing, root, best, byShape, limit);
        fixed (ulong* state = root.State)
            search.Search(0, state);
        return (best.Sorted(), !search.IsStopped);
    }
}
