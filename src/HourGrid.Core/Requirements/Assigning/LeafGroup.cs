namespace HourGrid.Core.Requirements.Assigning;

/// <summary>Leaves of one pool that compete for courses, directly or through others, with their pairs.</summary>
/// <param name="Pairs">The places of their pairs in the problem's list, in its order.</param>
/// <param name="ByLeaf">The same, leaf by leaf.</param>
internal sealed record LeafGroup(int[] Pairs, IReadOnlyList<(int Leaf, int[] Pairs)> ByLeaf)
{
    /// <summary>All groups of a problem; a leaf for which no course qualifies is in none.</summary>
    public static IReadOnlyList<LeafGroup> Of(AssignmentProblem problem)
    {
        var first = new Dictionary<(string Pool, int Course), int>();
        var groupOf = Enumerable.Range(0, problem.Tree.Leaves.Count).ToArray();
        foreach (var pair in problem.Pairs)
        {
            var pool = problem.Tree.Leaves[pair.Leaf].Counting;
            if (!first.TryAdd((pool, pair.Course), pair.Leaf))
                Join(pair.Leaf, first[(pool, pair.Course)]);
        }
        return
        [
            .. problem
                .Pairs.Index()
                .GroupBy(pair => GroupOf(pair.Item.Leaf))
                .Select(group => new LeafGroup(
                    [.. group.Select(pair => pair.Index)],
                    [
                        .. group
                            .GroupBy(pair => pair.Item.Leaf, pair => pair.Index)
                            .Select(leaf => (leaf.Key, leaf.ToArray())),
                    ]
                )),
        ];

        int GroupOf(int leaf)
        {
            while (groupOf[leaf] != leaf)
                leaf = groupOf[leaf] = groupOf[groupOf[leaf]];
            return leaf;
        }

        void Join(int one, int other) => groupOf[GroupOf(one)] = GroupOf(other);
    }
}
