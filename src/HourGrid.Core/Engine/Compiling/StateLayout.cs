namespace HourGrid.Core.Engine.Compiling;

/// <summary>
/// Where everything stands in a state. A state is one run of 64-bit words: the options of each level, whole words a
/// level, then the witnesses, then the sums.
/// </summary>
/// <remarks>
/// <para>Witnesses: each rule has a field of bits, one a witness, with a spare bit above it that is 0 in every state. For
/// a word <c>w</c> with the spare bits <c>G</c> and the lowest bits <c>L</c> of its fields, <c>((w | G) − L) &amp; G = G</c> exactly
/// when no field is 0: a field of 0 borrows from its spare bit and from nothing else. A rule of more than
/// <see cref="WidestField"/> witnesses takes whole words instead.</para>
/// <para>Sums: each has a field that holds what is left of its limit, with a guard bit above it that is 1. Taking off
/// what an option adds clears the guard exactly when more is taken than is left, and never borrows further, since no
/// option adds more than a field can hold.</para>
/// </remarks>
internal sealed class StateLayout
{
    public const int WidestField = 63;

    private readonly List<(int From, int Words)> wide = [];
    private readonly (int Word, int Shift)[][] witnessPlaces;
    private readonly (int Word, int Shift, int Width)[] sumPlaces;

    public StateLayout(
        IReadOnlyList<CoursePlay> levels,
        IReadOnlyList<WitnessSet> sets,
        IReadOnlyList<LimitedSum> sums
    )
    {
        First = new int[levels.Count + 1];
        for (var level = 0; level < levels.Count; level++)
            First[level + 1] = First[level] + (levels[level].Options.Count + 63) / 64;

        var lows = new List<ulong>();
        var spares = new List<ulong>();
        witnessPlaces = new (int, int)[sets.Count][];
        foreach (var (set, size) in BySize(sets.Select(set => set.Witnesses.Count)))
        {
            if (size > WidestField)
                continue;
            // A rule with no witness is broken from the start: a field of its own that is always 0.
            var width = Math.Max(1, size);
            var (word, shift) = Fit(spares, width);
            if (word == lows.Count)
                lows.Add(0);
            lows[word] |= 1UL << shift;
            spares[word] |= 1UL << (shift + width);
            witnessPlaces[set] = [.. Enumerable.Range(0, size).Select(i => (First[^1] + word, shift + i))];
        }
        Lows = [.. lows];
        Spares = [.. spares];
        SumsAt = First[^1] + lows.Count;
        for (var set = 0; set < sets.Count; set++)
        {
            var size = sets[set].Witnesses.Count;
            if (size <= WidestField)
                continue;
            wide.Add((SumsAt, (size + 63) / 64));
            witnessPlaces[set] = [.. Enumerable.Range(0, size).Select(i => (SumsAt + i / 64, i % 64))];
            SumsAt += (size + 63) / 64;
        }

        var guards = new List<ulong>();
        var sumLows = new List<ulong>();
        sumPlaces = new (int, int, int)[sums.Count];
        foreach (var (sum, width) in BySize(sums.Select(sum => BitsOf(sum.MostAdded))))
        {
            var (word, shift) = Fit(guards, width);
            if (word == sumLows.Count)
                sumLows.Add(0);
            sumLows[word] |= 1UL << shift;
            guards[word] |= 1UL << (shift + width);
            sumPlaces[sum] = (word, shift, width);
        }
        Guards = [.. guards];
        SumLows = [.. sumLows];
        WordCount = SumsAt + Guards.Length;
    }

    /// <summary>The first word of each level; last, the first word of the witnesses.</summary>
    public int[] First { get; }

    /// <summary>The lowest bit of every field, by witness word.</summary>
    public ulong[] Lows { get; }

    /// <summary>The spare bit above every field, by witness word.</summary>
    public ulong[] Spares { get; }

    /// <summary>Rules with more witnesses than a word holds: their first word and number of words.</summary>
    public IReadOnlyList<(int From, int Words)> Wide => wide;

    /// <summary>The first word of the sums.</summary>
    public int SumsAt { get; }

    /// <summary>The guard bits, by sum word.</summary>
    public ulong[] Guards { get; }

    /// <summary>The lowest bit of every sum, by sum word.</summary>
    public ulong[] SumLows { get; }

    /// <summary>Words of a whole state.</summary>
    public int WordCount { get; }

    public (int Word, int Shift) WitnessPlace(int set, int witness) => witnessPlaces[set][witness];

    /// <summary>Where a sum stands: its word among the sum words, its lowest bit, its bits below the guard.</summary>
    public (int Word, int Shift, int Width) SumPlace(int sum) => sumPlaces[sum];

    private static int BitsOf(int value) => 32 - int.LeadingZeroCount(Math.Max(1, value));

    private static IEnumerable<(int Number, int Size)> BySize(IEnumerable<int> sizes) =>
        sizes.Select((size, number) => (number, size)).OrderByDescending(pair => pair.size);

    /// <summary>The first word with room for a field and the bit above it. Fields fill a word from below.</summary>
    private static (int Word, int Shift) Fit(List<ulong> topBits, int width)
    {
        for (var word = 0; word < topBits.Count; word++)
        {
            var used = 64 - (int)ulong.LeadingZeroCount(topBits[word]);
            if (used + width + 1 <= 64)
                return (word, used);
        }
        topBits.Add(0);
        return (topBits.Count - 1, 0);
    }
}
