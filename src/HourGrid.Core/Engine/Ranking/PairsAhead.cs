using System.Numerics;
using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;
using HourGrid.Core.Engine.Counting;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// Looks from the level before the last two at all pairs of theirs, by days, idle time and courses taken: most options
/// have none that is wanted, and their nodes need not be made.
/// </summary>
/// <remarks>
/// Unsafe: options come from the bits of states, which are 0 past the last one; rows are those of the problem.
/// </remarks>
internal sealed unsafe class PairsAhead
{
    /// <summary>How many levels before the end it looks from.</summary>
    public const int LevelsLeft = 3;

    /// <summary>More pairs of one option are not looked at; it may lead to something.</summary>
    private const int MostPairs = 200_000;

    /// <summary>Options and pairs between two looks at the clock; less than 100 µs.</summary>
    private const int WorkBetweenLooks = 1 << 14;

    private readonly WeekTables tables;
    private readonly WeighedCosts costs;
    private readonly Choosing choosing;
    private readonly WorkLimit limit;
    private readonly RankedLevel level;
    private readonly RankedLevel next;
    private readonly RankedLevel last;
    private readonly int nextLevel;

    // Each of the last two can fill so much of what the other leaves.
    private readonly int nextFills;
    private readonly int lastFills;
    private readonly int nextTakes;
    private readonly ulong[] owner;

    private int work;

    /// <param name="ranked">What is ranked, of at least three levels.</param>
    /// <param name="choosing">Knows its rows.</param>
    /// <param name="limit">Stops at any moment.</param>
    public PairsAhead(RankedProblem ranked, Choosing choosing, WorkLimit limit)
    {
        (tables, costs) = (ranked.Tables, ranked.Costs);
        this.choosing = choosing;
        this.limit = limit;
        nextLevel = ranked.Levels.Length - LevelsLeft + 1;
        (level, next, last) = (ranked.Levels[nextLevel - 1], ranked.Levels[nextLevel], ranked.Levels[nextLevel + 1]);
        (nextFills, lastFills) = (next.With.MostBusy - last.With.MostBusy, last.With.MostBusy);
        nextTakes = next.With.MostTaken - last.With.MostTaken;
        owner = Pinned.Vectors(2 * 4 * tables.Vectors);
    }

    /// <summary>Whether the limit stopped it, so that options may be missing from a list.</summary>
    public bool IsStopped { get; private set; }

    /// <summary>
    /// As <see cref="Partial.CostsWith"/> for the first of these levels, without the options that no pair of the last two
    /// completes to something that is wanted.
    /// </summary>
    /// <param name="node">What is chosen before these levels.</param>
    /// <param name="state">Has a bit for every option that is open.</param>
    /// <param name="cost">A cost that nothing beats that comes of it.</param>
    /// <param name="wanted">Costs above are of no use.</param>
    /// <param name="into">Takes the costs, each with its option in the low bits.</param>
    /// <returns>How many there are.</returns>
    public int CostsWith(Partial node, ulong* state, long cost, long wanted, long[] into)
    {
        var lanes = node.Lanes.First;
        var room = Pinned.FirstVector(owner);
        return tables.Vectors == 1
            ? CostsWith(new OneVector(tables, lanes), node, state, cost, wanted, into)
            : CostsWith(new SeveralVectors(tables, lanes, room), node, state, cost, wanted, into);
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private int CostsWith<T>(T lanes, Partial node, ulong* state, long cost, long wanted, long[] into)
        where T : struct, ILanes<T>
    {
        var after = level.After;
        var left = choosing.Scratch(nextLevel);
        var found = IdleScan.Find(lanes, level, state, node.MostIdleWith(level, cost, wanted), into);
        var count = 0;
        for (var i = 0; i < found; i++)
        {
            var (idle, number) = ((int)Partial.CostOf(into[i]), Partial.OptionOf(into[i]));
            if (IsOver())
                return count;
            if (!choosing.Choose(nextLevel - 1, number, state, left))
                continue;
            var option = level.Options + number * lanes.Width;
            var head = (OptionHead*)option;
            var days = node.Days | head->Days;
            var taken = node.Taken + head->Taken + after.MostTaken;
            var (ofIdle, ofDays) = (costs.Idle(idle - after.MostBusy), costs.Days(after.DaysAtLeast(days)));
            var with = ofIdle + ofDays + node.MoreWith(level, after, number, option);
            // What idle time may cost, and what it may together with days and courses left out, as the pairs tell them.
            var forIdle = wanted - with + ofIdle;
            var forAll = forIdle + ofDays + costs.Wanted(taken);
            if (with <= wanted && AnyPair(lanes.With(option + 1), days, taken, forIdle, forAll, left))
                into[count++] = Partial.Listed(with, number);
        }
        return count;
    }

    /// <summary>Whether a pair completes what is chosen to something that is wanted.</summary>
    /// <param name="lanes">The lanes of what is chosen.</param>
    /// <param name="days">Its days.</param>
    /// <param name="taken">Courses taken, with the most that the pair can take.</param>
    /// <param name="forIdle">What idle time may cost, all else being as cheap as it can be.</param>
    /// <param name="forAll">What days, idle time and courses left out may cost together.</param>
    /// <param name="state">The state; options of the last two levels that lead to nothing are taken out.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private bool AnyPair<T>(T lanes, ulong days, int taken, long forIdle, long forAll, ulong* state)
        where T : struct, ILanes<T>
    {
        var loosest = costs.MostIdle(forIdle);
        var lasts = IdleScan.Cut(lanes, last, state, loosest + nextFills);
        if (lasts == 0)
            return false;
        var others = IdleScan.Cut(lanes, next, state, loosest + lastFills);
        if (others == 0 || others * lasts > MostPairs)
            return others > 0;
        work += others * lasts;
        for (var word = next.FirstWord; word < next.EndWord; word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var number = ((word - next.FirstWord) << 6) + BitOperations.TrailingZeroCount(bits);
            var option = next.Options + number * lanes.Width;
            var head = (OptionHead*)option;
            var most = costs.MostIdle(
                forAll
                    - costs.Days(next.After.DaysAtLeast(days | head->Days))
                    - costs.Wanted(taken - nextTakes + head->Taken)
            );
            if (most < 0 || (most < loosest && lanes.IdleWith(option + 1) > most + lastFills))
                continue;
            if (IdleScan.Any(lanes.With(option + 1), last, state, choosing.Row(nextLevel, number), most))
                return true;
        }
        return false;
    }

    private bool IsOver()
    {
        if (++work < WorkBetweenLooks)
            return false;
        work = 0;
        return IsStopped = limit.IsOver();
    }
}
