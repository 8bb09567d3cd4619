using System.Numerics;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// Finds the best timetables, or week shapes at their best timetable, in the total order: depth first, the most
/// promising options first, leaving out whatever cannot come before the worst of those kept (branch and bound).
/// For one thread.
/// </summary>
internal sealed unsafe class BestSearch
{
    /// <summary>A change outweighs any score, where a timetable is held on to.</summary>
    public const long CostOfChange = 1L << 40;

    private readonly RankedProblem ranked;
    private readonly Choosing choosing;
    private readonly BestList best;
    private readonly WorkLimit limit;
    private readonly BundlePicker picker;
    private readonly LeafMeasures leaf;
    private readonly Partial[] partials;
    private readonly (long Cost, int Option)[][] open;
    private readonly int[] chosen;
    private readonly int[] first;
    private readonly int levels;
    private int nodes;

    public BestSearch(
        RankedProblem ranked,
        Choosing choosing,
        Root root,
        BestList best,
        bool byShape,
        WorkLimit limit
    )
    {
        this.ranked = ranked;
        this.choosing = choosing;
        this.best = best;
        this.limit = limit;
        levels = ranked.Problem.Levels.Count;
        first = ranked.Problem.Layout.First;
        leaf = new LeafMeasures(ranked.Tables, ranked.Problem.Ask);
        partials = [.. Enumerable.Range(0, levels + 1).Select(_ => ranked.NewPartial())];
        open = [.. ranked.Options.Select(level => new (long, int)[level.Length])];
        chosen = new int[levels];
        picker = new BundlePicker(ranked, root, best, byShape);
    }

    /// <summary>Whether the limit stopped the search, so that there may be better ones than those found.</summary>
    public bool IsStopped { get; private set; }

    /// <summary>Searches what can come of a root and options of the first levels, which may stand together.</summary>
    public void SearchBelow(Root root, int[] options)
    {
        fixed (ulong* from = root.State)
        {
            var state = from;
            for (var level = 0; level < options.Length; level++)
            {
                var next = choosing.Scratch(level + 1);
                choosing.Choose(level, options[level], state, next);
                Take(level, options[level], long.MaxValue);
                partials[level + 1].ExtendMeetings(partials[level], ranked.Tables.Options[level][options[level]]);
                state = next;
            }
            Search(options.Length, state);
        }
    }

    private void Search(int level, ulong* state)
    {
        var count = Open(level, state);
        for (var i = 0; i < count && !IsStopped; i++)
        {
            var (cost, option) = open[level][i];
            if (cost > best.Threshold)
                return;
            var next = choosing.Scratch(level + 1);
            choosing.Choose(level, option, state, next);
            Take(level, option, long.MaxValue);
            if (cost == best.Threshold && picker.ComesTooLate(chosen, level + 1, next))
                continue;
            partials[level + 1].ExtendMeetings(partials[level], ranked.Tables.Options[level][option]);
            if (level + 1 == levels)
                Leaf();
            else
                Search(level + 1, next);
        }
    }

    /// <summary>Lists the options of a level that may lead to one of the best, the most promising first.</summary>
    private int Open(int level, ulong* state)
    {
        var count = 0;
        var its = open[level];
        var next = choosing.Scratch(level + 1);
        var threshold = best.Threshold;
        if ((++nodes & 63) == 0 && limit.IsOver())
            IsStopped = true;
        for (var word = first[level]; word < first[level + 1]; word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
            if (!choosing.Choose(level, option, state, next))
                continue;
            var cost = Take(level, option, threshold);
            if (cost <= threshold)
                its[count++] = (cost, option);
        }
        its.AsSpan(0, count).Sort();
        return count;
    }

    private long Take(int level, int option, long wanted)
    {
        chosen[level] = option;
        return partials[level + 1]
            .Extend(
                partials[level],
                ranked.Tables.Options[level][option],
                ranked.MostSpare[level][option],
                level + 1,
                wanted
            );
    }

    private void Leaf()
    {
        var whole = partials[levels];
        if (whole.Taken == 0)
            return;
        picker.Offer(chosen, whole.Cost(leaf));
    }
}
