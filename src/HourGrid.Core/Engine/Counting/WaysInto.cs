namespace HourGrid.Core.Engine.Counting;

/// <summary>The choices that lead to each state of the layers: these read backwards.</summary>
internal sealed class WaysInto
{
    // By layer: the choices that lead to its states, one state after the other, and where those of a state begin.
    private readonly int[][] options;
    private readonly int[][] origins;
    private readonly int[][] firstOf;

    public WaysInto(IReadOnlyList<StateLayer> layers)
    {
        options = new int[layers.Count][];
        origins = new int[layers.Count][];
        firstOf = new int[layers.Count][];
        for (var l = 1; l < layers.Count; l++)
            Read(layers[l - 1], layers[l].Count, l);
    }

    /// <summary>The options that lead to a state of a layer, the layer of the roots being 0.</summary>
    public ReadOnlySpan<int> OptionsInto(int layer, int state) =>
        options[layer].AsSpan(firstOf[layer][state]..firstOf[layer][state + 1]);

    /// <summary>For each of them, the state of the layer before it was chosen in.</summary>
    public ReadOnlySpan<int> OriginsOf(int layer, int state) =>
        origins[layer].AsSpan(firstOf[layer][state]..firstOf[layer][state + 1]);

    private void Read(StateLayer before, int states, int layer)
    {
        var choices = before.Choices;
        var (chosenOptions, from) = (new int[choices.Count], new int[choices.Count]);
        // Counted one place late, so that each place has moved on to where the next state begins once all are read.
        var next = new int[states + 2];
        for (var origin = 0; origin < before.Count; origin++)
            foreach (var state in choices.NextOf(origin))
                next[state + 2]++;
        for (var state = 2; state < next.Length; state++)
            next[state] += next[state - 1];
        for (var origin = 0; origin < before.Count; origin++)
        {
            var leadsTo = choices.NextOf(origin);
            var chosen = choices.OptionsOf(origin);
            for (var choice = 0; choice < leadsTo.Length; choice++)
            {
                var at = next[leadsTo[choice] + 1]++;
                (chosenOptions[at], from[at]) = (chosen[choice], origin);
            }
        }
        (options[layer], origins[layer], firstOf[layer]) = (chosenOptions, from, next);
    }
}
