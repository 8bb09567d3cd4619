using Google.OrTools.Sat;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements;

namespace HourGrid.Bench.Peers;

/// <summary>The audit by CP-SAT with one worker: a variable a pair of a leaf and a course, the three shortages one after the other.</summary>
internal static class AuditSolver
{
    private const int Levels = 3;

    /// <summary>What is short on the three levels, in hundredths of credits; null where a minute did not suffice.</summary>
    public static long[]? Solve(Programme programme, StudentRecord record, CourseBook courses)
    {
        var entries = CountedEntries.Of(record, courses);
        var model = new CpModel();
        var pairs = new List<(Requirement.Leaf Leaf, CourseId Course, CountedEntry Entry, BoolVar Given)>();
        foreach (var leaf in programme.Leaves)
        foreach (var (course, of) in entries)
            if (
                leaf.From.Admits(courses[course])
                && of.FirstOrDefault(entry => entry.Meets(leaf.MinGrade)) is { } best
            )
                pairs.Add((leaf, course, best, model.NewBoolVar("")));
        foreach (var rivals in pairs.GroupBy(pair => (pair.Leaf.Counting, pair.Course)))
            model.AddAtMostOne(rivals.Select(pair => pair.Given));
        var roots = Enumerable.Range(0, Levels).Select(level => ShortOf(programme.Root, level)).ToArray();
        var found = new long[Levels];
        for (var level = 0; level < Levels; level++)
        {
            model.Minimize(roots[level]);
            var solver = new CpSolver { StringParameters = "num_workers:1 max_time_in_seconds:60" };
            if (solver.Solve(model) != CpSolverStatus.Optimal)
                return null;
            found[level] = (long)Math.Round(solver.ObjectiveValue);
            model.Add(roots[level] <= found[level]);
        }
        return found;

        LinearExpr ShortOf(Requirement node, int level)
        {
            switch (node)
            {
                case Requirement.All all:
                    return LinearExpr.Sum(all.Of.Select(part => ShortOf(part, level)));
                case Requirement.Any any:
                    var costs = new List<LinearExpr>();
                    var taken = new List<BoolVar>();
                    foreach (var part in any.Of)
                    {
                        var isTaken = model.NewBoolVar("");
                        var cost = model.NewIntVar(0, 10_000_000, "");
                        model.Add(cost >= ShortOf(part, level)).OnlyEnforceIf(isTaken);
                        taken.Add(isTaken);
                        costs.Add(cost);
                    }
                    model.Add(LinearExpr.Sum(taken) == any.Take);
                    return LinearExpr.Sum(costs);
                case Requirement.Leaf leaf:
                    var need = leaf.Need.Total.Hundredths;
                    var missing = model.NewIntVar(0, Math.Max(0, need), "");
                    var its = pairs
                        .Where(pair => pair.Leaf == leaf && (int)pair.Entry.Status <= Levels - 1 - level)
                        .ToArray();
                    model.Add(
                        missing
                            >= need
                                - LinearExpr.WeightedSum(
                                    its.Select(pair => pair.Given),
                                    its.Select(pair => GainOf(leaf, pair.Entry))
                                )
                    );
                    return missing;
                default:
                    throw new ArgumentOutOfRangeException(nameof(node));
            }
        }
    }

    private static long GainOf(Requirement.Leaf leaf, CountedEntry entry) =>
        leaf.Need is LeafNeed.Courses courses ? courses.Each.Hundredths : entry.Credits.Hundredths;
}
