using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Rules;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>
/// Finds sets of rules that cannot live together. Lifting a course means that it may be left out, so that lifting more
/// never takes a timetable away.
/// </summary>
internal sealed class ConflictSets(CatalogueSnapshot snapshot, Ask ask, WorkLimit limit) : IDisposable
{
    /// <summary>Every rule that can rule a timetable out.</summary>
    public IReadOnlyList<Rule> Rules { get; } = [.. RuleList.Of(ask).Where(rule => rule.IsHard)];

    // By the rules lifted that say which meetings conflict.
    private readonly Dictionary<string, Feasibility> problems = [];

    /// <summary>Whether there is a timetable with these rules lifted.</summary>
    public bool HasTimetable(IReadOnlyCollection<Rule> lifted)
    {
        var conflictsLifted = Rules.Where(rule => rule is ConflictRule && lifted.Contains(rule)).ToArray();
        var key = string.Join(' ', conflictsLifted.Select(rule => rule.Path));
        if (!problems.TryGetValue(key, out var feasibility))
        {
            var part = conflictsLifted.Aggregate(ask, (now, rule) => rule.Without(now));
            var problem = Problem.Compile(snapshot, part, CompileScope.AnyLifted, limit);
            problems[key] = feasibility = new Feasibility(problem, limit);
        }
        var rules = feasibility.Problem.Rules;
        var paths = lifted.Select(rule => rule.Path).ToHashSet();
        return feasibility.Has(new Lifted([.. rules.Select(rule => paths.Contains(rule.Path))], MayLeaveOut: true));
    }

    /// <summary>
    /// A smallest set, by inclusion, of rules that cannot live together, with some lifted from the start. Rules are
    /// lifted before courses, so that courses stay where either would do.
    /// </summary>
    public IReadOnlyList<Rule> Smallest(IReadOnlyCollection<Rule> liftedAlready)
    {
        var lifted = liftedAlready.ToHashSet();
        if (HasTimetable(lifted))
            return [];
        // Ways between classes first: each other answer then needs no problem of its own.
        var order = Rules.Reverse().OrderBy(rule => rule is ConflictRule ? 0 : 1);
        foreach (var rule in order)
        {
            if (!lifted.Add(rule))
                continue;
            if (HasTimetable(lifted))
                lifted.Remove(rule);
        }
        return [.. Rules.Where(rule => !lifted.Contains(rule))];
    }

    public void Dispose()
    {
        foreach (var feasibility in problems.Values)
            feasibility.Dispose();
    }
}
