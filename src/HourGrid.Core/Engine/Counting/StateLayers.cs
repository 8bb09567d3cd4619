using System.Numerics;
using System.Runtime.CompilerServices;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Counting;

/// <summary>
/// The upper levels of a search, level by level: states that can be completed in the same ways are one. The last layer
/// is the frontier, below which the search goes depth first.
/// </summary>
/// <remarks>
/// What lies below a state depends on the state alone, so each is searched once however many choices lead to it; the
/// deeper the layer, the more of them do. A layer is not begun when it would take too much memory.
/// </remarks>
internal sealed unsafe class StateLayers
{
    /// <summary>Words of states in one layer, at most: 24 MB.</summary>
    private const int MostWords = 3 << 20;

    /// <summary>Choices out of one layer, at most; 8 bytes each.</summary>
    private const int MostChoices = 3 << 20;

    /// <summary>Choices to a state in the layer before the last, on the average, for the last to be worth its making.</summary>
    private const double LeastShared = 2.5;

    /// <summary>States for each choice that leads to them, at most, that a layer is made with room for.</summary>
    private const double MostDistinct = 0.5;

    /// <summary>Most of it goes to waiting for memory.</summary>
    private const int NanosecondsPerChoice = 6;

    private readonly List<StateLayer> layers = [];
    private readonly List<int> rootStates = [];

    /// <param name="step">The problem, for one thread.</param>
    /// <param name="roots">Where to start, none of them dead; their counts share whatever they have in common.</param>
    /// <param name="levelsBelow">How many levels at least are left to the search below the frontier.</param>
    /// <param name="limit">Past it, no further layer is begun.</param>
    public StateLayers(StateStep step, IReadOnlyList<Root> roots, int levelsBelow, WorkLimit limit)
    {
        Step = step;
        var first = NewLayer(0, roots.Count);
        foreach (var root in roots)
        {
            root.State.AsSpan().CopyTo(new Span<ulong>(first.Room(), root.State.Length));
            step.Normalize(0, first.Room());
            rootStates.Add(first.Keep());
        }
        layers.Add(first);
        while (
            !limit.IsOver()
            && step.Problem.Levels.Count - levelsBelow - Frontier.Level is var left and > 0
            && (left > 1 || IsWorthAnother)
            && ChoicesAhead(Frontier) is var ahead and <= MostChoices
            && Next(Frontier, (int)ahead, limit) is { } next
        )
            layers.Add(next);
    }

    /// <summary>What comes of a root, once counted.</summary>
    public Count128 BelowRoot(int root) => layers[0].Below[rootStates[root]];

    /// <summary>The layers, the roots' first.</summary>
    public IReadOnlyList<StateLayer> Layers => layers;

    /// <summary>The last layer.</summary>
    public StateLayer Frontier => layers[^1];

    public StateStep Step { get; }

    /// <summary>
    /// How long it takes about to go over every choice once. What is found below the frontier is of no use without it, so
    /// it is kept of the time there is.
    /// </summary>
    public TimeSpan GoingOver =>
        TimeSpan.FromMicroseconds(layers.Sum(layer => (long)layer.Choices.Count) * NanosecondsPerChoice / 1000);

