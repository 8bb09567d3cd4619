using System.Numerics;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Engine;

/// <summary>
/// All timetables of a problem in one fixed order, reached by number and never listed: week shape after week shape,
/// and within a week shape its look-alikes.
/// </summary>
/// <remarks>
/// Numbering is by counts. At each level the timetables below the shapes skipped are added up, so the way to the
/// n-th timetable is one path through what <see cref="Counting"/> remembers. Safe for many threads; they take turns.
/// </remarks>
public sealed class TimetableWalk
{
    private readonly Problem problem;
    private readonly Counting counting;
    private readonly ulong[] full;
    private readonly Lock gate = new();

    /// <param name="problem">What to walk through.</param>
    /// <param name="cancellation">Stops the counting.</param>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    public TimetableWalk(Problem problem, CancellationToken cancellation = default)
    {
        this.problem = problem;
        counting = new Counting(problem);
        full = problem.FullState();
        var anyDead = problem.Levels.Any(level => level.Shapes.Count == 0);
        Total = problem.Levels.Count == 0 || anyDead ? Tally.None : counting.Below(0, full, cancellation);
    }

    /// <summary>The problem walked through.</summary>
    public Problem Problem => problem;

    /// <summary>How many there are.</summary>
    public Tally Total { get; }

    /// <summary>The timetable at a place among all timetables.</summary>
    /// <param name="number">From 0 to <see cref="Total"/>'s timetables less one.</param>
    /// <param name="cancellation">Stops the search.</param>
    public WalkedTimetable At(UInt128 number, CancellationToken cancellation = default)
    {
        ArgumentOutOfRangeException.ThrowIfGreaterThanOrEqual(number, Total.Timetables);
        lock (gate)
            return Descend(new SkipTimetables(number), cancellation);
    }

    /// <summary>The first timetables of a run of week shapes.</summary>
    /// <param name="first">The first week shape's place; past the end gives none.</param>
    /// <param name="count">How many at most.</param>
    /// <param name="cancellation">Stops the search.</param>
    public IReadOnlyList<WalkedTimetable> Shapes(UInt128 first, int count, CancellationToken cancellation = default)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(count);
        var left = first < Total.WeekShapes ? Total.WeekShapes - first : 0;
        var found = new WalkedTimetable[(int)UInt128.Min((UInt128)count, left)];
        lock (gate)
            for (var i = 0; i < found.Length; i++)
                found[i] = Descend(new SkipShapes(first + (UInt128)i), cancellation);
        return found;
    }

    /// <summary>
    /// A timetable that holds as many of these sections as it can, course by course in the order of the levels; the
    /// first one when none of them can be held. Null when there is no timetable.
    /// </summary>
    /// <param name="held">The sections to hold.</param>
    /// <param name="cancellation">Stops the search.</param>
    public WalkedTimetable? Nearest(
        IReadOnlyCollection<RegistrationNumber> held,
        CancellationToken cancellation = default
    )
    {
        if (Total.Timetables == 0)
            return null;
        lock (gate)
            return Descend(new HoldSections([.. held]), cancellation);
    }

    private WalkedTimetable Descend(IPathChoice choice, CancellationToken cancellation)
    {
        var levels = problem.Levels;
        var chosen = new int[levels.Count];
        var state = full;
        var skipped = Tally.None;
        UInt128 alike = 1;
        for (var level = 0; level < levels.Count; level++)
        {
            var step = Step(level, state, alike, skipped, choice, cancellation);
            chosen[level] = step.Shape;
            state = step.Next;
            skipped = step.Skipped;
            alike *= (UInt128)levels[level].Shapes[step.Shape].Bundles.Count;
        }
        var alikeNumber = choice.AlikeNumber(skipped, levels, chosen);
        var timetable = new Timetable(BundlesOf(chosen, alikeNumber));
        return new(timetable, skipped.Timetables + alikeNumber, skipped.WeekShapes, alikeNumber, alike);
    }

    /// <summary>Chooses one shape of a level, and adds up what lies below the shapes before it.</summary>
    private (int Shape, ulong[] Next, Tally Skipped) Step(
        int level,
        ulong[] state,
        UInt128 alike,
        Tally skipped,
        IPathChoice choice,
        CancellationToken cancellation
    )
    {
        (int Shape, ulong[] Next, Tally Skipped)? fallback = null;
        var from = problem.FirstWord(level);
        for (var word = from; word < problem.FirstWord(level + 1); word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var number = (word - from) * 64 + BitOperations.TrailingZeroCount(bits);
            var next = new ulong[problem.WordCount];
            if (!counting.Choose(level, number, state, next))
                continue;
            var below = counting.Below(level + 1, next, cancellation);
            if (below.Timetables == 0)
                continue;
            var shape = problem.Levels[level].Shapes[number];
            var weight = new Tally(below.Timetables * alike * (UInt128)shape.Bundles.Count, below.WeekShapes);
            fallback ??= (number, next, skipped);
            if (choice.Takes(shape, skipped, weight))
                return (number, next, skipped);
            skipped = new(skipped.Timetables + weight.Timetables, skipped.WeekShapes + weight.WeekShapes);
        }
        return fallback ?? throw new InvalidOperationException("A state with completions offered no choice.");
    }

    /// <summary>The bundles of a week shape's n-th look-alike: n written in the mixed base of the bundle counts.</summary>
    private Bundle[] BundlesOf(int[] chosen, UInt128 alikeNumber)
    {
        var byCourse = new Dictionary<CoursePlay, Bundle>();
        for (var level = chosen.Length - 1; level >= 0; level--)
        {
            var bundles = problem.Levels[level].Shapes[chosen[level]].Bundles;
            var (rest, digit) = UInt128.DivRem(alikeNumber, (UInt128)bundles.Count);
            byCourse[problem.Levels[level]] = bundles[(int)digit];
            alikeNumber = rest;
        }
        return [.. problem.Courses.Select(course => byCourse[course])];
    }
}
