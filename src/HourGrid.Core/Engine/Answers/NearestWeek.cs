using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Measures;
using HourGrid.Core.Rules;
using HourGrid.Core.Timetables;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>The week that comes nearest to an ask that has no timetable.</summary>
/// <param name="Timetable">The best timetable of those that go against the fewest rules; null where none was found.</param>
/// <param name="Measures">What it is like; null where none was found.</param>
/// <param name="Score">Its score: a course that is left out counts as wanted and not taken.</param>
/// <param name="Broken">The rules that it goes against, one or two.</param>
/// <param name="Marked">
/// Its sections that go against one of them: courses that do by themselves, else two together, else those without which the
/// rest would not.
/// </param>
/// <param name="IsExact">Whether the time sufficed to be sure that none is better.</param>
public sealed record NearestWeek(
    Timetable? Timetable,
    WeekMeasures? Measures,
    int Score,
    IReadOnlyList<Rule> Broken,
    IReadOnlySet<RegistrationNumber> Marked,
    bool IsExact
);

/// <summary>
/// Finds the nearest week: of each way out, which is a smallest set of rules to lift, the best timetable; of those the best.
/// </summary>
public static class NearestWeeks
{
    /// <param name="snapshot">The catalogue.</param>
    /// <param name="ask">The ask.</param>
    /// <param name="budget">How long it may take; null for as long as it takes.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <returns>The nearest week; null where the ask has a timetable, or no way out of one or two rules.</returns>
    /// <exception cref="AskRefusedException">The ask names what the catalogue does not have.</exception>
    /// <exception cref="AskTooLargeException">It is too large to be answered.</exception>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    public static NearestWeek? Of(
        CatalogueSnapshot snapshot,
        Ask ask,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        Problem.Check(snapshot, ask);
        var limit = new WorkLimit(budget, cancellation);
        var why = WhyNone.Of(snapshot, ask, limit);
        cancellation.ThrowIfCancellationRequested();
        if (why is null || why.WaysOut.Count == 0)
            return null;
        var (best, way, isExact) = BestOf(snapshot, ask, why.WaysOut, limit);
        cancellation.ThrowIfCancellationRequested();
        if (best is null)
            return new(null, null, 0, [], new HashSet<RegistrationNumber>(), false);
        var marked = Marked(snapshot, ask, best.Timetable, way, limit);
        return new(best.Timetable, best.Measures, best.Score, way, marked, isExact && why.IsExact);
    }

    private static (RankedTimetable? Best, IReadOnlyList<Rule> Way, bool IsExact) BestOf(
        CatalogueSnapshot snapshot,
        Ask ask,
        IReadOnlyList<WayOut> ways,
        WorkLimit limit
    )
    {
        RankedTimetable? best = null;
        IReadOnlyList<Rule> broken = [];
        try
        {
            var isExact = true;
            foreach (var way in ways)
            {
                var problem = Problem.Compile(snapshot, Without(ask, way.Rules), CompileScope.AskAlone, limit);
                var found = Best.Search(problem, 1, byShape: false, limit);
                isExact &= found.IsExact;
                if (found.Describe([.. found.Best.Take(1).Select((_, place) => place)], limit) is not [var one])
                    continue;
                if (best is null || IsBefore(one, best))
                    (best, broken) = (one, way.Rules);
            }
            return (best, broken, isExact);
        }
        catch (OperationCanceledException)
        {
            return (best, broken, false);
        }
    }

    /// <summary>The order of all timetables: by score, then by registration numbers.</summary>
    private static bool IsBefore(RankedTimetable one, RankedTimetable other)
    {
        if (one.Score != other.Score)
            return one.Score < other.Score;
        var (first, second) = (one.Timetable.Sections, other.Timetable.Sections);
        for (var i = 0; i < Math.Min(first.Count, second.Count); i++)
            if (first[i].Number.CompareTo(second[i].Number) is not 0 and var order)
                return order < 0;
        return first.Count < second.Count;
    }

    /// <summary>
    /// The ask without some rules. A must that is lifted may be left out: since no timetable has it, none does, and it
    /// counts as a course that is wanted and not taken.
    /// </summary>
    private static Ask Without(Ask ask, IReadOnlyList<Rule> rules) =>
        // The last of a list first: the places of those before it stay what they are.
        rules
            .OrderByDescending(rule => rule.Index)
            .Aggregate(ask, (now, rule) => IsMust(ask, rule) ? MayBeLeftOut(now, rule.Index) : rule.Without(now));

    private static bool IsMust(Ask ask, Rule rule) =>
        rule is CourseRule
        && ask.Wanted[rule.Index] is { Role: CourseRole.Must } wanted
        && EitherOrRule.Of(ask, wanted) is null;

    private static Ask MayBeLeftOut(Ask ask, int course) =>
        ask with
        {
            Wanted = [.. ask.Wanted.Select((one, i) => i == course ? one with { Role = CourseRole.IfItFits } : one)],
        };

    private static HashSet<RegistrationNumber> Marked(
        CatalogueSnapshot snapshot,
        Ask ask,
        Timetable timetable,
        IReadOnlyList<Rule> broken,
        WorkLimit limit
    )
    {
        var marked = new HashSet<RegistrationNumber>();
        try
        {
            foreach (var rule in broken.Where(rule => GoAgainst(timetable.Bundles, rule)))
            foreach (var bundle in Guilty(rule))
                marked.UnionWith(bundle.Sections.Select(section => section.Number));
        }
        catch (OperationCanceledException)
        {
            // The week is of use without its marks, too.
        }
        return marked;

        IEnumerable<Bundle> Guilty(Rule rule)
        {
            var bundles = timetable.Bundles;
            Bundle[] alone = [.. bundles.Where(bundle => GoAgainst([bundle], rule))];
            if (alone.Length > 0)
                return alone;
            Bundle[] pairs =
            [
                .. bundles
                    .SelectMany((one, i) => bundles.Skip(i + 1).Select(other => new[] { one, other }))
                    .Where(pair => GoAgainst(pair, rule))
                    .SelectMany(pair => pair),
            ];
            return pairs.Length > 0
                ? pairs
                : bundles.Where(bundle => !GoAgainst([.. bundles.Where(other => other != bundle)], rule));
        }

        bool GoAgainst(IReadOnlyList<Bundle> bundles, Rule rule) =>
            bundles.Count > 0
            && new HeldSections(
                snapshot,
                bundles.SelectMany(bundle => bundle.Sections).Select(section => section.Number).ToHashSet()
            )
                .RulesBroken(ask, limit)
                .Contains(rule);
    }
}
