using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Requirements.Assigning;

/// <summary>
/// Which course to give to which leaf of a programme, in numbers. Amounts are hundredths of credits, what is short is
/// looked at on three levels: over all courses (0), over those completed or under way (1), over those completed (2).
/// </summary>
internal sealed class AssignmentProblem
{
    public const int Levels = 3;

    /// <param name="programme">The programme.</param>
    /// <param name="courses">What requirements look at in courses.</param>
    /// <param name="entries">By course, the entries by which it can count, the best first.</param>
    public AssignmentProblem(
        Programme programme,
        CourseBook courses,
        IReadOnlyDictionary<CourseId, IReadOnlyList<CountedEntry>> entries
    )
    {
        Tree = new(programme);
        Courses = [.. entries.Keys.OrderBy(course => course.Value, StringComparer.Ordinal)];
        var traits = Courses.Select(course => courses[course]).ToArray();
        var pairs = new List<CandidatePair>();
        foreach (var (place, leaf) in Tree.Leaves.Index())
            for (var course = 0; course < Courses.Count; course++)
                if (
                    leaf.From.Admits(traits[course])
                    && entries[Courses[course]].FirstOrDefault(entry => entry.Meets(leaf.MinGrade)) is { } best
                )
                    pairs.Add(new(place, course, (int)best.Status, GainOf(leaf, best)));
        Pairs = pairs;
        AtBest = ShortOfNodes([.. pairs.Select(_ => true)]);
    }

    private AssignmentProblem(
        RequirementTree tree,
        IReadOnlyList<CourseId> courses,
        IReadOnlyList<CandidatePair> pairs
    )
    {
        (Tree, Courses, Pairs) = (tree, courses, pairs);
        AtBest = ShortOfNodes([.. pairs.Select(_ => true)]);
    }

    /// <summary>The same with some of its pairs.</summary>
    public AssignmentProblem Where(Func<CandidatePair, bool> isThere) =>
        new(Tree, Courses, [.. Pairs.Where(isThere)]);

    /// <summary>The same with another reckoning: leaves that are left out need nothing.</summary>
    /// <param name="counts">By leaf, whether it is not left out.</param>
    /// <param name="each">By leaf, what a course is reckoned at where the leaf asks for so many; in hundredths.</param>
    public AssignmentProblem Reckoned(IReadOnlyList<bool> counts, IReadOnlyList<long> each) =>
        new(
            Tree.Needing([
                .. Tree.Leaves.Select(
                    (leaf, i) =>
                        !counts[i] ? 0
                        : leaf.Need is LeafNeed.Courses courses ? courses.Count * each[i]
                        : Tree.NeedOf(i)
                ),
            ]),
            Courses,
            [
                .. Pairs
                    .Where(pair => counts[pair.Leaf])
                    .Select(pair =>
                        Tree.Leaves[pair.Leaf].Need is LeafNeed.Courses ? pair with { Gain = each[pair.Leaf] } : pair
                    ),
            ]
        );

    /// <summary>The requirements.</summary>
    public RequirementTree Tree { get; }

    /// <summary>Courses that can count, in ordinal order.</summary>
    public IReadOnlyList<CourseId> Courses { get; }

    /// <summary>Every leaf with every course that qualifies for it, leaves in file order, then courses in ordinal order.</summary>
    public IReadOnlyList<CandidatePair> Pairs { get; }

    /// <summary>By level and node, what it would be short of if every course counted wherever it qualifies.</summary>
    public long[][] AtBest { get; }

    /// <summary>Whether a leaf would have all it needs on a level if every course counted wherever it qualifies.</summary>
    public bool CanBeFull(int leaf, int level) => AtBest[level][Tree.NodeOfLeaf[leaf]] == 0;

    private static long GainOf(Requirement.Leaf leaf, CountedEntry entry) =>
        leaf.Need is LeafNeed.Courses courses ? courses.Each.Hundredths : entry.Credits.Hundredths;

    /// <summary>What the root is short of on each level, and with how many pairs.</summary>
    /// <param name="given">By pair, whether the course is given to the leaf.</param>
    public ShortageVector ShortWith(IReadOnlyList<bool> given)
    {
        var nodes = ShortOfNodes(given);
        return new(nodes[0][0], nodes[1][0], nodes[2][0], given.Count(one => one));
    }

    /// <summary>By level and node, what it is short of.</summary>
    /// <param name="given">By pair, whether the course is given to the leaf.</param>
    public long[][] ShortOfNodes(IReadOnlyList<bool> given) =>
        [.. Enumerable.Range(0, Levels).Select(level => Tree.ShortOfNodes(GainedAt(level, given)))];

    /// <summary>Which of two assignments comes first: the one that has the first pair in which they differ.</summary>
    public static int CompareInOrder(IReadOnlyList<bool> one, IReadOnlyList<bool> other)
    {
        for (var pair = 0; pair < one.Count; pair++)
            if (one[pair] != other[pair])
                return one[pair] ? -1 : 1;
        return 0;
    }

    private long[] GainedAt(int level, IReadOnlyList<bool> given)
    {
        var gained = new long[Tree.Leaves.Count];
        for (var pair = 0; pair < Pairs.Count; pair++)
            if (given[pair] && Pairs[pair].CountsAt(level))
                gained[Pairs[pair].Leaf] += Pairs[pair].Gain;
        return gained;
    }
}

/// <summary>A course that qualifies for a leaf.</summary>
/// <param name="Leaf">The place of the leaf in file order.</param>
/// <param name="Course">The place of the course in ordinal order.</param>
/// <param name="Status">0 for completed, 1 for under way, 2 for planned, by its best entry for this leaf.</param>
/// <param name="Gain">What it brings the leaf, in hundredths of a credit.</param>
internal readonly record struct CandidatePair(int Leaf, int Course, int Status, long Gain)
{
    /// <summary>Whether it is among the courses that a level looks at.</summary>
    public bool CountsAt(int level) => Status <= AssignmentProblem.Levels - 1 - level;
}

/// <summary>What is short on the three levels, and with how many pairs: the less the better, the first first.</summary>
internal readonly record struct ShortageVector(long All, long UnderWay, long Completed, int Pairs)
    : IComparable<ShortageVector>
{
    public long this[int level] =>
        level == 0 ? All
        : level == 1 ? UnderWay
        : Completed;

    public int CompareTo(ShortageVector other) =>
        (All, UnderWay, Completed, Pairs).CompareTo((other.All, other.UnderWay, other.Completed, other.Pairs));

    public static ShortageVector operator +(ShortageVector left, ShortageVector right) =>
        new(
            left.All + right.All,
            left.UnderWay + right.UnderWay,
            left.Completed + right.Completed,
            left.Pairs + right.Pairs
        );
}
