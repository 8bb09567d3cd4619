using System.Collections.Concurrent;
using System.Numerics;

namespace HourGrid.Core.Engine.Counting;

/// <summary>
/// Pinned memory that is used again: fresh memory of this size costs an answer more than the answer. What is never
/// given back is collected like any array.
/// </summary>
internal static class PinnedWords
{
    private const int SmallestPower = 8;
    private const int LargestPower = 22;

    /// <summary>Arrays of one size that are kept, at most; 134 MB of all sizes together.</summary>
    private const int MostKept = 2;

    private static readonly ConcurrentStack<ulong[]>[] Kept =
    [
        .. Enumerable.Range(0, LargestPower + 1).Select(_ => new ConcurrentStack<ulong[]>()),
    ];

    /// <summary>An array of at least so many words, with anything in them.</summary>
    public static ulong[] Rent(int words)
    {
        var power = Math.Max(SmallestPower, 32 - BitOperations.LeadingZeroCount((uint)Math.Max(1, words) - 1));
        return power <= LargestPower && Kept[power].TryPop(out var array)
            ? array
            : GC.AllocateUninitializedArray<ulong>(1 << power, pinned: true);
    }

    /// <summary>Gives an array back; it must not be used after.</summary>
    public static void Return(ulong[] rented)
    {
        var power = BitOperations.TrailingZeroCount(rented.Length);
        if (power <= LargestPower && rented.Length > 0 && Kept[power].Count < MostKept)
            Kept[power].Push(rented);
    }
}
