using System.Numerics;
using System.Runtime.CompilerServices;

namespace HourGrid.Core.Engine.Counting;

/// <summary>
/// Weights of the bits of a set, each 1 at least, binary digit by binary digit of what is above 1: the sum over a set is
/// its population count and one a plane instead of an addition a bit.
/// </summary>
internal sealed class BitPlanes
{
    private readonly ulong[] planes;

    /// <param name="weights">The weight of each bit, 1 at least.</param>
    public BitPlanes(ReadOnlySpan<uint> weights)
    {
        var largest = 1u;
        foreach (var weight in weights)
            largest = Math.Max(largest, weight);
        PerWord = 32 - BitOperations.LeadingZeroCount(largest - 1);
        planes = new ulong[(weights.Length + 63) / 64 * PerWord];
        for (var bit = 0; bit < weights.Length; bit++)
        for (var plane = 0; plane < PerWord; plane++)
            planes[bit / 64 * PerWord + plane] |= (ulong)(weights[bit] - 1 >> plane & 1) << (bit % 64);
    }

    /// <summary>Planes of a word, none where every weight is 1.</summary>
    public int PerWord { get; }

    /// <summary>The bits of a word whose weight above 1 has this binary digit; none past the largest weight.</summary>
    public ulong Plane(int word, int plane) => plane < PerWord ? planes[word * PerWord + plane] : 0;

    /// <summary>The sum of the weights of the bits of one word.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public ulong Weigh(int word, ulong bits)
    {
        var sum = (ulong)BitOperations.PopCount(bits);
        var at = word * PerWord;
        for (var plane = 0; plane < PerWord; plane++)
            sum += (ulong)BitOperations.PopCount(bits & planes[at + plane]) << plane;
        return sum;
    }
}
