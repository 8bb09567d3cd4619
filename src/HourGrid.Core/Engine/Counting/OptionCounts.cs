using System.Numerics;
using System.Runtime.CompilerServices;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Counting;

/// <summary>
/// In how many timetables each option stands: the ways above every state by one pass down the layers, what completes it
/// by one pass up, and all options below the frontier between the two.
/// </summary>
/// <typeparam name="T">A whole number that holds the count of all.</typeparam>
internal sealed unsafe class OptionCounts<T>
    where T : struct, IBinaryInteger<T>
{
    private const int StatesAtATime = 16;

    private readonly Problem problem;
    private readonly StateLayers layers;

    // By layer and state.
    private readonly T[][] above;
    private readonly T[][] below;

    private OptionCounts(Problem problem, StateLayers layers)
    {
        this.problem = problem;
        this.layers = layers;
        above = [.. layers.Layers.Select(layer => new T[layer.Count])];
        below = [.. layers.Layers.Select(layer => new T[layer.Count])];
        above[0][0] = T.One;
    }

    /// <summary>By level and option, and of all; fewer than there are where the limit stopped the pass.</summary>
    public static (T[][] Counts, T Total, bool IsExact) Of(Problem problem, StateLayers layers, WorkLimit limit)
    {
        var counts = Zero(problem);
        if (limit.IsOver())
            return (counts, T.Zero, false);
        var pass = new OptionCounts<T>(problem, layers);
        if (!pass.GoDown(limit))
            return (counts, T.Zero, false);
        var isExact = pass.CountFrontier(counts, limit.Leaving(0.5, layers.GoingOver));
        pass.GoUp(counts);
        return (counts, pass.below[0][0], isExact);
    }

    private static T[][] Zero(Problem problem) => [.. problem.Levels.Select(level => new T[level.Options.Count])];

    private T[] WaysOf(int level) =>
        [.. problem.Levels[level].Options.Select(option => T.CreateTruncating(option.Ways))];

    /// <summary>False when time is up before it is done.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private bool GoDown(WorkLimit limit)
    {
        var deadline = new Deadline(limit);
        for (var l = 0; l < layers.Layers.Count - 1; l++)
        {
            var layer = layers.Layers[l];
            var ways = WaysOf(layer.Level);
            for (var state = 0; state < layer.Count; state++)
            {
                var options = layer.Choices.OptionsOf(state);
                var next = layer.Choices.NextOf(state);
                if (deadline.HasPassedAfter(options.Length))
                    return false;
                for (var choice = 0; choice < options.Length; choice++)
                    above[l + 1][next[choice]] += above[l][state] * ways[options[choice]];
            }
        }
        return true;
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private void GoUp(T[][] counts)
    {
        for (var l = layers.Layers.Count - 2; l >= 0; l--)
        {
            var layer = layers.Layers[l];
            var ways = WaysOf(layer.Level);
            var ofLevel = counts[layer.Level];
            for (var state = 0; state < layer.Count; state++)
            {
                var options = layer.Choices.OptionsOf(state);
                var next = layer.Choices.NextOf(state);
                var sum = T.Zero;
                for (var choice = 0; choice < options.Length; choice++)
                {
                    var completions = ways[options[choice]] * below[l + 1][next[choice]];
                    ofLevel[options[choice]] += above[l][state] * completions;
                    sum += completions;
                }
                below[l][state] = sum;
            }
        }
    }

    private bool CountFrontier(T[][] counts, WorkLimit limit)
    {
        var frontier = layers.Frontier;
        var (weights, completions) = (above[^1], below[^1]);
        ulong[] columns;
        try
        {
            columns = problem.Levels.Count < 2 ? [] : TurnedRows.Of(problem, limit);
        }
        catch (OperationCanceledException)
        {
            return false;
        }
        var taken = 0;
        var isExact = true;
        ParallelRun.Of(
            frontier.Count < StatesAtATime ? 1 : Environment.ProcessorCount,
            _ =>
            {
                using var step = new StateStep(problem);
                var own = Zero(problem);
                var tail = new TailOptionCounts<T>(step, columns, own, limit);
                while (!tail.IsStopped)
                {
                    var from = Interlocked.Add(ref taken, StatesAtATime) - StatesAtATime;
                    if (from >= frontier.Count)
                        break;
                    for (var state = from; state < Math.Min(from + StatesAtATime, frontier.Count); state++)
                        completions[state] = tail.Count(frontier.Level, frontier.State(state), weights[state]);
                }
                lock (counts)
                {
                    isExact &= !tail.IsStopped;
                    for (var level = 0; level < counts.Length; level++)
                    for (var option = 0; option < counts[level].Length; option++)
                        counts[level][option] += own[level][option];
                }
            }
        );
        return isExact;
    }
}
