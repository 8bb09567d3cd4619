using Google.OrTools.Sat;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Requirements;
using HourGrid.Core.Requirements.Ahead;

namespace HourGrid.Bench.Peers;

/// <summary>
/// The least number of terms by CP-SAT with one worker: a variable a course and term, one a leaf and course. For records in
/// which nothing counts yet, and prerequisites of single courses.
/// </summary>
internal static class TermsAheadSolver
{
    /// <summary>The least number of terms; null where there is none, or a minute did not suffice.</summary>
    public static int? Solve(TermsAheadQuestion question)
    {
        var model = new CpModel();
        var courses = question.Courses.Catalogue;
        var inTerm = courses
            .Select(course =>
                Enumerable
                    .Range(1, question.Terms)
                    .Select(number => question.Cycle.Offers(course, number) ? (BoolVar?)model.NewBoolVar("") : null)
                    .ToArray()
            )
            .ToArray();
        var place = courses.Index().ToDictionary(one => one.Item.Id, one => one.Index);
        var last = model.NewIntVar(0, question.Terms, "last");
        for (var course = 0; course < courses.Count; course++)
        {
            model.AddAtMostOne(inTerm[course].OfType<BoolVar>());
            for (var number = 1; number <= question.Terms; number++)
            {
                if (inTerm[course][number - 1] is not { } its)
                    continue;
                model.Add(last >= number).OnlyEnforceIf(its);
                if (courses[course].Prerequisites is Prerequisite.CourseTaken before)
                    model
                        .Add(LinearExpr.Sum(inTerm[place[before.Course]].Take(number - 1).OfType<BoolVar>()) >= 1)
                        .OnlyEnforceIf(its);
            }
        }
        if (question.Maximum is { } maximum)
        {
            for (var number = 1; number <= question.Terms; number++)
            {
                var there = Enumerable
                    .Range(0, courses.Count)
                    .Where(course => inTerm[course][number - 1] is not null)
                    .ToArray();
                model.Add(
                    LinearExpr.WeightedSum(
                        there.Select(course => inTerm[course][number - 1]!),
                        there.Select(course => (long)courses[course].Credits.Min.Hundredths)
                    ) <= maximum.Hundredths
                );
            }
            model.Add(last * maximum.Hundredths >= question.Programme.Credits.Hundredths);
        }
        var given = new Dictionary<(string Pool, int Course), List<BoolVar>>();
        Complete(question.Programme.Root, model.TrueLiteral());
        foreach (var ((_, course), its) in given)
            model.Add(LinearExpr.Sum(its) <= LinearExpr.Sum(inTerm[course].OfType<BoolVar>()));
        model.Minimize(last);
        var solver = new CpSolver { StringParameters = "num_workers:1 max_time_in_seconds:60" };
        return solver.Solve(model) == CpSolverStatus.Optimal ? (int)Math.Round(solver.ObjectiveValue) : null;

        void Complete(Requirement node, ILiteral isNeeded)
        {
            switch (node)
            {
                case Requirement.All all:
                    foreach (var part in all.Of)
                        Complete(part, isNeeded);
                    break;
                case Requirement.Any any:
                    var taken = any.Of.Select(_ => model.NewBoolVar("")).ToArray();
                    model.Add(LinearExpr.Sum(taken) >= any.Take).OnlyEnforceIf(isNeeded);
                    for (var part = 0; part < taken.Length; part++)
                        Complete(any.Of[part], taken[part]);
                    break;
                case Requirement.Leaf leaf:
                    var its = new List<BoolVar>();
                    var gains = new List<long>();
                    for (var course = 0; course < courses.Count; course++)
                    {
                        if (!leaf.From.Admits(question.Courses[courses[course].Id]))
                            continue;
                        var one = model.NewBoolVar("");
                        its.Add(one);
                        gains.Add(
                            leaf.Need is LeafNeed.Courses so
                                ? so.Each.Hundredths
                                : courses[course].Credits.Min.Hundredths
                        );
                        if (!given.TryGetValue((leaf.Counting, course), out var all2))
                            given[(leaf.Counting, course)] = all2 = [];
                        all2.Add(one);
                    }
                    model
                        .Add(LinearExpr.WeightedSum(its, gains) >= leaf.Need.Total.Hundredths)
                        .OnlyEnforceIf(isNeeded);
                    break;
                default:
                    throw new ArgumentOutOfRangeException(nameof(node));
            }
        }
    }
}
