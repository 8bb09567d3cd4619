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
    private readonly int planesPerWord;

    public BitPlanes(ReadOnlySpan<uint> weights)
    {
        var largest = 1u;
        foreach (var weight in weights)
            largest = Math.Max(largest, weight);
        AllOnce = largest == 1;
        planesPerWord = 32 - BitOperations.LeadingZeroCount(largest);
        planes = new ulong[(weights.Length + 63) / 64 * planesPerWord];
        for (var bit = 0; bit < weights.Length; bit++)
        for (var plane = 0; plane < planesPerWord; plane++)
            planes[bit / 64 * planesPerWord + plane] |= (ulong)(weights[bit] >> plane & 1) << (bit % 64);
    }

    /// <summary>Whether every weight is 1.</summary>
    public bool AllOnce { get; }

    /// <summary>The sum of the weights of the bits of one word.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public ulong Weigh(int word, ulong bits)
    {
        var sum = 0UL;
        var at = word * planesPerWord;
        for (var plane = 0; plane < planesPerWord; plane++)
            sum += (ulong)BitOperations.PopCount(bits & planes[at + plane]) << plane;
        return sum;
    }
}
