namespace HourGrid.Core.Requirements.Assigning;

/// <summary>
/// Which parts of the nodes that take some of theirs are the ones taken, level by level: each level takes its own smallest. What
/// is not decided is bounded from below by what its parts are short of at best.
/// </summary>
internal sealed class Selection
{
    private const int Levels = AssignmentProblem.Levels;

    private readonly RequirementTree tree;

    // By level and node: 1 for taken, -1 for not taken, 0 for open.
    private readonly sbyte[] states;

    /// <summary>With nothing decided but what there is no choice in.</summary>
    public Selection(RequirementTree tree)
        : this(tree, new sbyte[Levels * tree.Nodes.Count])
    {
        for (var level = 0; level < Levels; level++)
        for (var node = 0; node < tree.Nodes.Count; node++)
            Settle(level, node);
    }

    private Selection(RequirementTree tree, sbyte[] states) => (this.tree, this.states) = (tree, states);

    /// <summary>The same with one part decided, and with it those that follow.</summary>
    /// <param name="open">The node, with the level and the part.</param>
    /// <param name="isTaken">Whether the part is taken.</param>
    public Selection With(OpenChoice open, bool isTaken)
    {
        var next = new Selection(tree, [.. states]);
        next.Set(open.Level, open.Part, isTaken);
        next.Settle(open.Level, open.Node);
        return next;
    }

    /// <summary>Which leaves count on which levels, and what the rest is short of at least.</summary>
    /// <param name="atBest">By level and node, what it is short of at best.</param>
    /// <param name="levels">How many levels are looked at.</param>
    public (byte[] LevelsOfLeaf, ShortageVector AtLeast) Counting(long[][] atBest, int levels)
    {
        var ofLeaf = new byte[tree.Leaves.Count];
        var least = new long[Levels];
        for (var level = 0; level < levels; level++)
            least[level] = Visit(0, level);
        return (ofLeaf, new(least[0], least[1], least[2], 0));

        long Visit(int node, int level)
        {
            if (tree.LeafOf(node) is var leaf and >= 0)
            {
                // A leaf that nothing can bring anything is short of all of it.
                if (atBest[level][node] == tree.NeedOf(leaf))
                    return atBest[level][node];
                ofLeaf[leaf] |= (byte)(1 << level);
                return 0;
            }
            if (tree.TakeOf(node) == 0)
                return tree.ChildrenOf(node).Sum(part => Visit(part, level));
            return OpenAtLeast(node, level, atBest[level]) + Taken(node, level).Sum(part => Visit(part, level));
        }
    }

    /// <summary>The first choice that is open and matters: its node is short of more than was reckoned.</summary>
    /// <param name="atBest">By level and node, what it is short of at best.</param>
    /// <param name="real">By level and node, what it is short of by some assignment.</param>
    /// <param name="levels">How many levels are looked at.</param>
    public OpenChoice? FirstOpen(long[][] atBest, long[][] real, int levels)
    {
        for (var level = 0; level < levels; level++)
            if (Visit(0, level) is { } open)
                return open;
        return null;

        OpenChoice? Visit(int node, int level)
        {
            if (
                tree.TakeOf(node) > 0
                && OpenAtLeast(node, level, real[level]) > OpenAtLeast(node, level, atBest[level])
            )
                return new(
                    node,
                    level,
                    Undecided(node, level)
                        .OrderBy(part => atBest[level][part])
                        .ThenBy(part => real[level][part])
                        .First()
                );
            var parts = tree.TakeOf(node) > 0 ? Taken(node, level) : tree.ChildrenOf(node);
            return parts.Select(part => Visit(part, level)).FirstOrDefault(open => open is not null);
        }
    }

    /// <summary>Decides what follows once a node has all it takes, or takes all that is left.</summary>
    private void Settle(int level, int node)
    {
        if (tree.TakeOf(node) == 0)
            return;
        var left = LeftToTake(level, node);
        var undecided = Undecided(node, level).ToArray();
        if (left == 0 || left == undecided.Length)
            foreach (var part in undecided)
                Set(level, part, left > 0);
    }

    private long OpenAtLeast(int node, int level, long[] shortages)
    {
        var left = LeftToTake(level, node);
        return left == 0 ? 0 : RequirementTree.SumOfSmallest([.. Undecided(node, level)], shortages, left);
    }

    private IEnumerable<int> Taken(int node, int level) =>
        tree.ChildrenOf(node).Where(part => StateOf(level, part) > 0);

    private IEnumerable<int> Undecided(int node, int level) =>
        tree.ChildrenOf(node).Where(part => StateOf(level, part) == 0);

    private int LeftToTake(int level, int node) => tree.TakeOf(node) - Taken(node, level).Count();

    private sbyte StateOf(int level, int node) => states[(level * tree.Nodes.Count) + node];

    private void Set(int level, int node, bool isTaken) =>
        states[(level * tree.Nodes.Count) + node] = (sbyte)(isTaken ? 1 : -1);
}

/// <summary>A part of which it is open whether it is among those taken.</summary>
/// <param name="Node">The node that takes some of its parts.</param>
/// <param name="Level">The level.</param>
/// <param name="Part">The part.</param>
internal sealed record OpenChoice(int Node, int Level, int Part);
