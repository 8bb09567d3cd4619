using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Rules;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>
/// Counts of one ask with rules lifted. All that lift no way between classes are root states of one problem and are
/// counted together: what they have in common, which is most of it, is counted once.
/// </summary>
internal static class LiftedCounts
{
    /// <summary>The count of the ask without the rules of each set; in the order of the sets.</summary>
    /// <param name="snapshot">The catalogue.</param>
    /// <param name="ask">The ask.</param>
    /// <param name="sets">Sets of one or two rules of the ask.</param>
    /// <param name="limit">How long it may take.</param>
    /// <returns>The counts, and whether they are exact.</returns>
    public static (UInt128[] Counts, bool IsExact) Of(
        CatalogueSnapshot snapshot,
        Ask ask,
        IReadOnlyList<Rule[]> sets,
        WorkLimit limit
    )
    {
        var counts = new UInt128[sets.Count];
        var isExact = true;
        // Which meetings conflict is compiled into the rows, so lifting travel or minutes between is another problem.
        int[][] groups =
        [
            .. Enumerable
                .Range(0, sets.Count)
                .GroupBy(set => string.Join(' ', sets[set].OfType<ConflictRule>().Select(rule => rule.Path)))
                .Select(group => group.ToArray()),
        ];
        // Compiling takes one thread, so the problems are compiled side by side.
        var problems = new Problem[groups.Length];
        ParallelRun.ForEach(groups.Length, i => problems[i] = Compile(groups[i]));
        foreach (var (group, problem) in groups.Zip(problems))
        {
            // What breaks a rule in every root is found once for all of them; so roots without one of the rules are apart.
            foreach (
                var part in group
                    .GroupBy(set => sets[set].Any(rule => problem.IsRule(rule)))
                    .Select(Enumerable.ToArray)
            )
                CountTogether(problem, part);
        }
        return (counts, isExact);

        void CountTogether(Problem problem, int[] group)
        {
            Root[] roots = [.. group.Select(set => RootOf(problem, sets[set], limit))];
            using var count = Counts.Count(problem.Narrowed(roots, limit), roots, limit);
            isExact &= count.IsExact;
            for (var i = 0; i < group.Length; i++)
                counts[group[i]] = count.Totals[i].Timetables;
        }

        Problem Compile(int[] group)
        {
            var part = sets[group[0]].OfType<ConflictRule>().Aggregate(ask, (now, rule) => rule.Without(now));
            var most = group.Max(set => sets[set].Count(rule => rule is not ConflictRule));
            return Problem.Compile(snapshot, part, new CompileScope(most), limit);
        }
    }

    private static Root RootOf(Problem problem, Rule[] rules, WorkLimit limit)
    {
        limit.ThrowIfOver();
        var lifted = Lifted.None(problem.Rules.Count);
        for (var id = 0; id < problem.Rules.Count; id++)
            lifted.Rules[id] = rules.Contains(problem.Rules[id]);
        return Root.Of(problem, lifted);
    }
}
