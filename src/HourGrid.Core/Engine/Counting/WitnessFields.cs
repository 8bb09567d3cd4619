using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using HourGrid.Core.Engine.Compiling;

namespace HourGrid.Core.Engine.Counting;

/// <summary>The part of a state that holds witnesses: whether every rule has one left.</summary>
/// <remarks>Unsafe: every pointer is to as many words as the layout has for witnesses.</remarks>
internal readonly unsafe struct WitnessFields
{
    private readonly ulong[] lows;
    private readonly ulong[] spares;
    private readonly (int From, int Words)[] wide;

    /// <param name="layout">Where the witnesses of each rule stand.</param>
    public WitnessFields(StateLayout layout)
    {
        (lows, spares) = (layout.Lows, layout.Spares);
        wide = [.. layout.Wide.Select(set => (set.From - layout.First[^1], set.Words))];
    }

    /// <summary>Whether a mask leaves every rule a witness.</summary>
    /// <param name="witnesses">What is left so far.</param>
    /// <param name="mask">The witnesses that stay.</param>
    /// <param name="into">Takes what is left then, as far as it was looked at; may be null.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public bool Last(ulong* witnesses, ulong* mask, ulong* into)
    {
        if (
            !(lows.Length < Vector256<ulong>.Count ? FewLast(witnesses, mask, into) : ManyLast(witnesses, mask, into))
        )
            return false;
        foreach (var (from, words) in wide)
        {
            var any = 0UL;
            for (var word = from; word < from + words; word++)
            {
                var left = witnesses[word] & mask[word];
                if (into != null)
                    into[word] = left;
                any |= left;
            }
            if (any == 0)
                return false;
        }
        return true;
    }

    /// <summary>Gives rules that keep a witness of some whatever comes all of those, and no others.</summary>
    /// <param name="witnesses">What is left; changed.</param>
    /// <param name="outlast">The witnesses that nothing that may come rules out.</param>
    public void Level(ulong* witnesses, ulong[] outlast)
    {
        for (var word = 0; word < lows.Length; word++)
        {
            var safe = (((witnesses[word] & outlast[word]) | spares[word]) - lows[word]) & spares[word];
            var fields = BitFields.Below(safe, spares[word], lows[word]);
            witnesses[word] = (witnesses[word] & ~fields) | (outlast[word] & fields);
        }
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private bool FewLast(ulong* witnesses, ulong* mask, ulong* into)
    {
        for (var word = 0; word < lows.Length; word++)
        {
            var left = witnesses[word] & mask[word];
            if (into != null)
                into[word] = left;
            if ((((left | spares[word]) - lows[word]) & spares[word]) != spares[word])
                return false;
        }
        return true;
    }

    /// <summary>Four words at a time, the last four over those before them.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private bool ManyLast(ulong* witnesses, ulong* mask, ulong* into)
    {
        ref var spare = ref MemoryMarshal.GetArrayDataReference(spares);
        ref var low = ref MemoryMarshal.GetArrayDataReference(lows);
        var lastFour = lows.Length - Vector256<ulong>.Count;
        for (var word = 0; ; word = Math.Min(word + Vector256<ulong>.Count, lastFour))
        {
            var left = Vector256.Load(witnesses + word) & Vector256.Load(mask + word);
            if (into != null)
                left.Store(into + word);
            var spareBits = Vector256.LoadUnsafe(ref spare, (nuint)word);
            if ((((left | spareBits) - Vector256.LoadUnsafe(ref low, (nuint)word)) & spareBits) != spareBits)
                return false;
            if (word == lastFour)
                return true;
        }
    }
}
