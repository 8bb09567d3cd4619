using System.Numerics;
using System.Runtime.CompilerServices;
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
/// come from the bits of states, which are 0 past the last one.
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
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public int Find(Vector256<short>* lanes, RankedLevel level, ulong* state, long most, long[] into)
    {
        var count = 0;
        var options = level.Options;
        var width = 1 + 4 * vectors;
        var (starts, ends, busy, weight) = (lanes[0], lanes[1], lanes[2], weights[0]);
        for (var word = level.FirstWord; word < level.EndWord; word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var number = ((word - level.FirstWord) << 6) + BitOperations.TrailingZeroCount(bits);
            var added = options + number * width + 1;
            var idle = Idle(starts, ends, busy, added, weight);
            for (var i = 1; i < vectors; i++)
                idle += Idle(lanes[4 * i], lanes[4 * i + 1], lanes[4 * i + 2], added + 4 * i, weights[i]);
            var sum = Vector256.Sum(idle);
            if (sum <= most)
                into[count++] = (long)sum << OptionBits | (long)number;
        }
        return count;
    }

    /// <summary>Idle minutes over all weeks.</summary>
    public int Of(Vector256<short>* lanes)
    {
        var idle = Vector256<int>.Zero;
        for (var i = 0; i < vectors; i++)
        {
            var (starts, ends, busy) = (lanes[4 * i], lanes[4 * i + 1], lanes[4 * i + 2]);
            idle += Weighed(Vector256.Max(ends - starts - busy, Vector256<short>.Zero), weights[i]);
        }
        return Vector256.Sum(idle);
    }

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
    )
    {
        // A lane without a meeting has no start, and so a gap far below 0.
        var gaps = Vector256.Max(ends, added[1]) - Vector256.Min(starts, added[0]) - (busy + added[2]);
        return Weighed(Vector256.Max(gaps, Vector256<short>.Zero), weight);
    }
}
