using System.Numerics;
using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;
using HourGrid.Core.Engine.Counting;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// Looks from the level before the last two at all pairs of theirs, by days and idle time alone: most nodes have none
/// that is wanted, and need not be made.
/// </summary>
/// <remarks>
/// Unsafe: options come from the bits of states, which are 0 past the last one; rows are those of the problem.
/// </remarks>
internal sealed unsafe class PairsAhead
{
    /// <summary>How many levels before the end it looks from.</summary>
    public const int LevelsLeft = 3;

    /// <summary>So few options of the level before the last do not pay for cutting those of the last.</summary>
    private const int Few = 2;

    /// <summary>More are not looked at, so that whoever asks can look at the time.</summary>
    private const int MostPairs = 200_000;

    private readonly WeekTables tables;
    private readonly WeighedCosts costs;
    private readonly Choosing choosing;
    private readonly RankedLevel level;
    private readonly RankedLevel next;
    private readonly RankedLevel last;
    private readonly int nextLevel;

    // Each of the last two can fill so much of what the other leaves.
    private readonly int nextFills;
    private readonly int lastFills;
    private readonly int nextTakes;
    private readonly ulong[] owner;

    /// <param name="ranked">What is ranked, of at least three levels.</param>
    /// <param name="choosing">Knows its rows.</param>
    public PairsAhead(RankedProblem ranked, Choosing choosing)
    {
        (tables, costs) = (ranked.Tables, ranked.Costs);
        this.choosing = choosing;
        nextLevel = ranked.Levels.Length - LevelsLeft + 1;
        (level, next, last) = (ranked.Levels[nextLevel - 1], ranked.Levels[nextLevel], ranked.Levels[nextLevel + 1]);
        (nextFills, lastFills) = (next.With.MostBusy - last.With.MostBusy, last.With.MostBusy);
        nextTakes = next.With.MostTaken - last.With.MostTaken;
        owner = Pinned.Vectors(2 * 4 * tables.Vectors);
    }

    /// <summary>Whether a pair may complete what is chosen and an option to something that is wanted.</summary>
    /// <param name="node">What is chosen before these levels.</param>
    /// <param name="option">The option of the first of them.</param>
    /// <param name="cost">A cost that nothing beats that comes of both, as <see cref="Partial.CostsWith"/> found it.</param>
    /// <param name="wanted">Costs above are of no use.</param>
    /// <param name="state">The state they lead to; options of the last two levels that lead to nothing are taken out.</param>
    public bool AnyWith(Partial node, int option, long cost, long wanted, ulong* state)
    {
        var lanes = node.Lanes.First;
        return tables.Vectors == 1
            ? AnyWith(new OneVector(tables, lanes), OneVector.Width, node, option, wanted - cost, state)
            : AnyWith(new SeveralVectors(tables, lanes), tables.VectorsOfOption, node, option, wanted - cost, state);
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private bool AnyWith<T>(T before, int width, Partial node, int option, long left, ulong* state)
        where T : struct, ILanes<T>
    {
        var room = Pinned.FirstVector(owner);
        var added = level.Options + option * width;
        var idle = before.IdleWith(added + 1);
        var with = before.With(added + 1, room);
        var days = node.Days | ((OptionHead*)added)->Days;
        var taken = node.Taken + ((OptionHead*)added)->Taken + level.After.MostTaken;
        // What days, idle time and courses left out may cost, all else being as cheap as it can be.
        left += costs.Idle(idle - level.After.MostBusy);
        var loosest = costs.MostIdle(left);
        left += costs.Days(level.After.DaysAtLeast(days)) + costs.Wanted(taken);
        var others = Cut(with, width, next, loosest + lastFills, state);
        if (others == 0)
            return false;
        if (others > Few)
        {
            var lasts = Cut(with, width, last, loosest + nextFills, state);
            if (lasts == 0 || others * lasts > MostPairs)
                return lasts > 0;
        }
        for (var word = next.FirstWord; word < next.EndWord; word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var other = ((word - next.FirstWord) << 6) + BitOperations.TrailingZeroCount(bits);
            var otherAdded = next.Options + other * width;
            var head = (OptionHead*)otherAdded;
            var most = costs.MostIdle(
                left
                    - costs.Days(next.After.DaysAtLeast(days | head->Days))
                    - costs.Wanted(taken - nextTakes + head->Taken)
            );
            if (most < 0 || (most < loosest && with.IdleWith(otherAdded + 1) > most + lastFills))
                continue;
            var withBoth = with.With(otherAdded + 1, room + 4 * tables.Vectors);
            if (HasAny(withBoth, width, most, state, choosing.Row(nextLevel, other)))
                return true;
        }
        return false;
    }

    /// <summary>Takes away the options of a level that leave too much idle time, however much of it is filled.</summary>
    /// <returns>How many are left.</returns>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static int Cut<T>(T before, int width, RankedLevel its, long most, ulong* state)
        where T : struct, ILanes<T>
    {
        var count = 0;
        var options = its.Options + 1;
        for (var word = its.FirstWord; word < its.EndWord; word++, options += 64 * width)
        {
            var left = 0UL;
            for (var bits = state[word]; bits != 0; bits &= bits - 1)
            {
                long idle = before.IdleWith(options + BitOperations.TrailingZeroCount(bits) * width);
                // Without a branch: the sign, in every bit.
                left |= bits & (0 - bits) & (ulong)((idle - most - 1) >> 63);
            }
            state[word] = left;
            count += BitOperations.PopCount(left);
        }
        return count;
    }

    /// <summary>Whether an option of the last level leaves no more than so many idle minutes, of those that a row has.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private bool HasAny<T>(T before, int width, long most, ulong* state, ulong* row)
        where T : struct, ILanes<T>
    {
        var signs = 0L;
        var options = last.Options + 1;
        for (var word = last.FirstWord; word < last.EndWord; word++, options += 64 * width, row++)
        for (var bits = state[word] & *row; bits != 0; bits &= bits - 1)
            signs |= before.IdleWith(options + BitOperations.TrailingZeroCount(bits) * width) - most - 1;
        return signs < 0;
    }
}
