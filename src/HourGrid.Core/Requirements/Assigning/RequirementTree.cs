namespace HourGrid.Core.Requirements.Assigning;

/// <summary>The requirements of a programme by their places in file order: a node before what is in it.</summary>
internal sealed class RequirementTree
{
    private readonly int[][] children;
    private readonly int[] leafOfNode;
    private readonly int[] take;
    private readonly long[] needs;

    public RequirementTree(Programme programme)
    {
        Nodes = programme.InOrder;
        var placeOf = new Dictionary<Requirement, int>(ReferenceEqualityComparer.Instance);
        for (var node = 0; node < Nodes.Count; node++)
            placeOf[Nodes[node]] = node;
        children =
        [
            .. Nodes.Select(node =>
                node switch
                {
                    Requirement.All all => all.Of.Select(child => placeOf[child]).ToArray(),
                    Requirement.Any any => any.Of.Select(child => placeOf[child]).ToArray(),
                    _ => [],
                }
            ),
        ];
        take = [.. Nodes.Select(node => node is Requirement.Any any ? any.Take : 0)];
        Leaves = programme.Leaves;
        leafOfNode = [.. Nodes.Select(_ => -1)];
        NodeOfLeaf = [.. Leaves.Select(leaf => placeOf[leaf])];
        for (var leaf = 0; leaf < Leaves.Count; leaf++)
            leafOfNode[NodeOfLeaf[leaf]] = leaf;
        needs = [.. Leaves.Select(leaf => leaf.Need.Total.Hundredths)];
    }

    private RequirementTree(RequirementTree tree, long[] needs)
    {
        (Nodes, Leaves, NodeOfLeaf) = (tree.Nodes, tree.Leaves, tree.NodeOfLeaf);
        (children, leafOfNode, take) = (tree.children, tree.leafOfNode, tree.take);
        this.needs = needs;
    }

    /// <summary>The same where the leaves need other amounts, in hundredths of credits.</summary>
    public RequirementTree Needing(long[] amounts) => new(this, amounts);

    /// <summary>What a leaf needs, in hundredths of credits.</summary>
    public long NeedOf(int leaf) => needs[leaf];

    /// <summary>All requirements; the first is the root.</summary>
    public IReadOnlyList<Requirement> Nodes { get; }

    /// <summary>The leaves.</summary>
    public IReadOnlyList<Requirement.Leaf> Leaves { get; }

    /// <summary>By leaf, its place among all nodes.</summary>
    public IReadOnlyList<int> NodeOfLeaf { get; }

    /// <summary>The parts of a node.</summary>
    public IReadOnlyList<int> ChildrenOf(int node) => children[node];

    /// <summary>How many of its parts a node takes; 0 where it takes every one, and for a leaf.</summary>
    public int TakeOf(int node) => take[node];

    /// <summary>The place of a node among the leaves; -1 where it is none.</summary>
    public int LeafOf(int node) => leafOfNode[node];

    /// <summary>What the root is short of, where each leaf has so much.</summary>
    public long ShortOf(long[] gained) => ShortOfNodes(gained)[0];

    /// <summary>What each node is short of, where each leaf has so much.</summary>
    public long[] ShortOfNodes(long[] gained)
    {
        var result = new long[Nodes.Count];
        // Parts stand behind the node that has them.
        for (var node = Nodes.Count - 1; node >= 0; node--)
        {
            var leaf = leafOfNode[node];
            result[node] =
                leaf >= 0 ? Math.Max(0, needs[leaf] - gained[leaf])
                : take[node] == 0 ? children[node].Sum(child => result[child])
                : SumOfSmallest(children[node], result, take[node]);
        }
        return result;
    }

    /// <summary>The sum of so many of the smallest.</summary>
    public static long SumOfSmallest(IReadOnlyList<int> nodes, long[] values, int count)
    {
        if (count == 1)
        {
            var least = long.MaxValue;
            foreach (var node in nodes)
                least = Math.Min(least, values[node]);
            return least;
        }
        return nodes.Select(node => values[node]).Order().Take(count).Sum();
    }
}
