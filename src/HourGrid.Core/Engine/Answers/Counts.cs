using HourGrid.Core.Asking;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>How many timetables and week shapes an ask has.</summary>
/// <param name="Total">The count; at least so many there are, where it is not exact.</param>
/// <param name="IsExact">Whether there are no more.</param>
/// <param name="Estimate">How many there may be; null where the count is exact.</param>
public sealed record CountAnswer(Count128 Total, bool IsExact, Estimate? Estimate);

/// <summary>Counts timetables and week shapes.</summary>
public static class Counts
{
    /// <summary>The share of the time that is kept for an estimate.</summary>
    private const double EstimateShare = 0.3;

    /// <summary>The relative error at which an estimate is good enough for who cannot wait.</summary>
    private const double GoodEnough = 0.025;

    /// <summary>Counts exactly where the budget allows it; past it, says what is certain and estimates the rest.</summary>
    /// <param name="problem">What is asked.</param>
    /// <param name="budget">How long it may take; null for as long as it takes.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    /// <exception cref="AskTooLargeException">There are more than 128 bits count.</exception>
    public static CountAnswer Of(Problem problem, TimeSpan? budget = null, CancellationToken cancellation = default)
    {
        var answer = OrAbout(problem, new WorkLimit(budget, cancellation));
        cancellation.ThrowIfCancellationRequested();
        return answer;
    }

    /// <summary>The count; where it cannot be finished in time, about how many there are as well.</summary>
    internal static CountAnswer OrAbout(Problem problem, WorkLimit limit)
    {
        var root = Root.Of(problem, Lifted.None(problem.Rules.Count));
        var answer = Of(problem, root, limit.Leaving(EstimateShare));
        return answer.IsExact ? answer : answer with { Estimate = Estimating.Of(problem, root, limit) };
    }

    /// <summary>About how many timetables there are, without counting them: for what cannot wait for the count.</summary>
    /// <param name="problem">What is asked.</param>
    /// <param name="budget">How long it may take; less where an estimate is good enough before.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <returns>Null where the time did not suffice to say anything.</returns>
    /// <exception cref="OperationCanceledException">The token was cancelled.</exception>
    public static Estimate? About(Problem problem, TimeSpan budget, CancellationToken cancellation = default)
    {
        var root = Root.Of(problem, Lifted.None(problem.Rules.Count));
        var estimate = Estimating.Of(problem, root, new WorkLimit(budget, cancellation), GoodEnough);
        cancellation.ThrowIfCancellationRequested();
        return estimate;
    }

    internal static CountAnswer Of(Problem problem, Root root, WorkLimit limit)
    {
        using var count = Count(problem, [root], limit);
        if (!problem.HasCreditVariants)
            return new(count.Total, count.IsExact, null);
        var shapes = ShapeSets.Count(problem, root, limit);
        return new(count.Total with { WeekShapes = shapes }, count.IsExact && !limit.IsOver(), null);
    }

    /// <param name="problem">What is asked.</param>
    /// <param name="roots">Where to start.</param>
    /// <param name="limit">How long it may take.</param>
    /// <param name="levelsBelow">
    /// How many levels are left to the search below the layers. To count three as sets takes less than to find out
    /// which states of the second-last are the same.
    /// </param>
    internal static TimetableCount Count(
        Problem problem,
        IReadOnlyList<Root> roots,
        WorkLimit limit,
        int levelsBelow = 3
    )
    {
        try
        {
            return TimetableCount.Of(problem, roots, levelsBelow, limit);
        }
        catch (OverflowException)
        {
            throw new AskTooLargeException(AskExcess.Timetables);
        }
    }
}
