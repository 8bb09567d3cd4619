using HourGrid.Core.Work;

namespace HourGrid.Core.Requirements.Assigning;

/// <summary>What an assignment gives, and whether none is better.</summary>
/// <param name="Given">By pair of the problem, whether the course is given to the leaf.</param>
/// <param name="Short">What it is short of.</param>
/// <param name="IsExact">False where time ran out: there may be a better one.</param>
internal sealed record Assignment(IReadOnlyList<bool> Given, ShortageVector Short, bool IsExact);

/// <summary>
/// The best assignment. Once it is decided which parts of choices are taken, groups of leaves have nothing to do with each
/// other and each is assigned for itself (<see cref="GroupSearch"/>); over the choices goes a branch and bound.
/// </summary>
internal sealed class AssignmentSearch
{
    private readonly AssignmentProblem problem;
    private readonly WorkLimit limit;
    private readonly int levels;
    private readonly IReadOnlyList<LeafGroup> groups;
    private readonly Dictionary<(int Group, string Levels), GroupBest> known = [];

    // By group, what was found last, for other parts of choices.
    private readonly IReadOnlyList<int>[] near;
    private bool[]? best;
    private ShortageVector bestShort;
    private bool isExact = true;

    private AssignmentSearch(AssignmentProblem problem, WorkLimit limit, int levels)
    {
        (this.problem, this.limit, this.levels) = (problem, limit, levels);
        groups = LeafGroup.Of(problem);
        near = [.. groups.Select(_ => Array.Empty<int>())];
    }

    /// <summary>The best assignment: the least short level by level, then fewest pairs, then the pairs that are first.</summary>
    public static Assignment Best(AssignmentProblem problem, WorkLimit limit) =>
        new AssignmentSearch(problem, limit, AssignmentProblem.Levels).Run();

    /// <summary>An assignment that is least short over all courses, whatever it is like otherwise.</summary>
    public static Assignment LeastShort(AssignmentProblem problem, WorkLimit limit) =>
        new AssignmentSearch(problem, limit, levels: 1).Run();

    private bool IsInOrder => levels == AssignmentProblem.Levels;

    private Assignment Run()
    {
        Search(new(problem.Tree));
        return new(best!, bestShort, isExact);
    }

    private void Search(Selection selection)
    {
        if (best is not null && limit.IsOver())
        {
            isExact = false;
            return;
        }
        var (levelsOfLeaf, total) = selection.Counting(problem.AtBest, levels);
        var given = new bool[problem.Pairs.Count];
        for (var group = 0; group < groups.Count; group++)
        {
            var found = BestOf(group, levelsOfLeaf);
            isExact &= found.IsExact;
            total += found.Short;
            foreach (var pair in found.Given)
                given[pair] = true;
        }
        total = Cut(total);
        var real = Cut(problem.ShortWith(given));
        if (
            best is null
            || (real.CompareTo(bestShort) is var order && (order < 0 || (order == 0 && IsBefore(given))))
        )
            (best, bestShort) = (given, real);
        // The parts taken are what is reckoned with: less is short where others should be taken, which is looked at elsewhere.
        if (real.CompareTo(total) <= 0 || IsBeaten(total, given))
            return;
        var open = selection.FirstOpen(problem.AtBest, problem.ShortOfNodes(given), levels)!;
        Search(selection.With(open, isTaken: true));
        Search(selection.With(open, isTaken: false));
    }

    private GroupBest BestOf(int group, byte[] levelsOfLeaf)
    {
        var key = (
            group,
            string.Concat(groups[group].Pairs.Select(pair => (char)levelsOfLeaf[problem.Pairs[pair].Leaf]))
        );
        if (!known.TryGetValue(key, out var found))
        {
            known[key] = found = GroupSearch.Best(
                problem,
                groups[group],
                levelsOfLeaf,
                IsInOrder,
                limit,
                near[group]
            );
            near[group] = found.Given;
        }
        return found;
    }

    /// <summary>Whether nothing below can be better than the best so far.</summary>
    private bool IsBeaten(ShortageVector bound, bool[] given) =>
        bound.CompareTo(bestShort) is var order && (order > 0 || (order == 0 && !IsBefore(given)));

    private bool IsBefore(bool[] given) => IsInOrder && AssignmentProblem.CompareInOrder(given, best!) < 0;

    private ShortageVector Cut(ShortageVector whole) => IsInOrder ? whole : new(whole.All, 0, 0, 0);
}
