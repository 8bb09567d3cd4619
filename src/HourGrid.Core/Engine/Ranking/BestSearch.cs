using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;
using HourGrid.Core.Work;

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

    /// <summary>
    /// In so many of the last levels, what is found first spares the rest less than sorting takes; unless they are equals
    /// of the worst that is kept, where it spares most.
    /// </summary>
    private const int LevelsUnsorted = 3;

    /// <summary>What a node takes beside its row and the options it lists, as so many words.</summary>
    private const int WorkOfNode = 64;

    private readonly RankedProblem ranked;
    private readonly StateStep step;
    private readonly BestList best;
    private readonly Deadline deadline;
    private readonly BundlePicker picker;
    private readonly LeafMeasures leaf;
    private readonly PartialMeasures[] partials;
    private readonly PairsAhead? ahead;

    // By level: costs of the options that are open, each with its option in the low bits.
    private readonly long[][] open;
    private readonly int[] chosen;
    private readonly int levels;

    // By level, words looked at to choose one of its options and to list those of the next.
    private readonly int[] workOf;

    public BestSearch(RankedProblem ranked, StateStep step, Root root, BestList best, bool byShape, WorkLimit limit)
    {
        this.ranked = ranked;
        this.step = step;
        this.best = best;
        deadline = new(limit);
        levels = ranked.Problem.Levels.Count;
        leaf = new LeafMeasures(ranked.Tables, ranked.Problem.Ask);
        partials = ranked.NewPartials(levels + 1);
        ahead = levels >= PairsAhead.LevelsLeft ? new PairsAhead(ranked, step, deadline) : null;
        open = [.. ranked.Options.Select(level => new long[level.Length])];
        chosen = new int[levels];
        workOf =
        [
            .. Enumerable
                .Range(0, levels)
                .Select(level => WorkOfNode + ranked.Problem.RowWords(level) + OptionsOf(level + 1)),
        ];
        picker = new BundlePicker(ranked, root, best, byShape, deadline);

        int OptionsOf(int level) => level < levels ? open[level].Length : 0;
    }

    /// <summary>Whether the limit stopped the search, so that there may be better ones than those found.</summary>
    public bool IsStopped => deadline.HasPassed;

    /// <summary>Searches what can come of a root and options of the first levels, which may stand together.</summary>
    /// <param name="root">The root.</param>
    /// <param name="options">An option of each of the first levels.</param>
    /// <param name="cost">A cost that nothing beats that comes of them.</param>
    public void SearchBelow(Root root, int[] options, long cost)
    {
        var state = step.Scratch(0);
        root.State.CopyTo(new Span<ulong>(state, root.State.Length));
        for (var level = 0; level < options.Length; level++)
        {
            var next = step.Scratch(level + 1);
            step.Choose(level, options[level], state, next);
            chosen[level] = options[level];
            partials[level + 1].Become(partials[level], ranked.Levels[level], options[level]);
            state = next;
        }
        Search(options.Length, state, cost);
    }

    /// <summary>Hands over what was found last; nothing is left out then.</summary>
    public void HandOver() => picker.HandOver();

    private void Search(int level, ulong* state, long atLeast)
    {
        var costs = open[level];
        var count = ListCosts(level, state, atLeast);
        if (count == 0)
            return;
        if (level < levels - LevelsUnsorted || atLeast == best.Threshold)
            ranked.Levels[level].Sort(costs.AsSpan(0, count));
        for (var i = 0; i < count && !deadline.HasPassedAfter(workOf[level]); i++)
        {
            var (cost, option) = (PartialMeasures.CostOf(costs[i]), PartialMeasures.OptionOf(costs[i]));
            if (cost > best.Threshold)
                continue;
            var next = step.Scratch(level + 1);
            if (!step.Choose(level, option, state, next))
                continue;
            chosen[level] = option;
            if (cost == best.Threshold && picker.ComesTooLate(chosen, level + 1, next))
                continue;
            partials[level + 1].Become(partials[level], ranked.Levels[level], option);
            if (level + 1 == levels)
                Leaf();
            else
                Search(level + 1, next, cost);
        }
    }

    /// <summary>
    /// Lists the options that may lead to something that is wanted. Whether they lead anywhere at all is looked at later,
    /// for the few that are left.
    /// </summary>
    private int ListCosts(int level, ulong* state, long atLeast) =>
        ahead is not null && level == levels - PairsAhead.LevelsLeft
            ? ahead.CostsWith(partials[level], state, atLeast, best.Threshold, open[level])
            : partials[level].CostsWith(ranked.Levels[level], state, atLeast, best.Threshold, open[level]);

    private void Leaf()
    {
        var whole = partials[levels];
        if (whole.Taken == 0)
            return;
        leaf.Measure(chosen);
        picker.Offer(chosen, whole.Cost(leaf));
    }
}
