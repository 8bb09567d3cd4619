using System.Numerics;
using HourGrid.Core.Engine.Compiling;

namespace HourGrid.Core.Engine.Counting;

/// <summary>In how many timetables each option stands, from one pass down and one pass up the layers of a count.</summary>
/// <typeparam name="T">A whole number that holds the count of all.</typeparam>
internal sealed unsafe class OptionCounts<T>
    where T : struct, IBinaryInteger<T>
{
    private const int StatesAtATime = 16;

    private readonly Problem problem;
    private readonly StateLayers layers;
    private readonly T[][] above;

    private OptionCounts(Problem problem, StateLayers layers)
    {
        this.problem = problem;
        this.layers = layers;
        above = [.. layers.Layers.Select(layer => new T[layer.Count])];
        above[0][0] = T.One;
    }

    /// <summary>By level and option; fewer than there are where the limit stopped the pass.</summary>
    public static (T[][] Counts, bool IsExact) Of(Problem problem, StateLayers layers, WorkLimit limit)
    {
        var pass = new OptionCounts<T>(problem, layers);
        var counts = Zero(problem);
        pass.GoDown(counts);
        return (counts, pass.CountFrontier(counts, limit));
    }

    private static T[][] Zero(Problem problem) => [.. problem.Levels.Select(level => new T[level.Options.Count])];

    /// <summary>Ways above every state, and what stands on the choices between layers.</summary>
    private void GoDown(T[][] counts)
    {
        for (var l = 0; l < layers.Layers.Count - 1; l++)
        {
            var layer = layers.Layers[l];
            var below = layers.Layers[l + 1].Below;
            T[] ways = [.. problem.Levels[layer.Level].Options.Select(option => T.CreateTruncating(option.Ways))];
            var its = counts[layer.Level];
            for (var state = 0; state < layer.Count; state++)
            {
                var options = layer.Choices.OptionsOf(state);
                var next = layer.Choices.NextOf(state);
                for (var choice = 0; choice < options.Length; choice++)
                {
                    var weight = above[l][state] * ways[options[choice]];
                    above[l + 1][next[choice]] += weight;
                    its[options[choice]] += weight * T.CreateTruncating(below[next[choice]].Timetables);
                }
            }
        }
    }

    private bool CountFrontier(T[][] counts, WorkLimit limit)
    {
        var frontier = layers.Frontier;
        var weights = above[^1];
        var taken = 0;
        var isExact = true;
        Shared.Run(
            frontier.Count < StatesAtATime ? 1 : Environment.ProcessorCount,
            _ =>
            {
                using var choosing = new Choosing(problem);
                var own = Zero(problem);
                var tail = new TailOptionCounts<T>(choosing, own, limit);
                while (!tail.IsStopped)
                {
                    var from = Interlocked.Add(ref taken, StatesAtATime) - StatesAtATime;
                    if (from >= frontier.Count)
                        break;
                    for (var state = from; state < Math.Min(from + StatesAtATime, frontier.Count); state++)
                        tail.Count(frontier.Level, frontier.State(state), weights[state]);
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
