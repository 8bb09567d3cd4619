namespace HourGrid.Core.Engine.Compiling;

/// <summary>
/// Where everything stands in a state. A state is one run of 64-bit words: the options of each level, whole words a
/// level, then the witnesses, then the lanes.
/// </summary>
/// <remarks>
/// <para>Witnesses: each rule has a field of bits, one a witness, with a spare bit above it that is 0 in every state. For
/// a word <c>w</c> with the spare bits <c>G</c> and the lowest bits <c>L</c> of its fields, <c>((w | G) − L) &amp; G = G</c> exactly
/// when no field is 0: a field of 0 borrows from its spare bit and from nothing else. A rule of more than
/// <see cref="WidestField"/> witnesses takes whole words instead.</para>
/// <para>Lanes: each has a field that holds what is left of its limit, with a guard bit above it that is 1. Taking off
/// what an option adds clears the guard exactly when more is taken than is left, and never borrows further, since no
/// option adds more than a field can hold.</para>
/// </remarks>
internal sealed class StateLayout
{
    public const int WidestField = 63;

    private readonly List<(int From, int Words)> wide = [];
    private readonly (int Word, int Shift)[][] witnessPlaces;
    private readonly (int Word, int Shift, int Width)[] lanePlaces;

    public StateLayout(IReadOnlyList<CoursePlay> levels, IReadOnlyList<WitnessRule> rules, IReadOnlyList<Lane> lanes)
    {
        First = new int[levels.Count + 1];
        for (var level = 0; level < levels.Count; level++)
            First[level + 1] = First[level] + (levels[level].Options.Count + 63) / 64;

        var lows = new List<ulong>();
        var spares = new List<ulong>();
        witnessPlaces = new (int, int)[rules.Count][];
        foreach (var (rule, size) in BySize(rules.Select(rule => rule.Witnesses.Count)))
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
            witnessPlaces[rule] = [.. Enumerable.Range(0, size).Select(i => (First[^1] + word, shift + i))];
        }
        Lows = [.. lows];
        Spares = [.. spares];
        LanesAt = First[^1] + lows.Count;
        for (var rule = 0; rule < rules.Count; rule++)
        {
            var size = rules[rule].Witnesses.Count;
            if (size <= WidestField)
                continue;
            wide.Add((LanesAt, (size + 63) / 64));
            witnessPlaces[rule] = [.. Enumerable.Range(0, size).Select(i => (LanesAt + i / 64, i % 64))];
            LanesAt += (size + 63) / 64;
        }

        var guards = new List<ulong>();
        var laneLows = new List<ulong>();
        lanePlaces = new (int, int, int)[lanes.Count];
        foreach (var (lane, width) in BySize(lanes.Select(lane => BitsOf(lane.MostAdded))))
        {
            var (word, shift) = Fit(guards, width);
            if (word == laneLows.Count)
                laneLows.Add(0);
            laneLows[word] |= 1UL << shift;
            guards[word] |= 1UL << (shift + width);
            lanePlaces[lane] = (word, shift, width);
        }
        Guards = [.. guards];
        LaneLows = [.. laneLows];
        WordCount = LanesAt + Guards.Length;
    }

    /// <summary>The first word of each level; last, the first word of the witnesses.</summary>
    public int[] First { get; }

    /// <summary>The lowest bit of every field, by witness word.</summary>
    public ulong[] Lows { get; }

    /// <summary>The spare bit above every field, by witness word.</summary>
    public ulong[] Spares { get; }

    /// <summary>Rules with more witnesses than a word holds: their first word and number of words.</summary>
    public IReadOnlyList<(int From, int Words)> Wide => wide;

    /// <summary>The first word of the lanes.</summary>
    public int LanesAt { get; }

    /// <summary>The guard bits, by lane word.</summary>
    public ulong[] Guards { get; }

    /// <summary>The lowest bit of every lane, by lane word.</summary>
    public ulong[] LaneLows { get; }

    /// <summary>Words of a whole state.</summary>
    public int WordCount { get; }

    public (int Word, int Shift) WitnessPlace(int rule, int witness) => witnessPlaces[rule][witness];

    /// <summary>Where a lane stands: its word among the lane words, its lowest bit, its bits below the guard.</summary>
    public (int Word, int Shift, int Width) LanePlace(int lane) => lanePlaces[lane];

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
