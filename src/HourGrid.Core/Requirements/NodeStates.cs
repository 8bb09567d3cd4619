using HourGrid.Core.Requirements.Assigning;

namespace HourGrid.Core.Requirements;

/// <summary>How every requirement stands by an assignment.</summary>
internal static class NodeStates
{
    public static IReadOnlyList<AuditedNode> Of(AssignmentProblem problem, IReadOnlyList<bool> given)
    {
        var tree = problem.Tree;
        var shortages = problem.ShortOfNodes(given);
        var isNeeded = new bool[tree.Nodes.Count];
        var totals = new long[tree.Nodes.Count];
        for (var node = tree.Nodes.Count - 1; node >= 0; node--)
            totals[node] = tree.LeafOf(node) is var leaf and >= 0
                ? tree.NeedOf(leaf)
                : Taken(node).Sum(part => totals[part]);
        Mark(0);
        return
        [
            .. tree.Nodes.Select(
                (requirement, node) =>
                    new AuditedNode(
                        requirement,
                        isNeeded[node] ? StateOf(node) : RequirementState.NotNeeded,
                        new(shortages[0][node]),
                        new(shortages[1][node]),
                        new(shortages[2][node]),
                        new(totals[node]),
                        [
                            .. problem
                                .Pairs.Where((pair, place) => given[place] && pair.Leaf == tree.LeafOf(node))
                                .Select(pair => problem.Courses[pair.Course]),
                        ]
                    )
            ),
        ];

        void Mark(int node)
        {
            isNeeded[node] = true;
            // While some of its parts still have to be found, each of them is a way out.
            foreach (var part in shortages[0][node] == 0 ? Taken(node) : tree.ChildrenOf(node))
                Mark(part);
        }

        IEnumerable<int> Taken(int node) =>
            tree.TakeOf(node) == 0
                ? tree.ChildrenOf(node)
                : tree.ChildrenOf(node)
                    .OrderBy(part => shortages[0][part])
                    .ThenBy(part => shortages[1][part])
                    .ThenBy(part => shortages[2][part])
                    .Take(tree.TakeOf(node));

        RequirementState StateOf(int node) =>
            shortages[2][node] == 0 ? RequirementState.Done
            : shortages[1][node] == 0 ? RequirementState.UnderWay
            : shortages[0][node] == 0 ? RequirementState.Planned
            : RequirementState.ShortBy;
    }
}
