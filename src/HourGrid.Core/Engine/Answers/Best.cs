using HourGrid.Core.Asking;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Ranking;
using HourGrid.Core.Measures;
using HourGrid.Core.Timetables;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>A timetable with its place among all.</summary>
/// <param name="Rank">Its place, the best being 1.</param>
/// <param name="Score">Its score; the lowest is the best.</param>
/// <param name="Timetable">The timetable.</param>
/// <param name="Measures">What it is like.</param>
public sealed record RankedTimetable(int Rank, int Score, Timetable Timetable, WeekMeasures Measures);

/// <summary>The best timetables of an ask.</summary>
/// <param name="Timetables">The best first; fewer than asked for where there are no more.</param>
/// <param name="IsExact">Whether no better one was left out.</param>
public sealed record BestAnswer(IReadOnlyList<RankedTimetable> Timetables, bool IsExact);

/// <summary>Finds the best timetables in the total order: by score, and then by registration numbers.</summary>
public static class Best
{
    /// <summary>The most that are ranked, with those passed over.</summary>
    public const int Most = 20_000;

    /// <summary>
    /// About what it takes to put a timetable that was found together with the others where the search was cut short, and
    /// as much again to describe it: the search ends so much earlier.
    /// </summary>
    private const double MicrosecondsOfOne = 4;

    /// <summary>The most of the time that is kept for each of the two.</summary>
    private const double MostOfTime = 0.25;

    /// <summary>The best timetables, or the best timetable of each of the best week shapes.</summary>
    /// <param name="problem">What is asked.</param>
    /// <param name="count">How many.</param>
    /// <param name="offset">How many of the best to pass over.</param>
    /// <param name="byShape">Whether each week shape stands once, at its best timetable.</param>
    /// <param name="budget">How long it may take; null for as long as it takes.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <exception cref="AskTooLargeException">More than <see cref="Most"/> are wanted.</exception>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    public static BestAnswer Of(
        Problem problem,
        int count,
        int offset = 0,
        bool byShape = false,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        ArgumentOutOfRangeException.ThrowIfNegative(count);
        ArgumentOutOfRangeException.ThrowIfNegative(offset);
        if (count > Most || offset > Most - count)
            throw new AskTooLargeException(AskExcess.Ranked, (int)Math.Min(int.MaxValue, (long)offset + count), Most);
        var limit = new WorkLimit(budget, cancellation);
        var found = Search(problem, offset + count, byShape, limit);
        var places = Enumerable.Range(offset, Math.Max(0, found.Best.Length - offset)).ToArray();
        var described = found.Describe(places, limit);
        cancellation.ThrowIfCancellationRequested();
        return new(described, found.IsExact && described.Length == places.Length);
    }

    internal static Ranking Search(Problem problem, int count, bool byShape, WorkLimit limit)
    {
        var ofAll = TimeSpan.FromMicroseconds(count * MicrosecondsOfOne);
        var searching = limit.Leaving(2 * MostOfTime, 2 * ofAll);
        var puttingTogether = limit.Leaving(MostOfTime, ofAll);
        var root = Root.Of(problem, Lifted.None(problem.Rules.Count));
        if (count == 0 || root.IsDead)
            return new(problem, null, [], true);
        try
        {
            var ranked = new RankedProblem(problem, searching);
            var (found, isExact) = SharedSearch.Run(ranked, root, count, byShape, searching, puttingTogether);
            return new(problem, ranked, found, isExact);
        }
        catch (OperationCanceledException)
        {
            return new(problem, null, [], false);
        }
    }
}

/// <summary>What a search for the best found.</summary>
internal sealed class Ranking(Problem problem, RankedProblem? ranked, Ranked[] best, bool isExact)
{
    /// <summary>So few are described by one thread.</summary>
    private const int FewToDescribe = 100;

    private const int DescribedAtATime = 32;

    public Ranked[] Best => best;

    public bool IsExact => isExact;

    /// <summary>Some of the best, with their ranks.</summary>
    /// <param name="places">Which, the best being 0.</param>
    /// <param name="limit">How long it may take.</param>
    /// <returns>In the order of the places; of the first ones alone, where the time did not suffice for all.</returns>
    public RankedTimetable[] Describe(IReadOnlyList<int> places, WorkLimit limit)
    {
        if (ranked is null)
            return [];
        var described = new RankedTimetable[places.Count];
        var taken = 0;
        ParallelRun.Of(
            Math.Clamp(places.Count / FewToDescribe, 1, Environment.ProcessorCount),
            _ =>
            {
                var measures = new RankedMeasures(ranked);
                // Some in any case: what was found is of no use otherwise.
                do
                {
                    var from = Interlocked.Add(ref taken, DescribedAtATime) - DescribedAtATime;
                    for (var i = from; i < Math.Min(from + DescribedAtATime, places.Count); i++)
                        described[i] = Describe(ranked, places[i], measures);
                } while (taken < places.Count && !limit.IsOver());
            }
        );
        // Those that were taken were described.
        return taken < places.Count ? described[..taken] : described;
    }

    private RankedTimetable Describe(RankedProblem of, int place, RankedMeasures measures)
    {
        var measured = measures.Of(best[place]);
        return new(
            place + 1,
            measured.Score(problem.Ask.Weights, problem.Courses.Count),
            TimetableOf(of, best[place]),
            measured
        );
    }

    private Timetable TimetableOf(RankedProblem of, Ranked timetable)
    {
        // Bundles stand in no order; a timetable's in the order of the ask.
        var byPlace = new Bundle?[problem.Ask.Wanted.Count];
        foreach (var bundle in timetable.Bundles)
            byPlace[bundle.Place] = bundle.Bundle;
        var bundles = new Bundle[timetable.Bundles.Length];
        var count = 0;
        foreach (var bundle in byPlace)
            if (bundle is not null)
                bundles[count++] = bundle;
        return new(bundles, of.Order.Of(timetable.Ranks));
    }
}
