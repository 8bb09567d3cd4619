using System.Numerics;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// A first, narrow search: at each level only the most promising few go on. What it finds is good and not the best; its
/// worst is a cost above which the exact search need not look.
/// </summary>
internal sealed unsafe class Beam
{
    private const int Narrowest = 48;
    private const int Widest = 400;

    private readonly RankedProblem ranked;
    private readonly Choosing choosing;
    private readonly BundlePicker picker;
    private readonly BestList found;
    private readonly LeafMeasures leaf;
    private readonly Partial next;
    private readonly int width;
    private readonly int wanted;

    private Beam(RankedProblem ranked, Choosing choosing, Root root, int wanted, bool byShape)
    {
        this.ranked = ranked;
        this.choosing = choosing;
        this.wanted = wanted;
        found = new BestList(wanted);
        picker = new BundlePicker(ranked, root, found, byShape);
        leaf = new LeafMeasures(ranked.Tables, ranked.Problem.Ask);
        next = ranked.NewPartial();
        width = Math.Clamp(wanted / 4, Narrowest, Widest);
    }

    /// <summary>A cost that so many timetables do not exceed; <see cref="long.MaxValue"/> where it found fewer.</summary>
    public static long Ceiling(RankedProblem ranked, Choosing choosing, Root root, int wanted, bool byShape)
    {
        var beam = new Beam(ranked, choosing, root, wanted, byShape);
        var nodes = new List<Node> { new(root.State, ranked.NewPartial(), []) };
        for (var level = 0; level < ranked.Problem.Levels.Count && nodes.Count > 0; level++)
            nodes = beam.Narrow(level, nodes);
        return beam.found.Threshold;
    }

    private List<Node> Narrow(int level, List<Node> nodes)
    {
        var isLast = level + 1 == ranked.Problem.Levels.Count;
        var open = new List<(long Cost, int Node, int Option)>();
        for (var node = 0; node < nodes.Count; node++)
            Expand(level, nodes[node], node, open);
        open.Sort();
        var kept = new List<Node>();
        foreach (var (cost, node, option) in open.Take(isLast ? 2 * wanted + width : width))
        {
            if (cost > found.Threshold)
                break;
            if (isLast)
                Offer(nodes[node], option);
            else
                kept.Add(Go(level, nodes[node], option));
        }
        return kept;
    }

    private void Expand(int level, Node node, int number, List<(long, int, int)> open)
    {
        var first = ranked.Problem.Layout.First;
        fixed (ulong* state = node.State)
            for (var word = first[level]; word < first[level + 1]; word++)
            for (var bits = state[word]; bits != 0; bits &= bits - 1)
            {
                var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
                if (!choosing.Choose(level, option, state, choosing.Scratch(level + 1)))
                    continue;
                open.Add((Extend(level, node, option, next), number, option));
            }
    }

    private long Extend(int level, Node node, int option, Partial into) =>
        into.Extend(
            node.Partial,
            ranked.Tables.Options[level][option],
            ranked.MostSpare[level][option],
            level + 1,
            long.MaxValue
        );

    private Node Go(int level, Node node, int option)
    {
        var state = new ulong[node.State.Length + 1];
        fixed (ulong* from = node.State)
        fixed (ulong* to = state)
            choosing.Choose(level, option, from, to);
        var partial = ranked.NewPartial();
        Extend(level, node, option, partial);
        partial.ExtendMeetings(node.Partial, ranked.Tables.Options[level][option]);
        return new(state, partial, [.. node.Chosen, option]);
    }

    private void Offer(Node node, int option)
    {
        var level = node.Chosen.Length;
        Extend(level, node, option, next);
        if (next.Taken == 0)
            return;
        next.ExtendMeetings(node.Partial, ranked.Tables.Options[level][option]);
        picker.Offer([.. node.Chosen, option], next.Cost(leaf));
    }

    private sealed record Node(ulong[] State, Partial Partial, int[] Chosen);
}
