using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>
/// Takes out of the rows what breaks a rule together with their option, whatever else is chosen: such pairs conflict as
/// well as any two that overlap, and are seen before a search comes to them.
/// </summary>
/// <remarks>
/// Options that do the same to a rule are looked at once: an option leaves few different sets of witnesses of a rule, and
/// takes few different amounts off a sum. Where it is not so, or a rule has more witnesses than a word holds, the rule is
/// left to the search.
/// </remarks>
internal sealed class PairNarrowing
{
    /// <summary>Words that are looked at, at most, to find what may stand beside what of one rule; some 0.3 ms.</summary>
    private const long MostWork = 1 << 20;

    private readonly Problem problem;
    private readonly ulong[] state;
    private readonly WorkLimit limit;

    private readonly int[] first;
    private readonly int[] optionsOf;

    // For one rule, by what an option does to it: the number of that, and the options that do it.
    private readonly Dictionary<ulong, int> numbers = [];
    private readonly List<ulong> effects = [];
    private readonly List<ulong[]> holders = [];

    // The number of what each option does to it, level by level.
    private readonly int[] numberOf;

    // The witness words of all rows, one after the other: rows are long, and each rule looks at all of them.
    private readonly ulong[] witnesses;
    private readonly int witnessWords;

    /// <param name="problem">Whose rows are narrowed, in place.</param>
    /// <param name="state">A root state that has every witness and as much left of every sum as any root that is asked.</param>
    /// <param name="limit">Stops at any moment; the rows are of no use then.</param>
    public PairNarrowing(Problem problem, ulong[] state, WorkLimit limit)
    {
        (this.problem, this.state, this.limit) = (problem, state, limit);
        first = problem.Layout.First;
        optionsOf = [.. problem.Levels.Select(level => level.Options.Count)];
        numberOf = new int[optionsOf.Sum()];
        witnessWords = problem.Layout.SumsAt - first[^1];
        witnesses = new ulong[numberOf.Length * witnessWords];
        var into = witnesses.AsSpan();
        for (var level = 0; level < optionsOf.Length; level++)
        for (var option = 0; option < optionsOf[level]; option++, into = into[witnessWords..])
            problem.RowOf(level, option)[(first[^1] - first[level + 1])..].CopyTo(into);
    }

    public void Narrow()
    {
        var layout = problem.Layout;
        for (var set = 0; set < problem.WitnessSets.Count; set++)
        {
            var count = problem.WitnessSets[set].Witnesses.Count;
            if (count is 0 or > StateLayout.WidestField)
                continue;
            var (word, shift) = layout.WitnessPlace(set, 0);
            var left = state[word] >> shift & (1UL << count) - 1;
            if (FindEffects(witnesses, word - first[^1], witnessWords, shift, left))
                Narrow((one, other) => (one & other) != 0);
        }
        for (var sum = 0; sum < problem.Sums.Count; sum++)
        {
            var (word, shift, width) = layout.SumPlace(sum);
            var mask = (1UL << width) - 1;
            var left = state[layout.SumsAt + word] >> shift & mask;
            if (FindEffects(problem.Words, problem.AddsAt[0] + word, layout.Guards.Length, shift, mask))
                Narrow((one, other) => one + other <= left);
        }
    }

    /// <summary>Tells apart what options do to a rule.</summary>
    /// <param name="words">Say it of all options, level by level.</param>
    /// <param name="from">The word that says it of the first.</param>
    /// <param name="step">How many words further that of the next is.</param>
    /// <param name="shift">Its lowest bit.</param>
    /// <param name="mask">Its bits, moved to the lowest.</param>
    /// <returns>Whether they do few enough different things for it to pay.</returns>
    private bool FindEffects(ulong[] words, int from, int step, int shift, ulong mask)
    {
        limit.ThrowIfOver();
        numbers.Clear();
        effects.Clear();
        holders.Clear();
        var at = 0;
        var number = -1;
        var last = 0UL;
        ulong[] bits = [];
        for (var level = 0; level < optionsOf.Length; level++)
        for (var option = 0; option < optionsOf[level]; option++, from += step)
        {
            var effect = words[from] >> shift & mask;
            // Most options do the same to a rule as the one before: nothing.
            if (number < 0 || effect != last)
            {
                last = effect;
                number = NumberOf(effect);
                bits = holders[number];
                if ((long)effects.Count * effects.Count * first[^1] > MostWork)
                    return false;
            }
            numberOf[at++] = number;
            bits[first[level] + option / 64] |= 1UL << option;
        }
        return true;
    }

    private int NumberOf(ulong effect)
    {
        if (numbers.TryGetValue(effect, out var number))
            return number;
        effects.Add(effect);
        holders.Add(new ulong[first[^1]]);
        return numbers[effect] = effects.Count - 1;
    }

    /// <param name="goTogether">Whether two options that do so to the rule leave it unbroken.</param>
    private void Narrow(Func<ulong, ulong, bool> goTogether)
    {
        ulong[]?[] beside = [.. effects.Select(effect => Beside(effect, goTogether))];
        if (beside.All(bits => bits is null))
            return;
        var at = 0;
        for (var level = 0; level < optionsOf.Length; level++)
        for (var option = 0; option < optionsOf[level]; option++)
        {
            if (beside[numberOf[at++]] is not { } bits)
                continue;
            limit.ThrowIfOver();
            var row = problem.RowOf(level, option);
            for (var word = first[level + 1]; word < first[^1]; word++)
                row[word - first[level + 1]] &= bits[word];
        }
    }

    /// <summary>The options that may stand beside one that does so to the rule; null for all.</summary>
    private ulong[]? Beside(ulong effect, Func<ulong, ulong, bool> goTogether)
    {
        if (effects.TrueForAll(other => goTogether(effect, other)))
            return null;
        var beside = new ulong[first[^1]];
        for (var number = 0; number < effects.Count; number++)
            if (goTogether(effect, effects[number]))
                for (var word = 0; word < beside.Length; word++)
                    beside[word] |= holders[number][word];
        return beside;
    }
}
