using System.Numerics;
using HourGrid.Core.Engine.Compiling;

namespace HourGrid.Core.Engine.Counting;

/// <summary>
/// The upper levels of a search, level by level: states that can be completed in the same ways are one. The last layer
/// is the frontier, below which the search goes depth first.
/// </summary>
/// <remarks>
/// What lies below a state depends on the state alone, so the number of timetables is the sum over the frontier of ways
/// above times completions below. It goes one layer further while states keep meeting, and stops at a bound of memory.
/// </remarks>
internal sealed unsafe class StateLayers
{
    /// <summary>Choices to a distinct state from which looking it up costs less than searching it again.</summary>
    private const double WorthMerging = 1.15;

    /// <summary>Words of states in one layer, at most: 24 MB.</summary>
    private const int MostWords = 3 << 20;

    /// <summary>Choices out of one layer, at most; 8 bytes each.</summary>
    private const int MostChoices = 3 << 20;

    private readonly List<StateLayer> layers = [];

    /// <param name="choosing">The problem, for one thread.</param>
    /// <param name="root">Where to start; not dead.</param>
    /// <param name="limit">Past it, no further layer is begun.</param>
    public StateLayers(Choosing choosing, Root root, WorkLimit limit)
    {
        var problem = choosing.Problem;
        Choosing = choosing;
        var first = NewLayer(problem, 0);
        fixed (ulong* state = root.State)
            first.Add(state, new(1, 1));
        layers.Add(first);
        var merging = double.PositiveInfinity;
        while (
            Frontier.Level < problem.Levels.Count - 2
            && (Frontier.Level < 2 || merging >= WorthMerging)
            && Next(Frontier, limit) is { } next
        )
        {
            merging = (double)Frontier.Choices.Count / Math.Max(1, next.Count);
            layers.Add(next);
        }
    }

    /// <summary>The layers, the root's first.</summary>
    public IReadOnlyList<StateLayer> Layers => layers;

    /// <summary>The last layer.</summary>
    public StateLayer Frontier => layers[^1];

    public Choosing Choosing { get; }

    /// <summary>Fills in what lies below every state above the frontier, once the frontier's is known.</summary>
    public void CountUpwards()
    {
        for (var l = layers.Count - 2; l >= 0; l--)
        {
            var layer = layers[l];
            var below = layers[l + 1].Below;
            var options = Choosing.Problem.Levels[layer.Level].Options;
            layer.Below = new Tally[layer.Count];
            for (var state = 0; state < layer.Count; state++)
            {
                var sum = Tally.None;
                for (var choice = layer.FirstChoice[state]; choice < layer.FirstChoice[state + 1]; choice++)
                {
                    var (option, next) = layer.Choices[choice];
                    sum += below[next].Times((uint)options[option].Ways);
                }
                layer.Below[state] = sum;
            }
        }
    }

    private static StateLayer NewLayer(Problem problem, int level)
    {
        var from = problem.Layout.First[level];
        var width = problem.Layout.WordCount - from;
        return new(level, from, width, MostWords / Math.Max(1, width));
    }

    /// <summary>The layer after one, or null when it would be too large or time is up.</summary>
    private StateLayer? Next(StateLayer layer, WorkLimit limit)
    {
        var problem = Choosing.Problem;
        var level = layer.Level;
        var next = NewLayer(problem, level + 1);
        var options = problem.Levels[level].Options;
        var first = problem.Layout.First;
        var scratch = Choosing.Scratch(level + 1);
        layer.FirstChoice.Clear();
        layer.Choices.Clear();
        layer.FirstChoice.Add(0);
        for (var number = 0; number < layer.Count; number++)
        {
            var state = layer.State(number);
            for (var word = first[level]; word < first[level + 1]; word++)
            for (var bits = state[word]; bits != 0; bits &= bits - 1)
            {
                var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
                if (!Choosing.Choose(level, option, state, scratch))
                    continue;
                Choosing.Normalize(level + 1, scratch);
                var reached = next.Add(scratch, layer.Above[number].Times((uint)options[option].Ways));
                if (reached < 0 || layer.Choices.Count == MostChoices)
                    return Abandon(layer);
                layer.Choices.Add((option, reached));
            }
            if (limit.IsOver())
                return Abandon(layer);
            layer.FirstChoice.Add(layer.Choices.Count);
        }
        return next;
    }

    private static StateLayer? Abandon(StateLayer layer)
    {
        layer.FirstChoice.Clear();
        layer.Choices.Clear();
        return null;
    }
}
