using System.Numerics;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;

namespace HourGrid.Core.Engine.Answers;

/// <summary>
/// All timetables of a problem in one fixed order, reached by number and never listed: week shape after week shape,
/// and within a week shape its look-alikes.
/// </summary>
/// <remarks>
/// Numbering is by counts. At each level the timetables below the options skipped are added up: above the frontier they
/// are known from the count, below it they are counted again. Where bundles of the same hours differ in credits and
/// credits are bounded, they are walked as week shapes of their own. Safe for many threads; they take turns.
/// </remarks>
public sealed unsafe class TimetableWalk
{
    private readonly Problem problem;
    private readonly TimetableCount count;
    private readonly CompletionCounter? counter;
    private readonly ulong[][] path;
    private readonly Lock gate = new();

    /// <param name="problem">What to walk through.</param>
    /// <param name="cancellation">Stops the counting.</param>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    /// <exception cref="AskTooLargeException">There are more than 128 bits count.</exception>
    public TimetableWalk(Problem problem, CancellationToken cancellation = default)
    {
        this.problem = problem;
        count = Counts.Count(problem, [Root.Of(problem, Lifted.None(problem.Wishes.Count))], new(null, cancellation));
        cancellation.ThrowIfCancellationRequested();
        counter = count.Layers is { } layers ? new(layers.Choosing, WorkLimit.None) : null;
        path =
        [
            .. Enumerable
                .Range(0, problem.Levels.Count + 1)
                .Select(_ => GC.AllocateArray<ulong>(problem.Layout.WordCount + 1, pinned: true)),
        ];
    }

    /// <summary>The problem walked through.</summary>
    public Problem Problem => problem;

    /// <summary>How many there are.</summary>
    public Tally Total => count.Total;

    /// <summary>Bytes it holds, about.</summary>
    public long Size => 4096 + problem.Words.LongLength * 8 + (count.Layers?.Layers.Sum(layer => layer.Size) ?? 0);

    /// <summary>The timetable at a place among all timetables.</summary>
    /// <param name="number">From 0 to <see cref="Total"/>'s timetables less one.</param>
    public WalkedTimetable At(UInt128 number)
    {
        ArgumentOutOfRangeException.ThrowIfGreaterThanOrEqual(number, Total.Timetables);
        lock (gate)
            return Descend(new SkipTimetables(number));
    }

    /// <summary>The first timetables of a run of week shapes.</summary>
    /// <param name="first">The first week shape's place; past the end gives none.</param>
    /// <param name="most">How many at most.</param>
    public IReadOnlyList<WalkedTimetable> Shapes(UInt128 first, int most)
    {
        ArgumentOutOfRangeException.ThrowIfNegative(most);
        var left = first < Total.WeekShapes ? Total.WeekShapes - first : 0;
        var found = new WalkedTimetable[(int)UInt128.Min((UInt128)most, left)];
        lock (gate)
            for (var i = 0; i < found.Length; i++)
                found[i] = Descend(new SkipShapes(first + (UInt128)i));
        return found;
    }

    /// <summary>
    /// A timetable that holds as many of these sections as it can, course by course in the order of the levels; the
    /// first one when none of them can be held. Null when there is no timetable.
    /// </summary>
    /// <param name="held">The sections to hold.</param>
    public WalkedTimetable? Nearest(IReadOnlyCollection<RegistrationNumber> held)
    {
        if (Total.Timetables == 0)
            return null;
        lock (gate)
            return Descend(new HoldSections(held.ToHashSet()));
    }

    private WalkedTimetable Descend(IPathChoice choice)
    {
        var at = new Place(0, Tally.None, 1, true);
        if (count.Layers!.Frontier.Level == 0)
            Enter(0);
        var chosen = new CourseOption[problem.Levels.Count];
        for (var level = 0; level < chosen.Length; level++)
            (chosen[level], at) = Step(level, at, choice);
        var alikeNumber = choice.AlikeNumber(at.Skipped, chosen);
        return new(
            new Timetable(BundlesOf(chosen, alikeNumber)),
            at.Skipped.Timetables + alikeNumber,
            at.Skipped.WeekShapes,
            alikeNumber,
            at.Alike
        );
    }

