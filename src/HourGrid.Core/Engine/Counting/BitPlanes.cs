using System.Numerics;
using System.Runtime.CompilerServices;

namespace HourGrid.Core.Engine.Counting;

/// <summary>
/// Weights of the bits of a set, binary digit by binary digit: the sum over a set is a population count a plane
/// instead of an addition a bit.
/// </summary>
internal sealed class BitPlanes
{
    private readonly ulong[] planes;

    public BitPlanes(ReadOnlySpan<uint> weights)
    {
        var largest = 1u;
        foreach (var weight in weights)
            largest = Math.Max(largest, weight);
        AllOnce = largest == 1;
        PerWord = 32 - BitOperations.LeadingZeroCount(largest);
        planes = new ulong[(weights.Length + 63) / 64 * PerWord];
        for (var bit = 0; bit < weights.Length; bit++)
        for (var plane = 0; plane < PerWord; plane++)
            planes[bit / 64 * PerWord + plane] |= (ulong)(weights[bit] >> plane & 1) << (bit % 64);
    }

    /// <summary>Whether every weight is 1.</summary>
    public bool AllOnce { get; }

    /// <summary>Binary digits of the largest weight.</summary>
    public int PerWord { get; }

    /// <summary>The bits of a word whose weight has this binary digit.</summary>
    public ulong Plane(int word, int plane) => planes[word * PerWord + plane];

    /// <summary>The sum of the weights of the bits of one word.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public ulong Weigh(int word, ulong bits)
    {
        var sum = 0UL;
        var at = word * PerWord;
        for (var plane = 0; plane < PerWord; plane++)
            sum += (ulong)BitOperations.PopCount(bits & planes[at + plane]) << plane;
        return sum;
    }
}
