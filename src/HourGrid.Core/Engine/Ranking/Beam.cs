using System.Runtime.InteropServices;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// A first, narrow search: at each level only the most promising few go on. What it finds is good and not the best.
/// </summary>
internal sealed unsafe class Beam
{
    private readonly RankedProblem ranked;
    private readonly StateStep step;
    private readonly CostCeiling ceiling;
    private readonly LeafMeasures leaf;
    private readonly PartialMeasures whole;
    private readonly int width;
    private readonly int levels;

    // Costs of the options that are open at one node.
    private readonly long[] optionCosts;

    // Those of all nodes, each with its node and option.
    private readonly List<long> costs = [];
    private readonly List<(int Node, int Option)> open = [];
    private long bound;
    private bool isWhole = true;
    private Nodes nodes;
    private Nodes next;

    private Beam(RankedProblem ranked, StateStep step, Root root, CostCeiling ceiling, int width)
    {
        this.ranked = ranked;
        this.step = step;
        this.ceiling = ceiling;
        this.width = width;
        levels = ranked.Problem.Levels.Count;
        leaf = new LeafMeasures(ranked.Tables, ranked.Problem.Ask);
        optionCosts = new long[ranked.Options.Max(level => level.Length)];
        nodes = new(ranked, width);
        next = new(ranked, width);
        whole = ranked.NewPartials(1)[0];
        root.State.CopyTo(nodes.States, 0);
        nodes.Count = 1;
    }

    /// <summary>Finds good timetables.</summary>
    /// <param name="ranked">What is ranked.</param>
    /// <param name="step">Knows its rows.</param>
    /// <param name="root">The root.</param>
    /// <param name="ceiling">Takes what is found.</param>
    /// <param name="width">How many go on at each level.</param>
    /// <param name="limit">Stops at any moment.</param>
    /// <returns>Whether nothing had to be left out for the width.</returns>
    public static bool Find(
        RankedProblem ranked,
        StateStep step,
        Root root,
        CostCeiling ceiling,
        int width,
        WorkLimit limit
    )
    {
        var beam = new Beam(ranked, step, root, ceiling, width);
        for (var level = 0; level < beam.levels && beam.nodes.Count > 0 && !limit.IsOver(); level++)
            beam.Narrow(level, limit);
        return beam.isWhole;
    }

    private void Narrow(int level, WorkLimit limit)
    {
        var isLast = level + 1 == levels;
        var most = isLast ? Math.Max(width, 2 * ceiling.Wanted) : width;
        costs.Clear();
        open.Clear();
        bound = long.MaxValue;
        for (var node = 0; node < nodes.Count && !limit.IsOver(); node++)
        {
            Expand(level, node);
            if (costs.Count >= 2 * most)
                CutTo(most);
        }
        if (!limit.IsOver())
            CutTo(most);
        next.Count = 0;
        for (var i = 0; i < open.Count && costs[i] < ceiling.Threshold && !limit.IsOver(); i++)
            if (isLast)
                Offer(level, open[i].Node, open[i].Option);
            else
                Keep(level, open[i].Node, open[i].Option, costs[i]);
        (nodes, next) = (next, nodes);
    }

    /// <summary>Sorts what is open, the most promising first, and lets go of what is more than so many.</summary>
    private void CutTo(int most)
    {
        CollectionsMarshal.AsSpan(costs).Sort(CollectionsMarshal.AsSpan(open));
        if (costs.Count <= most)
            return;
        isWhole = false;
        bound = costs[most - 1];
        CollectionsMarshal.SetCount(costs, most);
        CollectionsMarshal.SetCount(open, most);
    }

    private void Expand(int level, int node)
    {
        var from = nodes.Partials[node];
        fixed (ulong* state = nodes.StateOf(node))
        {
            var count = from.CostsWith(ranked.Levels[level], state, nodes.Costs[node], bound, optionCosts);
            foreach (var one in optionCosts.AsSpan(0, count))
                if (step.Choose(level, PartialMeasures.OptionOf(one), state, step.Scratch(level + 1)))
                {
                    costs.Add(PartialMeasures.CostOf(one));
                    open.Add((node, PartialMeasures.OptionOf(one)));
                }
        }
    }

    private void Keep(int level, int node, int option, long cost)
    {
        var to = next.Count++;
        fixed (
            ulong* from = nodes.StateOf(node),
                state = next.StateOf(to)
        )
            step.Choose(level, option, from, state);
        next.Partials[to].Become(nodes.Partials[node], ranked.Levels[level], option);
        var chosen = next.ChosenOf(to);
        nodes.ChosenOf(node).CopyTo(chosen);
        chosen[level] = option;
        next.Costs[to] = cost;
    }

    private void Offer(int level, int node, int option)
    {
        whole.Become(nodes.Partials[node], ranked.Levels[level], option);
        if (whole.Taken == 0)
            return;
        int[] chosen = [.. nodes.ChosenOf(node)];
        chosen[level] = option;
        leaf.Measure(chosen);
        ceiling.Add(new CostCeiling.Found(chosen, whole.Cost(leaf)));
    }

    /// <summary>The nodes of one level, written over by those of the level after the next.</summary>
    private sealed class Nodes(RankedProblem ranked, int width)
    {
        private readonly int words = ranked.Problem.Layout.WordCount + 1;
        private readonly int levels = ranked.Problem.Levels.Count;
        private readonly int[] chosen = new int[width * ranked.Problem.Levels.Count];

        public int Count { get; set; }

        public ulong[] States { get; } = new ulong[width * (ranked.Problem.Layout.WordCount + 1)];

        public PartialMeasures[] Partials { get; } = ranked.NewPartials(width);

        public long[] Costs { get; } = new long[width];

        public Span<ulong> StateOf(int node) => States.AsSpan(node * words, words);

        /// <summary>An option of each level so far; what stands after them is of no use.</summary>
        public Span<int> ChosenOf(int node) => chosen.AsSpan(node * levels, levels);
    }
}
