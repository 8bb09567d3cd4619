namespace HourGrid.Core.Requirements.Assigning;

/// <summary>What is decided while a group of leaves is relaxed.</summary>
/// <param name="Levels">By leaf of the problem, a bit for each level on which what it is short of counts.</param>
/// <param name="Bounds">By leaf and level, how what it gets is bounded.</param>
/// <param name="Fixed">By pair of the problem, 1 where the course is to be given to the leaf, -1 where it is not to, 0 where that is open.</param>
internal readonly record struct Decisions(byte[] Levels, LeafBound[] Bounds, sbyte[] Fixed);

/// <summary>The best that a group of leaves could do by its bounds.</summary>
/// <param name="Short">What its leaves would be short of, on the levels where that counts; at most what any assignment leaves.</param>
/// <param name="Real">What they are short of by the pairs it gives.</param>
/// <param name="Given">Those pairs, by their places in the problem.</param>
/// <param name="Misjudged">
/// Leaf and level, the bound of which differs from what the pairs given bring; in the order of levels, then of leaves.
/// </param>
internal sealed record RelaxedGroup(
    ShortageVector Short,
    ShortageVector Real,
    IReadOnlyList<int> Given,
    IReadOnlyList<(int Leaf, int Level)> Misjudged
)
{
    /// <summary>Whether the pairs it gives are as good as the bound says.</summary>
    public bool IsReached => Real == Short;
}

