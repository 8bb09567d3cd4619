namespace HourGrid.Core.Requirements.Assigning;

/// <summary>Leaves of one pool that compete for courses, directly or through others, with their pairs.</summary>
/// <param name="Pairs">The places of their pairs in the problem's list, in its order.</param>
internal sealed record LeafGroup(IReadOnlyList<int> Pairs)
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
                .Select(group => new LeafGroup([.. group.Select(pair => pair.Index)])),
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
