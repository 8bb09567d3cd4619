using System.Numerics;
using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// Looks for the options of a level that leave little idle time: the innermost loops of the search for the best, which
/// most options do not get past.
/// </summary>
/// <remarks>
/// Unsafe: an option has a vector before its lanes; options come from the bits of states, which are 0 past the last one.
/// A list has room for all of a level, and no more is written than was looked at.
/// </remarks>
internal static unsafe class IdleScan
{
    /// <summary>Bits of a found one that name its option: a course has fewer options than they count.</summary>
    public const int OptionBits = 15;

    /// <summary>Lists the open options of a level that leave no more than so many idle minutes over all weeks.</summary>
    /// <param name="tables">How lanes are laid out.</param>
    /// <param name="lanes">Those of what is chosen.</param>
    /// <param name="level">The level.</param>
    /// <param name="state">Has a bit for every option that is open.</param>
    /// <param name="most">Idle minutes above are too many.</param>
    /// <param name="into">Takes the idle minutes, each with its option in the low bits.</param>
    /// <returns>How many there are.</returns>
    public static int Find(
        WeekTables tables,
        Vector256<short>* lanes,
        RankedLevel level,
        ulong* state,
        long most,
        long[] into
    ) =>
        tables.Vectors == 1
            ? Find(new OneVector(tables, lanes), level, state, most, into)
            : Find(new SeveralVectors(tables, lanes, null), level, state, most, into);

    /// <summary>As the other one, where it is known how many vectors hold the lanes.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public static int Find<T>(T lanes, RankedLevel level, ulong* state, long most, long[] into)
        where T : struct, ILanes<T>
    {
        var count = 0;
        ref var first = ref MemoryMarshal.GetArrayDataReference(into);
        var options = level.Options + 1;
        var (word, endWord) = (level.FirstWord, level.EndWord);
        for (var from = 0; word < endWord; word++, from += 64)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var number = from + BitOperations.TrailingZeroCount(bits);
            var sum = lanes.IdleWith(options + number * lanes.Width);
            // Without a branch: too many are too much, and too many are not, for a processor to guess.
            Unsafe.Add(ref first, count) = (long)sum << OptionBits | (long)number;
            count += sum <= most ? 1 : 0;
        }
        return count;
    }

    /// <summary>Takes away the open options of a level that leave more than so many idle minutes.</summary>
    /// <returns>How many are left.</returns>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static int Cut<T>(T lanes, RankedLevel level, ulong* state, long most)
        where T : struct, ILanes<T>
    {
        var count = 0;
        var options = level.Options + 1;
        for (var word = level.FirstWord; word < level.EndWord; word++, options += 64 * lanes.Width)
        {
            var left = 0UL;
            for (var bits = state[word]; bits != 0; bits &= bits - 1)
            {
                long idle = lanes.IdleWith(options + BitOperations.TrailingZeroCount(bits) * lanes.Width);
                // Without a branch: the sign, in every bit.
                left |= bits & (0 - bits) & (ulong)((idle - most - 1) >> 63);
            }
            state[word] = left;
            count += BitOperations.PopCount(left);
        }
        return count;
    }

    /// <summary>Whether an open option of a level that a row has leaves no more than so many idle minutes.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static bool Any<T>(T lanes, RankedLevel level, ulong* state, ulong* row, long most)
        where T : struct, ILanes<T>
    {
        var signs = 0L;
        var options = level.Options + 1;
        for (var word = level.FirstWord; word < level.EndWord; word++, options += 64 * lanes.Width, row++)
        for (var bits = state[word] & *row; bits != 0; bits &= bits - 1)
            signs |= lanes.IdleWith(options + BitOperations.TrailingZeroCount(bits) * lanes.Width) - most - 1;
        return signs < 0;
    }
}
