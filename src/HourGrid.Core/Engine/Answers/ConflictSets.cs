using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>
/// Finds sets of wishes that cannot live together. Lifting a course means that it may be left out, so that lifting more
/// never takes a timetable away.
/// </summary>
internal sealed class ConflictSets(CatalogueSnapshot snapshot, Ask ask, WorkLimit limit) : IDisposable
{
    /// <summary>Every wish that can rule a timetable out.</summary>
    public IReadOnlyList<Wish> Wishes { get; } = [.. Compiling.Wishes.Of(ask).Where(wish => wish.IsHard)];

    // By the wishes lifted that say which meetings conflict.
    private readonly Dictionary<string, Feasibility> problems = [];

    /// <summary>Whether there is a timetable with these wishes lifted.</summary>
    public bool HasTimetable(IReadOnlyCollection<Wish> lifted)
    {
        var conflictsLifted = Wishes
            .Where(wish => LiftedCounts.SetsConflicts(wish) && lifted.Contains(wish))
            .ToArray();
        var key = string.Join(' ', conflictsLifted.Select(wish => wish.Path));
        if (!problems.TryGetValue(key, out var feasibility))
        {
            var part = conflictsLifted.Aggregate(ask, Compiling.Wishes.Without);
            var problem = Problem.Compile(snapshot, part, CompileScope.AnyLifted, limit);
            problems[key] = feasibility = new Feasibility(problem, limit);
        }
        var its = feasibility.Problem.Wishes;
        var paths = lifted.Select(wish => wish.Path).ToHashSet();
        return feasibility.Has(new Lifted([.. its.Select(wish => paths.Contains(wish.Path))], MayLeaveOut: true));
    }

    /// <summary>
    /// A smallest set, by inclusion, of wishes that cannot live together, with some lifted from the start. Rules are
    /// lifted before courses, so that courses stay where either would do.
    /// </summary>
    public IReadOnlyList<Wish> Smallest(IReadOnlyCollection<Wish> liftedAlready)
    {
        var lifted = liftedAlready.ToHashSet();
        if (HasTimetable(lifted))
            return [];
        // Ways between classes first: each other answer then needs no problem of its own.
        var order = Wishes.Reverse().OrderBy(wish => LiftedCounts.SetsConflicts(wish) ? 0 : 1);
        foreach (var wish in order)
        {
            if (!lifted.Add(wish))
                continue;
            if (HasTimetable(lifted))
                lifted.Remove(wish);
        }
        return [.. Wishes.Where(wish => !lifted.Contains(wish))];
    }

    public void Dispose()
    {
        foreach (var feasibility in problems.Values)
            feasibility.Dispose();
    }
}
