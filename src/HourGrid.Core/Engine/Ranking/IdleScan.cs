using System.Numerics;
using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using System.Runtime.Intrinsics.X86;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// Looks for the options of a level that leave little idle time: the innermost loops of the search for the best, which
/// most options do not get past.
/// </summary>
/// <remarks>
/// Unsafe: an option has a vector before its lanes; options come from the bits of states, which are 0 past the last one,
/// and every word of a level has an option of its first bit. A list has room for all of a level, and no more is written
/// than was looked at.
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

    /// <summary>Idle minutes over all weeks with an option added.</summary>
    /// <param name="lanes">The lanes of what is chosen.</param>
    /// <param name="added">The lanes of the option.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static int IdleWith<T>(T lanes, Vector256<short>* added)
        where T : struct, ILanes<T> => Vector256.Sum(lanes.SpansWith(added)) - lanes.Busy;

    /// <summary>Takes away the open options of a level that leave more than so many idle minutes.</summary>
    /// <returns>How many are left.</returns>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static int Cut<T>(T lanes, RankedLevel level, ulong* state, long most)
        where T : struct, ILanes<T>
    {
        var count = 0;
        var above = Above(lanes, most);
        var options = level.Options + 1;
        for (var word = level.FirstWord; word < level.EndWord; word++, options += 64 * lanes.Width)
        {
            var left = 0UL;
            for (var bits = state[word]; bits != 0; )
                left |= FewOfNextFour(lanes, options, ref bits, above);
            state[word] = left;
            count += BitOperations.PopCount(left);
        }
        return count;
    }

    /// <summary>
    /// Whether an open option of a level leaves no more than so many idle minutes, with an option added that allows it.
    /// </summary>
    /// <param name="lanes">The lanes of what is chosen.</param>
    /// <param name="added">The lanes of the option that is added.</param>
    /// <param name="row">Its row, from the level on.</param>
    /// <param name="level">The level.</param>
    /// <param name="state">Has a bit for every option that is open.</param>
    /// <param name="most">Idle minutes above are too many.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static bool Any<T>(
        T lanes,
        Vector256<short>* added,
        ulong* row,
        RankedLevel level,
        ulong* state,
        long most
    )
        where T : struct, ILanes<T>
    {
        var few = 0UL;
        var with = lanes.With(added);
        var above = Above(with, most);
        var options = level.Options + 1;
        for (var word = level.FirstWord; word < level.EndWord; word++, options += 64 * with.Width, row++)
        for (var bits = state[word] & *row; bits != 0; )
            few |= FewOfNextFour(with, options, ref bits, above);
        return few != 0;
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private static int Find<T>(T lanes, RankedLevel level, ulong* state, long most, long[] into)
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
            var idle = IdleWith(lanes, options + number * lanes.Width);
            // Without a branch: so many options have too much, and so many have not, that a processor cannot guess.
            Unsafe.Add(ref first, count) = (long)idle << OptionBits | (long)number;
            count += idle <= most ? 1 : 0;
        }
        return count;
    }

    /// <summary>The least that spans come to, in parts added up, of options that leave too many idle minutes.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Vector128<int> Above<T>(T lanes, long most)
        where T : struct, ILanes<T> => Vector128.Create((int)Math.Min(most + lanes.Busy + 1, int.MaxValue));

    /// <summary>
    /// Those of the next four options that leave few idle minutes: four take little longer than two, and so many rounds
    /// of a loop are easier to foresee.
    /// </summary>
    /// <param name="lanes">The lanes of what is chosen.</param>
    /// <param name="options">The lanes of the option of the first bit.</param>
    /// <param name="bits">The options; the next four are taken away.</param>
    /// <param name="above">See <see cref="Above"/>.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static ulong FewOfNextFour<T>(T lanes, Vector256<short>* options, ref ulong bits, Vector128<int> above)
        where T : struct, ILanes<T>
    {
        var left = bits;
        var (first, second) = (Next(lanes, options, ref left), Next(lanes, options, ref left));
        var (third, fourth) = (Next(lanes, options, ref left), Next(lanes, options, ref left));
        var few = Vector128.GreaterThan(above, IdleLanes.Sums(first, second, third, fourth));
        var four = bits ^ left;
        bits = left;
        return Spread(few.ExtractMostSignificantBits(), four);
    }

    /// <summary>The spans with the next option, or where there is none with the first of the word, for nothing.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Vector256<int> Next<T>(T lanes, Vector256<short>* options, ref ulong bits)
        where T : struct, ILanes<T>
    {
        // Without a sign, since to carry it along takes an instruction more.
        var option = options + (uint)(BitOperations.TrailingZeroCount(bits) & 63) * (nuint)lanes.Width;
        bits &= bits - 1;
        return lanes.SpansWith(option);
    }

    /// <summary>The bits of a mask whose places among them are marked.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static ulong Spread(uint marks, ulong mask)
    {
        if (Bmi2.X64.IsSupported)
            return Bmi2.X64.ParallelBitDeposit(marks, mask);
        var marked = 0UL;
        for (; mask != 0; mask &= mask - 1, marks >>= 1)
            marked |= (marks & 1) == 0 ? 0 : mask & (0 - mask);
        return marked;
    }
}