/// <summary>
/// The assignment of a group of leaves with what a leaf gets bounded from above, so that it is a flow of least cost: exact
/// where every course brings a leaf as much as the others, and wherever nothing is misjudged.
/// </summary>
/// <param name="problem">The problem.</param>
/// <param name="group">The group.</param>
/// <param name="decisions">What is decided.</param>
/// <param name="near">Pairs that are perhaps not far from the best: it begins there, and is done the sooner for it.</param>
internal sealed class GroupRelaxation(
    AssignmentProblem problem,
    LeafGroup group,
    Decisions decisions,
    IReadOnlyList<int> near
)
{
    private const int Levels = AssignmentProblem.Levels;

    // Costs are compared level by level, and then by the number of pairs: 34 bits for each level, 20 for the pairs.
    private static readonly Int128[] WeightOf = [Int128.One << 88, Int128.One << 54, Int128.One << 20];

    private readonly List<(int Leaf, LeafNeeds Need)> needs = [];

    /// <summary>Solves it.</summary>
    /// <param name="wantsOrder">Whether, given the bound, of equals the one is wanted whose pairs are first; else any will do.</param>
    public RelaxedGroup Solve(Func<ShortageVector, bool> wantsOrder)
    {
        var decided = new List<int>();
        var taken = new HashSet<int>();
        foreach (var (leaf, pairs) in group.ByLeaf)
            if (decisions.Levels[leaf] != 0)
                needs.Add((leaf, new(problem, decisions, leaf, pairs)));
        foreach (var pair in group.Pairs)
        {
            if (decisions.Fixed[pair] <= 0)
                continue;
            decided.Add(pair);
            taken.Add(problem.Pairs[pair].Course);
        }
        var (network, arcs) = Flow(taken);
        var any = Judge(Given());
        if (!wantsOrder(any.Short))
            return any;
        network.PreferInOrder([.. arcs.Select(arc => arc.Arc)]);
        return Judge(Given());

        List<int> Given() =>
            [.. decided.Concat(arcs.Where(arc => network.FlowOn(arc.Arc) > 0).Select(arc => arc.Pair)).Order()];
    }

    /// <summary>The flow, and the arcs of its pairs in their order.</summary>
    private (FlowNetwork Network, List<(int Pair, int Arc)> Arcs) Flow(HashSet<int> taken)
    {
        // A leaf has a node and three arcs for each status, a course a node and an arc beside those of its pairs.
        var network = new FlowNetwork(
            (needs.Count * Levels) + problem.Courses.Count,
            (needs.Count * Levels * 3) + group.Pairs.Length + problem.Courses.Count
        );
        var nodeOf = new int[problem.Courses.Count];
        var unusedOf = new int[problem.Courses.Count];
        var arcs = new List<(int Pair, int Arc)>();
        foreach (var (_, need) in needs)
        {
            // Completed courses count on three levels, those under way on two, planned ones on one.
            var byStatus = new[] { network.AddNode(), network.AddNode(), network.AddNode() };
            for (var status = 0; status < Levels; status++)
            {
                var next = status == Levels - 1 ? FlowNetwork.SinkNode : byStatus[status + 1];
                var level = Levels - 1 - status;
                if (need.IsByCount(level))
                    AddSteps(network, byStatus[status], next, need, level);
                network.AddArc(byStatus[status], next, group.Pairs.Length, 0);
            }
            foreach (var pair in need.Open)
            {
                var one = problem.Pairs[pair];
                if (taken.Contains(one.Course))
                    continue;
                if (nodeOf[one.Course] == 0)
                {
                    nodeOf[one.Course] = network.AddNode();
                    // It need not be given to any leaf.
                    unusedOf[one.Course] = network.AddArc(nodeOf[one.Course], FlowNetwork.SinkNode, 1, 0);
                }
                Int128 cost = 1;
                for (var level = 0; level < Levels; level++)
                    if (one.CountsAt(level) && need.IsBySum(level))
                        cost -= WeightOf[level] * need.GainOf(one, level);
                arcs.Add((pair, network.AddArc(nodeOf[one.Course], byStatus[one.Status], 1, cost)));
            }
        }
        Begin(network, arcs, nodeOf, unusedOf);
        network.Improve();
        return (network, arcs);
    }

    /// <summary>Gives each course where it was given before, or to no leaf.</summary>
    private void Begin(FlowNetwork network, List<(int Pair, int Arc)> arcs, int[] nodeOf, int[] unusedOf)
    {
        var wasGiven = new bool[problem.Pairs.Count];
        foreach (var pair in near)
            wasGiven[pair] = true;
        foreach (var (pair, arc) in arcs)
        {
            var course = problem.Pairs[pair].Course;
            if (!wasGiven[pair] || nodeOf[course] == 0)
                continue;
            network.Send(arc);
            nodeOf[course] = 0;
        }
        for (var course = 0; course < nodeOf.Length; course++)
            if (nodeOf[course] != 0)
                network.Send(unusedOf[course]);
    }

    /// <summary>One unit after the other brings the most that one can, and the last the rest.</summary>
    private static void AddSteps(FlowNetwork network, int from, int to, LeafNeeds need, int level)
    {
        var most = need.MostOfOne(level);
        var (whole, rest) = Math.DivRem(need.NeedAt(level), most);
        if (whole > 0)
            network.AddArc(from, to, (int)Math.Min(whole, int.MaxValue / 4), -WeightOf[level] * most);
        if (rest > 0)
            network.AddArc(from, to, 1, -WeightOf[level] * rest);
    }

    private RelaxedGroup Judge(List<int> given)
    {
        var bounds = new long[Levels];
        var reals = new long[Levels];
        var isGiven = new bool[problem.Pairs.Count];
        foreach (var pair in given)
            isGiven[pair] = true;
        var misjudged = new List<(int Leaf, int Level)>();
        for (var level = 0; level < Levels; level++)
            foreach (var (leaf, need) in needs)
            {
                if (!need.Counts(level))
                    continue;
                var (bound, real) = need.Short(isGiven, level);
                bounds[level] += bound;
                reals[level] += real;
                if (bound != real)
                    misjudged.Add((leaf, level));
            }
        return new(
            new(bounds[0], bounds[1], bounds[2], given.Count),
            new(reals[0], reals[1], reals[2], given.Count),
            given,
            misjudged
        );
    }
}
