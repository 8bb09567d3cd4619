namespace HourGrid.Core.Engine.Counting;

/// <summary>
/// Counts the triples of options of the last three levels where only sums can be broken any more: set by set of options
/// that take the same off them, so that what is left within is free. For one thread.
/// </summary>
/// <remarks>Unsafe: the states written to are pinned arrays held here, of as many words as a state has.</remarks>
internal sealed unsafe class TriplesByAmount
{
    private readonly StateStep step;
    private readonly TripleCounter triples;
    private readonly OptionsByAmount ones;
    private readonly OptionsByAmount others;
    private readonly OptionsByAmount last;
    private readonly int level;
    private readonly int lastFirst;
    private readonly int lastWords;
    private readonly ulong[] withOne;
    private readonly ulong[] withBoth;

    /// <param name="step">A problem of three levels at least.</param>
    /// <param name="triples">Counts its triples.</param>
    public TriplesByAmount(StateStep step, TripleCounter triples)
    {
        this.step = step;
        this.triples = triples;
        var layout = step.Problem.Layout;
        level = step.Problem.Levels.Count - 3;
        (ones, others, last) = (new(step, level), new(step, level + 1), new(step, level + 2));
        (lastFirst, lastWords) = (layout.First[^2], layout.First[^1] - layout.First[^2]);
        withOne = GC.AllocateArray<ulong>(layout.WordCount + 1, pinned: true);
        withBoth = GC.AllocateArray<ulong>(layout.WordCount + 1, pinned: true);
    }

    /// <summary>Whether options differ so little in what they take that triples are best counted by it.</summary>
    public bool LanesTell => ones.AreFew && others.AreFew;

    /// <summary>Triples, from a state in which all but the last three levels have chosen and no witness can be lost.</summary>
    public Count64 Count(ulong* state)
    {
        ulong timetables = 0;
        ulong shapes = 0;
        var one = Pinned.Pointer(withOne);
        var both = Pinned.Pointer(withBoth);
        for (var group = 0; group < ones.Count; group++)
        {
            if (!ones.Open(group, state, both) || !step.TakeFromLanes(level, ones.OptionOf(group), state, one))
                continue;
            for (var other = 0; other < others.Count; other++)
            {
                if (
                    !others.Open(other, state, both)
                    || !step.TakeFromLanes(level + 1, others.OptionOf(other), one, both)
                )
                    continue;
                var pairs = Left(state, both);
                timetables += pairs.Timetables;
                shapes += pairs.Shapes;
            }
        }
        return new(timetables, shapes);
    }

    /// <summary>The triples with what the sums allow of the last level.</summary>
    private Count64 Left(ulong* state, ulong* both)
    {
        for (var word = 0; word < lastWords; word++)
            both[lastFirst + word] = state[lastFirst + word];
        var allowed = last.Left(both);
        var any = 0UL;
        for (var word = 0; word < lastWords; word++)
            any |= both[lastFirst + word] = allowed[word];
        return any == 0 ? default : triples.Count(both);
    }
}
