namespace HourGrid.Core.Engine.Counting;

/// <summary>
/// Counts the triples of options of the last three levels where only lanes can be broken any more: set by set of options
/// that take the same off them, so that what is left within is free. For one thread.
/// </summary>
/// <remarks>Unsafe: the states written to are pinned arrays held here, of as many words as a state has.</remarks>
internal sealed unsafe class TriplesByTaking
{
    private readonly Choosing choosing;
    private readonly TripleCounter triples;
    private readonly Takings ones;
    private readonly Takings others;
    private readonly Takings last;
    private readonly int level;
    private readonly int lastFirst;
    private readonly int lastWords;
    private readonly ulong[] withOne;
    private readonly ulong[] withBoth;

    /// <param name="choosing">A problem of three levels at least.</param>
    /// <param name="triples">Counts its triples.</param>
    public TriplesByTaking(Choosing choosing, TripleCounter triples)
    {
        this.choosing = choosing;
        this.triples = triples;
        var layout = choosing.Problem.Layout;
        level = choosing.Problem.Levels.Count - 3;
        (ones, others, last) = (new(choosing, level), new(choosing, level + 1), new(choosing, level + 2));
        (lastFirst, lastWords) = (layout.First[^2], layout.First[^1] - layout.First[^2]);
        withOne = GC.AllocateArray<ulong>(layout.WordCount + 1, pinned: true);
        withBoth = GC.AllocateArray<ulong>(layout.WordCount + 1, pinned: true);
    }

    /// <summary>Whether options differ so little in what they take that triples are best counted by it.</summary>
    public bool LanesTell => ones.AreFew && others.AreFew;

    /// <summary>Triples, from a state in which all but the last three levels have chosen and no witness can be lost.</summary>
    public Pair Count(ulong* state)
    {
        ulong timetables = 0;
        ulong shapes = 0;
        var one = Pinned.Pointer(withOne);
        var both = Pinned.Pointer(withBoth);
        for (var group = 0; group < ones.Count; group++)
        {
            if (!ones.Open(group, state, both) || !choosing.TakeFromLanes(level, ones.OptionOf(group), state, one))
                continue;
            for (var other = 0; other < others.Count; other++)
            {
                if (
                    !others.Open(other, state, both)
                    || !choosing.TakeFromLanes(level + 1, others.OptionOf(other), one, both)
                )
                    continue;
                var its = Left(state, both);
                timetables += its.Timetables;
                shapes += its.Shapes;
            }
        }
        return new(timetables, shapes);
    }

    /// <summary>The triples with what the lanes allow of the last level.</summary>
    private Pair Left(ulong* state, ulong* both)
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
