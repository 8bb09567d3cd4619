using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics.X86;

namespace HourGrid.Core.Engine.Counting;

/// <summary>Fields of bits that stand in one word, each with a bit of its own above it.</summary>
internal static class BitFields
{
    /// <summary>All bits of some of the fields.</summary>
    /// <param name="some">The bits above those fields.</param>
    /// <param name="tops">The bits above all fields.</param>
    /// <param name="lows">The lowest bits of all fields.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static ulong Below(ulong some, ulong tops, ulong lows)
    {
        // A bit less the lowest bit of its field is the field; and none borrows from another.
        if (Bmi2.X64.IsSupported)
            return some - Bmi2.X64.ParallelBitDeposit(Bmi2.X64.ParallelBitExtract(some, tops), lows);
        var remaining = some;
        for (; tops != 0; tops &= tops - 1, lows &= lows - 1)
            if ((some & tops & (0 - tops)) != 0)
                remaining -= lows & (0 - lows);
        return remaining;
    }
}
