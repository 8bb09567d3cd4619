namespace HourGrid.Bench.Ladder;

/// <summary>Random numbers that are the same on every machine and every version (SplitMix64; Steele et al., 2014).</summary>
internal sealed class Dice(ulong seed)
{
    private ulong state = seed;

    /// <summary>A whole number from 0 to one less than the bound.</summary>
    public int Below(int bound)
    {
        state += 0x9E3779B97F4A7C15UL;
        var mixed = (state ^ state >> 30) * 0xBF58476D1CE4E5B9UL;
        mixed = (mixed ^ mixed >> 27) * 0x94D049BB133111EBUL;
        return (int)((mixed ^ mixed >> 31) % (ulong)bound);
    }

    public T Pick<T>(IReadOnlyList<T> items) => items[Below(items.Count)];

    /// <summary>True in so many of a hundred throws.</summary>
    public bool Percent(int chance) => Below(100) < chance;
}
