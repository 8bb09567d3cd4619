using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;

namespace HourGrid.Core.Eligibility;

/// <summary>
/// The sets of conditions that would make a tree of conditions true, none of which can be made smaller or easier: the prime
/// implicants of a monotone formula, found from its leaves up.
/// </summary>
internal static class MinimalSets
{
    /// <summary>So many sets are kept on the way, the smallest; a catalogue's trees have a handful.</summary>
    private const int Most = 100;

    private static readonly IReadOnlyList<Prerequisite>[] AlreadyTrue =
    [
        [],
    ];

    /// <summary>The sets, the smallest first; one empty set where the tree is true as it is.</summary>
    /// <param name="tree">The tree.</param>
    /// <param name="isTrue">Whether a leaf is true.</param>
    public static IReadOnlyList<IReadOnlyList<Prerequisite>> Of(Prerequisite tree, Func<Prerequisite, bool> isTrue) =>
        tree switch
        {
            Prerequisite.All all => all.Of.Aggregate(
                (IReadOnlyList<IReadOnlyList<Prerequisite>>)AlreadyTrue,
                (sets, condition) =>
                    Minimal(sets.SelectMany(set => Of(condition, isTrue).Select(other => Both(set, other))))
            ),
            Prerequisite.Any any => Minimal(any.Of.SelectMany(condition => Of(condition, isTrue))),
            _ => isTrue(tree)
                ? AlreadyTrue
                :
                [
                    [tree],
                ],
        };

    /// <summary>All conditions of two sets; of two of the same kind the harder alone.</summary>
    private static IReadOnlyList<Prerequisite> Both(
        IReadOnlyList<Prerequisite> one,
        IReadOnlyList<Prerequisite> other
    )
    {
        Prerequisite[] all = [.. one, .. other];
        return
        [
            .. all.Where(
                (condition, i) =>
                    !all.Where(
                            (harder, j) =>
                                j != i && Implies(harder, condition) && (j < i || !Implies(condition, harder))
                        )
                        .Any()
            ),
        ];
    }

    private static List<IReadOnlyList<Prerequisite>> Minimal(IEnumerable<IReadOnlyList<Prerequisite>> sets)
    {
        var minimal = new List<IReadOnlyList<Prerequisite>>();
        // A set that makes another superfluous is no larger: each of its conditions follows from a different one.
        foreach (var set in sets.OrderBy(set => set.Count))
            if (minimal.Count < Most && !minimal.Any(smaller => Follows(smaller, set)))
            {
                minimal.RemoveAll(other => Follows(set, other));
                minimal.Add(set);
            }
        return minimal;
    }

    /// <summary>Whether whoever meets a set meets another one, too.</summary>
    private static bool Follows(IReadOnlyList<Prerequisite> set, IReadOnlyList<Prerequisite> from) =>
        set.All(condition => from.Any(harder => Implies(harder, condition)));

    private static bool Implies(Prerequisite harder, Prerequisite condition) =>
        (harder, condition) switch
        {
            (Prerequisite.CourseTaken one, Prerequisite.CourseTaken other) => one.Course == other.Course
                && Rank(one.MinGrade) >= Rank(other.MinGrade),
            (Prerequisite.ExamTaken one, Prerequisite.ExamTaken other) => one.Exam == other.Exam
                && (one.MinScore ?? decimal.MinValue) >= (other.MinScore ?? decimal.MinValue),
            _ => false,
        };

    /// <summary>A minimum that is no grade we know is harder than any.</summary>
    private static int Rank(string? minGrade) =>
        minGrade is null ? (int)Grade.D
        : !Grades.TryParse(minGrade, out var grade) ? int.MaxValue
        : grade == Grade.Passed ? (int)Grade.C
        : Math.Max((int)grade, (int)Grade.D);
}