    /// <summary>Chooses one option of a level, and adds up what lies below the options before it.</summary>
    private (CourseOption Option, Place Next) Step(int level, Place at, IPathChoice choice)
    {
        (int Option, int State)? first = null;
        var skipped = at.Skipped;
        var course = problem.Levels[level];
        foreach (var (number, state) in ChoicesAt(level, at.State))
        {
            var option = course.Options[number];
            var below = Below(level, number, state);
            // Leaving every course out is not a timetable; it is the last path of all.
            if (at.HoldsNothing && option.IsAbsent && count.Roots[0].HoldsNothing)
                below = new(below.Timetables - 1, below.WeekShapes - 1);
            if (below.Timetables == 0)
                continue;
            var weight = new Tally(below.Timetables * at.Alike * (UInt128)option.Ways, below.WeekShapes);
            if (choice.Takes(course, option, skipped, weight))
                return Take(level, number, state, at with { Skipped = skipped });
            first ??= (number, state);
            skipped += weight;
        }
        // Nothing suited the choice: the first option that leads somewhere, before which nothing was skipped.
        var fallback = first ?? throw new InvalidOperationException("A state with completions had no choice.");
        return Take(level, fallback.Option, fallback.State, at);
    }

    private (CourseOption Option, Place Next) Take(int level, int number, int state, Place at)
    {
        var frontier = count.Layers!.Frontier.Level;
        var option = problem.Levels[level].Options[number];
        if (level + 1 == frontier)
            Enter(state);
        else if (level >= frontier)
            Choose(level, number);
        return (option, new(state, at.Skipped, at.Alike * (UInt128)option.Ways, at.HoldsNothing && option.IsAbsent));
    }

    /// <summary>The options open at a level: their number and, above the frontier, the state each leads to.</summary>
    private List<(int Option, int State)> ChoicesAt(int level, int state)
    {
        var layers = count.Layers!;
        var choices = new List<(int, int)>();
        if (level < layers.Frontier.Level)
        {
            var its = layers.Layers[level].Choices;
            for (var choice = 0; choice < its.OptionsOf(state).Length; choice++)
                choices.Add((its.OptionsOf(state)[choice], its.NextOf(state)[choice]));
            return choices;
        }
        var first = problem.Layout.First;
        for (var word = first[level]; word < first[level + 1]; word++)
        for (var bits = path[level][word]; bits != 0; bits &= bits - 1)
            choices.Add((((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits), -1));
        return choices;
    }

    private Tally Below(int level, int option, int state)
    {
        var layers = count.Layers!;
        if (level < layers.Frontier.Level)
            return layers.Layers[level + 1].Below[state];
        if (!Choose(level, option))
            return Tally.None;
        fixed (ulong* next = path[level + 1])
            return counter!.Below(level + 1, next);
    }

    private bool Choose(int level, int option)
    {
        fixed (ulong* state = path[level])
        fixed (ulong* next = path[level + 1])
            return count.Layers!.Choosing.Choose(level, option, state, next);
    }

    /// <summary>Goes on from a state of the frontier, below which the path is kept state by state.</summary>
    private void Enter(int state)
    {
        var frontier = count.Layers!.Frontier;
        var from = problem.Layout.First[frontier.Level];
        new ReadOnlySpan<ulong>(frontier.State(state) + from, problem.Layout.WordCount - from).CopyTo(
            path[frontier.Level].AsSpan(from)
        );
    }

    /// <summary>The bundles of a week shape's n-th look-alike: n written in the mixed base of the bundle counts.</summary>
    private Bundle[] BundlesOf(CourseOption[] chosen, UInt128 alikeNumber)
    {
        var byCourse = new Dictionary<CoursePlay, Bundle>();
        for (var level = chosen.Length - 1; level >= 0; level--)
        {
            var (rest, digit) = UInt128.DivRem(alikeNumber, (UInt128)chosen[level].Ways);
            if (!chosen[level].IsAbsent)
                byCourse[problem.Levels[level]] = chosen[level].Bundles[(int)digit];
            alikeNumber = rest;
        }
        return [.. problem.Courses.Where(byCourse.ContainsKey).Select(course => byCourse[course])];
    }

    /// <param name="State">The state's number in its layer; above the frontier only.</param>
    /// <param name="Skipped">What lies before.</param>
    /// <param name="Alike">In how many ways the options chosen can be taken.</param>
    /// <param name="HoldsNothing">Whether every course so far was left out.</param>
    private readonly record struct Place(int State, Tally Skipped, UInt128 Alike, bool HoldsNothing);
}
