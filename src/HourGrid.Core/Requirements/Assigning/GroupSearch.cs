using HourGrid.Core.Work;

namespace HourGrid.Core.Requirements.Assigning;

/// <summary>The best of one group of leaves.</summary>
/// <param name="Short">What its leaves are short of, on the levels where that counts.</param>
/// <param name="Given">The pairs of the problem that it gives, in order.</param>
/// <param name="IsExact">False where time ran out: there may be a better one.</param>
internal sealed record GroupBest(ShortageVector Short, IReadOnlyList<int> Given, bool IsExact);

/// <summary>
/// The best assignment of one group of leaves, by branch and bound over <see cref="GroupRelaxation"/>: what is misjudged is
/// bounded the other way, and then one of its pairs is decided.
/// </summary>
internal sealed class GroupSearch
{
    private const int Levels = AssignmentProblem.Levels;

    /// <summary>So often the bounds are changed before something is decided.</summary>
    private const int Rounds = 4;

    private readonly AssignmentProblem problem;
    private readonly LeafGroup group;
    private readonly byte[] levelsOfLeaf;
    private readonly WorkLimit limit;
    private readonly bool isInOrder;
    private IReadOnlyList<int>? best;
    private ShortageVector bestShort;

    // What was found last: what comes next is not far from it.
    private IReadOnlyList<int> near;

    private GroupSearch(
        AssignmentProblem problem,
        LeafGroup group,
        byte[] levelsOfLeaf,
        bool isInOrder,
        WorkLimit limit,
        IReadOnlyList<int> near
    ) =>
        (this.problem, this.group, this.levelsOfLeaf, this.isInOrder, this.limit, this.near) = (
            problem,
            group,
            levelsOfLeaf,
            isInOrder,
            limit,
            near
        );

    /// <summary>The least short on the levels that count, then fewest pairs, then, where the order matters, the pairs that are first.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="group">The group.</param>
    /// <param name="levelsOfLeaf">By leaf of the problem, a bit for each level that counts.</param>
    /// <param name="isInOrder">Whether the order of pairs matters.</param>
    /// <param name="limit">How long it may take.</param>
    /// <param name="near">Pairs that are perhaps not far from the best: it begins there.</param>
    public static GroupBest Best(
        AssignmentProblem problem,
        LeafGroup group,
        byte[] levelsOfLeaf,
        bool isInOrder,
        WorkLimit limit,
        IReadOnlyList<int> near
    )
    {
        var search = new GroupSearch(problem, group, levelsOfLeaf, isInOrder, limit, near);
        var bounds = new LeafBound[problem.Tree.Leaves.Count * Levels];
        for (var leaf = 0; leaf < problem.Tree.Leaves.Count; leaf++)
        for (var level = 0; level < Levels; level++)
            if (problem.CanBeFull(leaf, level))
                bounds[(leaf * Levels) + level] = LeafBound.Count;
        var isExact = search.Search(bounds, new sbyte[problem.Pairs.Count]);
        return new(search.bestShort, search.best!, isExact);
    }

    /// <summary>Goes through what is not decided.</summary>
    /// <returns>False where time ran out.</returns>
    private bool Search(LeafBound[] bounds, sbyte[] isFixed)
    {
        if (best is not null && limit.IsOver())
            return false;
        var relaxed = Relax(bounds, isFixed);
        for (var round = 0; !IsSettled(relaxed) && round < Rounds; round++)
        {
            var others = (LeafBound[])bounds.Clone();
            foreach (var (leaf, level) in relaxed.Misjudged)
                others[(leaf * Levels) + level] ^= LeafBound.Count;
            var again = Relax(others, isFixed);
            if (again.Short.CompareTo(relaxed.Short) <= 0 && !IsSettled(again))
                break;
            (relaxed, bounds) = (again, others);
        }
        if (IsSettled(relaxed))
            return true;
        var pair = ToDecide(relaxed, isFixed);
        return Search(bounds, With(isFixed, pair, isGiven: true))
            && Search(bounds, With(isFixed, pair, isGiven: false));
    }

    private RelaxedGroup Relax(LeafBound[] bounds, sbyte[] isFixed)
    {
        // Where the bound is beaten already, which of equals it is matters to nobody.
        var relaxed = new GroupRelaxation(problem, group, new(levelsOfLeaf, bounds, isFixed), near).Solve(bound =>
            isInOrder && (best is null || bound.CompareTo(bestShort) <= 0)
        );
        near = relaxed.Given;
        var order = best is null ? -1 : relaxed.Real.CompareTo(bestShort);
        if (order < 0 || (order == 0 && isInOrder && IsBefore(relaxed.Given, best!)))
            (best, bestShort) = (relaxed.Given, relaxed.Real);
        return relaxed;
    }

    /// <summary>Whether nothing below can be better than the best so far.</summary>
    private bool IsSettled(RelaxedGroup relaxed)
    {
        var order = relaxed.Short.CompareTo(bestShort);
        return relaxed.IsReached || order > 0 || (order == 0 && !(isInOrder && IsBefore(relaxed.Given, best!)));
    }

    /// <summary>The pair to decide next: of a misjudged leaf, the one given that brings least, which is what packs badly.</summary>
    private int ToDecide(RelaxedGroup relaxed, sbyte[] isFixed)
    {
        var (leaf, level) = relaxed.Misjudged[0];
        return group
            .Pairs.Where(pair =>
                isFixed[pair] == 0 && problem.Pairs[pair].Leaf == leaf && problem.Pairs[pair].CountsAt(level)
            )
            .OrderByDescending(relaxed.Given.Contains)
            .ThenBy(pair => problem.Pairs[pair].Gain)
            .First();
    }

    private sbyte[] With(sbyte[] isFixed, int pair, bool isGiven)
    {
        var next = (sbyte[])isFixed.Clone();
        if (isGiven)
            foreach (var rival in group.Pairs)
                if (problem.Pairs[rival].Course == problem.Pairs[pair].Course)
                    next[rival] = -1;
        next[pair] = (sbyte)(isGiven ? 1 : -1);
        return next;
    }

    /// <summary>Whether one list of as many pairs comes before another.</summary>
    private static bool IsBefore(IReadOnlyList<int> one, IReadOnlyList<int> other)
    {
        for (var i = 0; i < one.Count; i++)
            if (one[i] != other[i])
                return one[i] < other[i];
        return false;
    }
}
