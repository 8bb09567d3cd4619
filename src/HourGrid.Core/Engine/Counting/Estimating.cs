using System.Numerics;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Counting;

/// <summary>
/// Estimates counts by random paths: each level chooses among the options left, in proportion to how many options each
/// would leave the later levels, down to the last levels, which are counted. A path's count divided by its probability
/// is an unbiased sample (Knuth, "Estimating the efficiency of backtrack programs", 1975; with importance sampling as
/// Chen, "Heuristic sampling", 1992, suggests).
/// </summary>
internal sealed unsafe class Estimating
{
    private const int LeastSamples = 32;
    private const int MostSamples = 200_000;
    private const int LevelsCounted = 2;

    private readonly StateStep step;
    private readonly CompletionCounter counter;
    private readonly Deadline deadline;
    private readonly int[] first;
    private readonly double[][] chances;

    // The same ask gives the same sequence of paths; how many fit into the time is the machine's.
    private ulong random = 0x9E3779B97F4A7C15UL;

    private Estimating(StateStep step, WorkLimit limit)
    {
        this.step = step;
        counter = new(step, limit);
        deadline = new(limit);
        first = step.Problem.Layout.First;
        chances = [.. step.Problem.Levels.Select(level => new double[level.Options.Count])];
    }

    /// <summary>Samples until the time is up; null where it was too short to say anything.</summary>
    /// <param name="problem">What is asked.</param>
    /// <param name="root">Where to start.</param>
    /// <param name="limit">How long it may take.</param>
    /// <param name="goodEnough">The relative error that need not be bettered; 0 to take all the time there is.</param>
    public static Estimate? Of(Problem problem, Root root, WorkLimit limit, double goodEnough = 0)
    {
        if (root.IsDead || limit.IsOver())
            return null;
        using var step = new StateStep(problem);
        var estimating = new Estimating(step, limit);
        var samples = 0;
        double mean = 0;
        double squares = 0;
        while (samples < MostSamples && !limit.IsOver())
        {
            double sample;
            fixed (ulong* state = root.State)
                sample = estimating.Sample(0, state);
            if (estimating.IsStopped)
                break;
            // Welford, "Note on a method for calculating corrected sums of squares and products", 1962.
            samples++;
            var change = sample - mean;
            mean += change / samples;
            squares += change * (sample - mean);
            if (samples % LeastSamples == 0 && Error() <= goodEnough)
                break;
        }
        return samples < LeastSamples || mean == 0 ? null : new(mean, Error(), samples);

        double Error() => Math.Sqrt(squares / (samples - 1) / samples) / mean;
    }

    /// <summary>Whether the limit stopped it, so that its last sample is none.</summary>
    private bool IsStopped => counter.IsStopped || deadline.HasPassed;

    private double Sample(int level, ulong* state)
    {
        var problem = step.Problem;
        if (level >= problem.Levels.Count - LevelsCounted)
            return (double)counter.Below(level, state).Timetables;
        var next = step.Scratch(level + 1);
        var sum = Weigh(level, state, next);
        if (sum == 0)
            return 0;
        var (option, chance) = Draw(level, sum);
        step.Choose(level, option, state, next);
        return Sample(level + 1, next) * problem.Levels[level].Options[option].Ways / chance;
    }

    /// <summary>Weighs every option of a level; 0 for those that lead nowhere.</summary>
    private double Weigh(int level, ulong* state, ulong* next)
    {
        var weights = chances[level];
        Array.Clear(weights);
        var words = 2 * step.Problem.RowWords(level);
        var sum = 0.0;
        for (var word = first[level]; word < first[level + 1]; word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
            if (deadline.HasPassedAfter(words))
                return 0;
            if (!step.Choose(level, option, state, next))
                continue;
            double weight = step.Problem.Levels[level].Options[option].Ways;
            for (var later = level + 1; later < step.Problem.Levels.Count; later++)
            {
                var left = 0;
                for (var laterWord = first[later]; laterWord < first[later + 1]; laterWord++)
                    left += BitOperations.PopCount(next[laterWord]);
                weight *= left;
            }
            sum += weights[option] = weight;
        }
        return sum;
    }

    private (int Option, double Chance) Draw(int level, double sum)
    {
        // Marsaglia, "Xorshift RNGs", 2003.
        random ^= random << 13;
        random ^= random >> 7;
        random ^= random << 17;
        var at = (random >> 11) * (1.0 / (1UL << 53)) * sum;
        var weights = chances[level];
        var last = 0;
        for (var option = 0; option < weights.Length; option++)
        {
            if (weights[option] == 0)
                continue;
            last = option;
            at -= weights[option];
            if (at < 0)
                break;
        }
        return (last, weights[last] / sum);
    }
}
