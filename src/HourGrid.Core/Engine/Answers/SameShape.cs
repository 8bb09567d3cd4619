using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Measures;
using HourGrid.Core.Timetables;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>The timetables that share one week shape: they differ in sections, and in nothing the grid shows.</summary>
/// <param name="problem">What is asked.</param>
public sealed class SameShape(Problem problem)
{
    /// <summary>Timetables that are looked through for the best of them.</summary>
    public const int MostLookedThrough = 20_000;

    private readonly Dictionary<Bundle, Bundle[]> mates = MatesOf(problem);
    private readonly CreditBounds bounds = problem.Ask.Credits;

    /// <summary>The timetable of just these sections; null where they are none of the ask's.</summary>
    /// <param name="sections">Registration numbers.</param>
    public Timetable? Find(IReadOnlySet<RegistrationNumber> sections)
    {
        var bundles = problem
            .Courses.Select(course =>
                course.Bundles.FirstOrDefault(bundle => bundle.Sections.All(one => sections.Contains(one.Number)))
            )
            .OfType<Bundle>()
            .ToArray();
        return bundles.Length > 0 && bundles.Sum(bundle => bundle.Sections.Count) == sections.Count
            ? new(bundles)
            : null;
    }

    /// <summary>How many timetables have the week shape of one of the ask's timetables, itself among them.</summary>
    public UInt128 Count(Timetable timetable)
    {
        // By credits so far, in how many ways.
        var ways = new Dictionary<Credits, UInt128> { [default] = 1 };
        foreach (var bundle in timetable.Bundles)
        {
            var next = new Dictionary<Credits, UInt128>();
            foreach (var (credits, count) in ways)
            foreach (var group in mates[bundle].GroupBy(mate => mate.Credits))
                next[credits + group.Key] =
                    next.GetValueOrDefault(credits + group.Key) + count * (UInt128)group.Count();
            ways = next;
        }
        return ways.Where(way => IsWithin(way.Key)).Aggregate(UInt128.Zero, (sum, way) => sum + way.Value);
    }

    /// <summary>The best timetables of a week shape, in the order of all timetables.</summary>
    /// <param name="timetable">One of the ask's timetables that has it.</param>
    /// <param name="most">How many at most.</param>
    /// <param name="budget">How long it may take; null for as long as it takes.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <returns>
    /// Ranked among themselves; exact unless there are more than <see cref="MostLookedThrough"/>, or time was up before all
    /// were looked through.
    /// </returns>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    public BestAnswer Best(
        Timetable timetable,
        int most,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        ArgumentOutOfRangeException.ThrowIfNegative(most);
        var limit = new WorkLimit(budget, cancellation);
        var measures = new TimetableMeasurer(problem.Snapshot, problem.Ask);
        var found = new List<(Timetable Timetable, WeekMeasures Measures, int Score)>();
        var isExact = true;
        foreach (var one in All(timetable))
        {
            // The first in any case: there is one.
            isExact = found.Count == 0 || (found.Count < MostLookedThrough && !limit.IsOver());
            if (!isExact)
                break;
            var measured = measures.Of(one);
            found.Add((one, measured, measured.Score(problem.Ask.Weights, problem.Courses.Count)));
        }
        cancellation.ThrowIfCancellationRequested();
        var ranked = found
            .OrderBy(one => one.Score)
            .ThenBy(one => one.Timetable.Sections, SectionLists.Comparer)
            .Take(most)
            .Select((one, i) => new RankedTimetable(i + 1, one.Score, one.Timetable, one.Measures));
        return new([.. ranked], isExact);
    }

    private IEnumerable<Timetable> All(Timetable timetable)
    {
        var choices = timetable.Bundles.Select(bundle => mates[bundle]).ToArray();
        return Combinations(choices, 0).Select(bundles => new Timetable(bundles)).Where(one => IsWithin(one.Credits));
    }

    private static IEnumerable<Bundle[]> Combinations(Bundle[][] choices, int from) =>
        from == choices.Length
            ?
            [
                [],
            ]
            : choices[from]
                .SelectMany(first => Combinations(choices, from + 1), (first, rest) => (Bundle[])[first, .. rest]);

    private bool IsWithin(Credits credits) =>
        !(credits.Hundredths < bounds.Min?.Hundredths) && !(credits.Hundredths > bounds.Max?.Hundredths);

    private static Dictionary<Bundle, Bundle[]> MatesOf(Problem problem)
    {
        var mates = new Dictionary<Bundle, Bundle[]>(ReferenceEqualityComparer.Instance);
        foreach (var course in problem.Courses)
        foreach (var shape in course.Options.Where(option => !option.IsAbsent).GroupBy(option => option.Shape))
        {
            Bundle[] all = [.. shape.SelectMany(option => option.Bundles)];
            foreach (var bundle in all)
                mates[bundle] = all;
        }
        return mates;
    }
}
