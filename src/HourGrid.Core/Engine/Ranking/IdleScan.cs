using System.Numerics;
using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using System.Runtime.Intrinsics.X86;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// Finds the options of a level that leave little idle time: the innermost loop of the search for the best, which most
/// options do not get past.
/// </summary>
/// <param name="vectors">Vectors for all lanes, see <see cref="OptionTable.Lanes"/>.</param>
/// <param name="weights">Weeks of each lane, by vector.</param>
/// <remarks>
/// Unsafe: lanes are four times <paramref name="vectors"/> vectors, at least four; an option has one before them; options
/// come from the bits of states, which are 0 past the last one. A list has room for all of a level, and no more is
/// written than was looked at.
/// </remarks>
internal readonly unsafe struct IdleScan(int vectors, Vector256<short>* weights)
{
    /// <summary>Bits of a found one that name its option: a course has fewer options than they count.</summary>
    public const int OptionBits = 15;

    /// <summary>Lists the open options of a level that leave no more than so many idle minutes over all weeks.</summary>
    /// <param name="lanes">Those of what is chosen.</param>
    /// <param name="level">The level.</param>
    /// <param name="state">Has a bit for every option that is open.</param>
    /// <param name="most">Idle minutes above are too many.</param>
    /// <param name="into">Takes the idle minutes, each with its option in the low bits.</param>
    /// <returns>How many there are.</returns>
    public int Find(Vector256<short>* lanes, RankedLevel level, ulong* state, long most, long[] into) =>
        vectors == 1 ? FindByOne(lanes, level, state, most, into) : FindBySeveral(lanes, level, state, most, into);

    /// <summary>Where one vector holds all lanes, nothing needs to be fetched but the option.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private int FindByOne(Vector256<short>* lanes, RankedLevel level, ulong* state, long most, long[] into)
    {
        const int width = 1 + 4;
        var count = 0;
        ref var first = ref MemoryMarshal.GetArrayDataReference(into);
        var (starts, ends, busy, weight) = (lanes[0], lanes[1], lanes[2], weights[0]);
        var options = level.Options + 1;
        var (word, endWord) = (level.FirstWord, level.EndWord);
        for (var from = 0; word < endWord; word++, from += 64)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var number = from + BitOperations.TrailingZeroCount(bits);
            var sum = Vector256.Sum(Idle(starts, ends, busy, options + number * width, weight));
            // Without a branch: too many are too much, and too many are not, for a processor to guess.
            Unsafe.Add(ref first, count) = (long)sum << OptionBits | (long)number;
            count += sum <= most ? 1 : 0;
        }
        return count;
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private int FindBySeveral(Vector256<short>* lanes, RankedLevel level, ulong* state, long most, long[] into)
    {
        var width = 1 + 4 * vectors;
        var count = 0;
        for (var word = level.FirstWord; word < level.EndWord; word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var number = ((word - level.FirstWord) << 6) + BitOperations.TrailingZeroCount(bits);
            var added = level.Options + number * width + 1;
            var idle = Vector256<int>.Zero;
            for (var i = 0; i < 4 * vectors; i += 4)
                idle += Idle(lanes[i], lanes[i + 1], lanes[i + 2], added + i, weights[i / 4]);
            var sum = Vector256.Sum(idle);
            if (sum <= most)
                into[count++] = (long)sum << OptionBits | (long)number;
        }
        return count;
    }

    /// <summary>Idle minutes over all weeks, in parts. A lane without a meeting has no start, and a gap far below 0.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Vector256<int> Idle(
        Vector256<short> starts,
        Vector256<short> ends,
        Vector256<short> busy,
        Vector256<short> weight
    ) => Weighed(Vector256.Max(ends - starts - busy, Vector256<short>.Zero), weight);

    /// <summary>Products of neighbouring lanes, added two by two.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Vector256<int> Weighed(Vector256<short> minutes, Vector256<short> weights)
    {
        if (Avx2.IsSupported)
            return Avx2.MultiplyAddAdjacent(minutes, weights);
        var (low, high) = Vector256.Widen(minutes);
        var (lowWeights, highWeights) = Vector256.Widen(weights);
        return low * lowWeights + high * highWeights;
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Vector256<int> Idle(
        Vector256<short> starts,
        Vector256<short> ends,
        Vector256<short> busy,
        Vector256<short>* added,
        Vector256<short> weight
    ) => Idle(Vector256.Min(starts, added[0]), Vector256.Max(ends, added[1]), busy + added[2], weight);
}