    /// <summary>Fills in what lies below every state above the frontier, once the frontier's is known.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public void CountUpwards()
    {
        for (var l = layers.Count - 2; l >= 0; l--)
        {
            var layer = layers[l];
            var below = layers[l + 1].Below;
            uint[] ways = [.. Step.Problem.Levels[layer.Level].Options.Select(option => (uint)option.Ways)];
            var fits64 = Step.Fits64(layer.Level);
            layer.PrepareBelow();
            for (var state = 0; state < layer.Count; state++)
            {
                var options = layer.Choices.OptionsOf(state);
                var next = layer.Choices.NextOf(state);
                layer.Below[state] = fits64 ? Sum64(options, next, below, ways) : Sum(options, next, below, ways);
            }
        }
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private static Count128 Sum64(ReadOnlySpan<int> options, ReadOnlySpan<int> next, Count128[] below, uint[] ways)
    {
        ulong timetables = 0;
        ulong shapes = 0;
        for (var choice = 0; choice < options.Length; choice++)
        {
            ref readonly var target = ref below[next[choice]];
            timetables += (ulong)target.Timetables * ways[options[choice]];
            shapes += (ulong)target.WeekShapes;
        }
        return new(timetables, shapes);
    }

    private static Count128 Sum(ReadOnlySpan<int> options, ReadOnlySpan<int> next, Count128[] below, uint[] ways)
    {
        var sum = Count128.None;
        for (var choice = 0; choice < options.Length; choice++)
            sum += below[next[choice]].Times(ways[options[choice]]);
        return sum;
    }

    /// <summary>Gives the memory back; nothing of it may be used after.</summary>
    public void Release()
    {
        foreach (var layer in layers)
            layer.Release();
        Step.Dispose();
    }

    /// <summary>
    /// Whether so many choices led to the same states that finding out which of the next are the same takes less than to
    /// search below each: the deeper the layer, the more there are.
    /// </summary>
    private bool IsWorthAnother => Distinct * LeastShared <= 1;

    /// <summary>States of the last layer for each choice that leads to them; fewer than that where there is no telling.</summary>
    private double Distinct => layers.Count < 2 ? 0 : Frontier.Count / Math.Max(1.0, layers[^2].Choices.Count);

    private StateLayer NewLayer(int level, int expected)
    {
        var layout = Step.Problem.Layout;
        return new(level, layout.First[level], layout.WordCount, MostWords, expected);
    }

    /// <summary>Options open to all states of a layer together; so many choices at most lead out of it.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private long ChoicesAhead(StateLayer layer)
    {
        var first = Step.Problem.Layout.First;
        var count = 0L;
        for (var number = 0; number < layer.Count; number++)
        for (var word = first[layer.Level]; word < first[layer.Level + 1]; word++)
            count += BitOperations.PopCount(layer.State(number)[word]);
        return count;
    }

    /// <summary>The layer after one, or null when it would be too large or time is up.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private StateLayer? Next(StateLayer layer, int ahead, WorkLimit limit)
    {
        var step = Step;
        var level = layer.Level;
        // The deeper the layer, the more choices lead to each of its states.
        var next = NewLayer(level + 1, (int)(ahead * Math.Min(MostDistinct, Distinct)));
        var choices = layer.Choices;
        choices.Reserve(ahead, layer.Count);
        var first = step.Problem.Layout.First;
        var (from, to) = (first[level], first[level + 1]);
        Span<int> options = stackalloc int[StateLayer.AtATime];
        Span<int> reached = stackalloc int[StateLayer.AtATime];
        var deadline = new Deadline(limit);
        var words = step.Problem.RowWords(level);
        for (var number = 0; number < layer.Count; number++)
        {
            choices.Begin();
            var state = layer.State(number);
            var written = 0;
            for (var word = from; word < to; word++)
            {
                if (deadline.HasPassedAfter((long)BitOperations.PopCount(state[word]) * words))
                    return Abandon(choices, next);
                if (written + BitOperations.PopCount(state[word]) > StateLayer.AtATime)
                {
                    if (!next.Keep(written, reached))
                        return Abandon(choices, next);
                    choices.Add(options[..written], reached);
                    written = 0;
                }
                for (var bits = state[word]; bits != 0; bits &= bits - 1)
                {
                    var option = ((word - from) << 6) + BitOperations.TrailingZeroCount(bits);
                    var room = next.Room(written);
                    if (!step.Choose(level, option, state, room))
                        continue;
                    step.Normalize(level + 1, room);
                    options[written++] = option;
                }
            }
            if (!next.Keep(written, reached))
                return Abandon(choices, next);
            choices.Add(options[..written], reached);
        }
        choices.Begin();
        return next;
    }

    private static StateLayer? Abandon(Choices choices, StateLayer next)
    {
        choices.Clear();
        next.Release();
        return null;
    }
}
