using HourGrid.Core.Work;

namespace HourGrid.Core.Requirements.Assigning;

/// <summary>What an assignment gives, and whether none is better.</summary>
/// <param name="Given">By pair of the problem, whether the course is given to the leaf.</param>
/// <param name="Short">What it is short of.</param>
/// <param name="IsExact">False where time ran out: there may be a better one.</param>
internal sealed record Assignment(IReadOnlyList<bool> Given, ShortageVector Short, bool IsExact);

/// <summary>
/// The best assignment, by branch and bound. A node is relaxed to flows of least cost, one for each group of leaves
/// (<see cref="GroupRelaxation"/>); where the relaxation misjudges a leaf it is bounded the other way, and then one of its pairs
/// is decided; where a choice among parts is open and matters, one of its parts is.
/// </summary>
internal sealed class AssignmentSearch
{
    private const int Levels = AssignmentProblem.Levels;

    /// <summary>So often a node's bounds are changed before something is decided.</summary>
    private const int Rounds = 4;

    private readonly AssignmentProblem problem;
    private readonly WorkLimit limit;
    private readonly int levels;
    private readonly IReadOnlyList<LeafGroup> groups;
    private readonly Dictionary<(int Group, string Decisions), RelaxedGroup> known = [];
    private readonly long[][] atBest;
    private readonly ILookup<(string Pool, int Course), int> rivals;
    private bool[]? best;
    private ShortageVector bestShort;

    private AssignmentSearch(AssignmentProblem problem, WorkLimit limit, int levels)
    {
        (this.problem, this.limit, this.levels) = (problem, limit, levels);
        groups = LeafGroup.Of(problem);
        atBest = [.. Enumerable.Range(0, Levels).Select(AtBest)];
        rivals = Enumerable
            .Range(0, problem.Pairs.Count)
            .ToLookup(pair => (PoolOf(problem.Pairs[pair]), problem.Pairs[pair].Course));
    }

    /// <summary>The best assignment: the least short level by level, then fewest pairs, then the pairs that are first.</summary>
    public static Assignment Best(AssignmentProblem problem, WorkLimit limit) =>
        new AssignmentSearch(problem, limit, Levels).Run();

    /// <summary>An assignment that is least short over all courses, whatever it is like otherwise.</summary>
    public static Assignment LeastShort(AssignmentProblem problem, WorkLimit limit) =>
        new AssignmentSearch(problem, limit, levels: 1).Run();

    private bool IsInOrder => levels == Levels;

    private Assignment Run()
    {
        var bounds = new LeafBound[problem.Tree.Leaves.Count * Levels];
        for (var leaf = 0; leaf < problem.Tree.Leaves.Count; leaf++)
        for (var level = 0; level < Levels; level++)
            bounds[(leaf * Levels) + level] =
                atBest[level][problem.Tree.NodeOfLeaf[leaf]] == 0 ? LeafBound.Count : LeafBound.Sum;
        var isExact = Search(new(problem.Tree), bounds, new sbyte[problem.Pairs.Count]);
        return new(best!, bestShort, isExact);
    }

    /// <summary>Goes through what is not decided.</summary>
    /// <returns>False where time ran out.</returns>
    private bool Search(Selection selection, LeafBound[] bounds, sbyte[] isFixed)
    {
        if (best is not null && limit.IsOver())
            return false;
        var (countingLevels, atLeast) = selection.Counting(atBest, levels);
        var relaxed = Relax(new(countingLevels, bounds, isFixed), atLeast);
        for (var round = 0; ; round++)
        {
            Offer(relaxed);
            if (relaxed.IsReached || IsBeaten(relaxed))
                return true;
            if (round == Rounds)
                break;
            // What was bounded the wrong way is bounded the other; kept if that says more.
            var others = (LeafBound[])bounds.Clone();
            foreach (var (leaf, level) in relaxed.Misjudged)
                others[(leaf * Levels) + level] ^= LeafBound.Count;
            var again = Relax(new(countingLevels, others, isFixed), atLeast);
            if (again.Short.CompareTo(relaxed.Short) <= 0)
            {
                Offer(again);
                if (again.IsReached)
                    return true;
                break;
            }
            (relaxed, bounds) = (again, others);
        }
        if (selection.FirstOpen(atBest, problem.ShortOfNodes(relaxed.Given), levels) is { } open)
            return Search(selection.With(open, isTaken: true), bounds, isFixed)
                && Search(selection.With(open, isTaken: false), bounds, isFixed);
        var pair = ToDecide(relaxed, isFixed);
        return Search(selection, bounds, With(isFixed, pair, isGiven: true))
            && Search(selection, bounds, With(isFixed, pair, isGiven: false));
    }

