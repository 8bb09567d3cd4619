using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Counting;

/// <summary>
/// The rows of the second-last level turned round: for each option of the last level, the options of the level before it
/// that may stand beside it.
/// </summary>
internal static class TurnedRows
{
    private const int Bits = 64;

    /// <summary>Of a problem of two levels at least: option by option, whole words each; pinned, for innermost loops.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="limit">How long it may take.</param>
    /// <exception cref="OperationCanceledException">The limit was over.</exception>
    public static ulong[] Of(Problem problem, WorkLimit limit)
    {
        var level = problem.Levels.Count - 2;
        var (options, others) = (problem.Levels[^2].Options.Count, problem.Levels[^1].Options.Count);
        var (words, otherWords) = ((options + Bits - 1) / Bits, (others + Bits - 1) / Bits);
        var turned = GC.AllocateArray<ulong>(others * words, pinned: true);
        Span<ulong> block = stackalloc ulong[Bits];
        for (var group = 0; group < words; group++)
        for (var word = 0; word < otherWords; word++)
        {
            limit.ThrowIfOver();
            for (var i = 0; i < Bits; i++)
                block[i] = group * Bits + i < options ? problem.RowOf(level, group * Bits + i)[word] : 0;
            Turn(block);
            for (var i = 0; i < Math.Min(Bits, others - word * Bits); i++)
                turned[(word * Bits + i) * words + group] = block[i];
        }
        return turned;
    }

    /// <summary>
    /// Turns a square of bits round, so that rows become columns: halves are exchanged, then halves of halves
    /// (Warren, "Hacker's Delight", 7-3).
    /// </summary>
    private static void Turn(Span<ulong> block)
    {
        var mask = ulong.MaxValue >> Bits / 2;
        for (var half = Bits / 2; half != 0; half /= 2, mask ^= mask << half)
        for (var row = 0; row < Bits; row = ((row | half) + 1) & ~half)
        {
            var exchanged = ((block[row] >> half) ^ block[row | half]) & mask;
            block[row] ^= exchanged << half;
            block[row | half] ^= exchanged;
        }
    }
}
