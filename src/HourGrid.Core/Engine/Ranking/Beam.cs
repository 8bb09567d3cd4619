using System.Runtime.InteropServices;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// A first, narrow search: at each level only the most promising few go on. What it finds is good and not the best; its
/// worst is a cost above which the exact search need not look.
/// </summary>
internal sealed unsafe class Beam
{
    private const int Narrowest = 64;
    private const int Widest = 4096;

    private readonly RankedProblem ranked;
    private readonly Choosing choosing;
    private readonly BundlePicker picker;
    private readonly BestList found;
    private readonly LeafMeasures leaf;
    private readonly Partial next;
    private readonly int width;
    private readonly int wanted;
    private readonly long[] its;
    private readonly List<long> costs = [];
    private readonly List<(int Node, int Option)> open = [];

    private Beam(RankedProblem ranked, Choosing choosing, Root root, int wanted, bool byShape, int width)
    {
        this.ranked = ranked;
        this.choosing = choosing;
        this.wanted = wanted;
        this.width = width;
        found = new BestList(wanted);
        picker = new BundlePicker(ranked, root, found, byShape);
        leaf = new LeafMeasures(ranked.Tables, ranked.Problem.Ask);
        next = ranked.NewPartial();
        its = new long[ranked.Options.Max(level => level.Length)];
    }

    /// <summary>Whether nothing had to be left out for the width.</summary>
    private bool IsWhole { get; set; } = true;

    /// <summary>
    /// Good timetables, as many as are wanted where it can: their threshold is a ceiling for the exact search. It is
    /// widened until it finds as many.
    /// </summary>
    public static BestList Find(
        RankedProblem ranked,
        Choosing choosing,
        Root root,
        int wanted,
        bool byShape,
        WorkLimit limit
    )
    {
        for (var width = Math.Clamp(wanted / 3, Narrowest, Widest); ; width *= 3)
        {
            var beam = new Beam(ranked, choosing, root, wanted, byShape, width);
            var nodes = new List<Node> { new(root.State, ranked.NewPartial(), [], 0) };
            for (var level = 0; level < ranked.Problem.Levels.Count && nodes.Count > 0 && !limit.IsOver(); level++)
                nodes = beam.Narrow(level, nodes, limit);
            if (beam.found.Worst is not null || beam.IsWhole || width >= Widest || limit.IsOver())
                return beam.found;
        }
    }

    private List<Node> Narrow(int level, List<Node> nodes, WorkLimit limit)
    {
        var isLast = level + 1 == ranked.Problem.Levels.Count;
        costs.Clear();
        open.Clear();
        for (var node = 0; node < nodes.Count && !limit.IsOver(); node++)
            Expand(level, nodes[node], node);
        CollectionsMarshal.AsSpan(costs).Sort(CollectionsMarshal.AsSpan(open));
        var most = isLast ? Math.Max(width, 2 * wanted) : width;
        IsWhole &= open.Count <= most;
        var kept = new List<Node>();
        for (var i = 0; i < Math.Min(most, open.Count) && costs[i] <= found.Threshold; i++)
            if (isLast)
                Offer(nodes[open[i].Node], open[i].Option);
            else
                kept.Add(Go(level, nodes[open[i].Node], open[i].Option, costs[i]));
        return kept;
    }

    private void Expand(int level, Node node, int number)
    {
        fixed (ulong* state = node.State)
        {
            var count = node.Partial.CostsWith(ranked.Levels[level], state, node.Cost, long.MaxValue, its);
            foreach (var one in its.AsSpan(0, count))
                if (choosing.Choose(level, Partial.OptionOf(one), state, choosing.Scratch(level + 1)))
                {
                    costs.Add(Partial.CostOf(one));
                    open.Add((number, Partial.OptionOf(one)));
                }
        }
    }

    private Node Go(int level, Node node, int option, long cost)
    {
        var state = new ulong[node.State.Length + 1];
        fixed (ulong* from = node.State)
        fixed (ulong* to = state)
            choosing.Choose(level, option, from, to);
        var partial = ranked.NewPartial();
        Become(node, option, partial);
        return new(state, partial, [.. node.Chosen, option], cost);
    }

    private void Offer(Node node, int option)
    {
        Become(node, option, next);
        if (next.Taken == 0)
            return;
        int[] chosen = [.. node.Chosen, option];
        leaf.Measure(chosen);
        picker.Offer(chosen, next.Cost(leaf));
    }

    private void Become(Node node, int option, Partial into) =>
        into.Become(node.Partial, ranked.Levels[node.Chosen.Length], option);

    private sealed record Node(ulong[] State, Partial Partial, int[] Chosen, long Cost);
}