    private Relaxed Relax(Decisions decisions, ShortageVector atLeast)
    {
        var given = new bool[problem.Pairs.Count];
        var total = atLeast;
        var misjudged = new List<(int Leaf, int Level)>();
        for (var place = 0; place < groups.Count; place++)
        {
            var key = (place, decisions.KeyOf(problem, groups[place]));
            if (!known.TryGetValue(key, out var group))
                known[key] = group = new GroupRelaxation(problem, groups[place], decisions).Solve(IsInOrder);
            total += group.Short;
            misjudged.AddRange(group.Misjudged);
            foreach (var pair in group.Given)
                given[pair] = true;
        }
        // Nothing is short of less than nothing: where a bound says so, it says nothing of what comes after.
        if (total.All < 0)
            total = default;
        return new(given, Cut(total), Cut(problem.ShortWith(given)), misjudged);
    }

    /// <summary>Keeps an assignment that is better than the best so far.</summary>
    private void Offer(Relaxed relaxed)
    {
        var order = best is null ? -1 : relaxed.Real.CompareTo(bestShort);
        if (order > 0 || (order == 0 && AssignmentProblem.CompareInOrder(relaxed.Given, best!) >= 0))
            return;
        best = relaxed.Given;
        bestShort = relaxed.Real;
    }

    /// <summary>Whether nothing below can be better than the best so far.</summary>
    private bool IsBeaten(Relaxed relaxed) =>
        relaxed.Short.CompareTo(bestShort) is var order
        && (order > 0 || (order == 0 && (!IsInOrder || AssignmentProblem.CompareInOrder(relaxed.Given, best!) >= 0)));

    /// <summary>The pair to decide next: of a misjudged leaf, the one given that brings most.</summary>
    private int ToDecide(Relaxed relaxed, sbyte[] isFixed)
    {
        var (leaf, level) = relaxed.Misjudged[0];
        return Enumerable
            .Range(0, problem.Pairs.Count)
            .Where(pair =>
                isFixed[pair] == 0 && problem.Pairs[pair].Leaf == leaf && problem.Pairs[pair].CountsAt(level)
            )
            .OrderByDescending(pair => relaxed.Given[pair])
            .ThenByDescending(pair => problem.Pairs[pair].Gain)
            .First();
    }

    private sbyte[] With(sbyte[] isFixed, int pair, bool isGiven)
    {
        var next = (sbyte[])isFixed.Clone();
        if (isGiven)
            foreach (var rival in rivals[(PoolOf(problem.Pairs[pair]), problem.Pairs[pair].Course)])
                next[rival] = -1;
        next[pair] = (sbyte)(isGiven ? 1 : -1);
        return next;
    }

    private long[] AtBest(int level)
    {
        var gained = new long[problem.Tree.Leaves.Count];
        foreach (var pair in problem.Pairs.Where(pair => pair.CountsAt(level)))
            gained[pair.Leaf] += pair.Gain;
        return problem.Tree.ShortOfNodes(gained);
    }

    private string PoolOf(CandidatePair pair) => problem.Tree.Leaves[pair.Leaf].Counting;

    private ShortageVector Cut(ShortageVector whole) => levels == Levels ? whole : new(whole.All, 0, 0, 0);

    /// <summary>A node relaxed: at best so short, and what is really short of by the assignment it gives.</summary>
    private sealed record Relaxed(
        bool[] Given,
        ShortageVector Short,
        ShortageVector Real,
        IReadOnlyList<(int Leaf, int Level)> Misjudged
    )
    {
        public bool IsReached => Real.CompareTo(Short) <= 0;
    }
}
