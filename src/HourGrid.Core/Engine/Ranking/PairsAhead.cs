using System.Numerics;
using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;
using HourGrid.Core.Engine.Counting;
using HourGrid.Core.Work;

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

    private readonly WeekTables tables;
    private readonly WeighedCosts costs;
    private readonly StateStep step;
    private readonly Deadline deadline;
    private readonly RankedLevel level;
    private readonly PairSide next;
    private readonly PairSide last;
    private readonly int levelNumber;

    // On how many days there are any meetings.
    private readonly int mostDays;
    private readonly ulong[] owner;

    // What an option takes beside its pairs, in words looked at.
    private readonly int workOfOption;

    /// <param name="ranked">What is ranked, of at least three levels.</param>
    /// <param name="step">Knows its rows.</param>
    /// <param name="deadline">Stops it, so that options may be missing from a list.</param>
    public PairsAhead(RankedProblem ranked, StateStep step, Deadline deadline)
    {
        (tables, costs) = (ranked.Tables, ranked.Costs);
        this.step = step;
        this.deadline = deadline;
        levelNumber = ranked.Levels.Length - LevelsLeft;
        level = ranked.Levels[levelNumber];
        (next, last) = (ranked.LastTwo[0], ranked.LastTwo[1]);
        mostDays = tables.MostDays;
        owner = Pinned.Vectors(2 * tables.VectorsOfLanes);
        workOfOption = ranked.Problem.RowWords(levelNumber) + next.Level.Tables.Length + last.Level.Tables.Length;
    }

    /// <summary>
    /// As <see cref="PartialMeasures.CostsWith"/> for the first of these levels, without the options that no pair of the last two
    /// completes to something that is wanted.
    /// </summary>
    /// <param name="node">What is chosen before these levels.</param>
    /// <param name="state">Has a bit for every option that is open.</param>
    /// <param name="cost">A cost that nothing beats that comes of it.</param>
    /// <param name="wanted">Costs above are of no use.</param>
    /// <param name="into">Takes the costs, each with its option in the low bits.</param>
    /// <returns>How many there are.</returns>
    public int CostsWith(PartialMeasures node, ulong* state, long cost, long wanted, long[] into)
    {
        var lanes = node.Lanes.First;
        var room = Pinned.FirstVector(owner);
        return tables.Vectors == 1
            ? CostsWith(new OneVector(tables, lanes), node, state, cost, wanted, into)
            : CostsWith(new SeveralVectors(tables, lanes, room), node, state, cost, wanted, into);
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private int CostsWith<T>(T lanes, PartialMeasures node, ulong* state, long cost, long wanted, long[] into)
        where T : struct, ILanes<T>
    {
        var (level, after, costs) = (this.level, this.level.After, this.costs);
        var left = step.Scratch(levelNumber + 1);
        IdleScan.Cut(lanes, level, state, node.MostIdleWith(level, cost, wanted));
        var measured = costs.HasMoves || costs.HasRest;
        var counted = node.CountedWith(after, level.Options);
        var (count, forIdle, most) = (0, -1L, -1L);
        for (int word = level.FirstWord, from = 0; word < level.EndWord; word++, from += 64)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var number = from + BitOperations.TrailingZeroCount(bits);
            if (deadline.HasPassedAfter(workOfOption))
                return count;
            if (!step.Choose(levelNumber, number, state, left))
                continue;
            var option = level.Options + number * lanes.Width;
            var days = node.Days | ((OptionHead*)option)->Days;
            var forDays = costs.Days(after.DaysAtLeast(days));
            if (!level.CountAlike)
                counted = node.CountedWith(after, option);
            var others = forDays + counted;
            if (measured)
                others += node.MeasuredWith(level, after, number, option);
            // One option leaves idle time mostly what the one before it does.
            if (forIdle != wanted - others)
                most = costs.MostIdle(forIdle = wanted - others);
            if (most < 0 || !AnyPair(lanes.With(option + 1), node, option, forIdle, forDays, most, left))
                continue;
            var with = others + costs.Idle(IdleScan.IdleWith(lanes, option + 1) - after.MostBusy);
            if (with <= wanted)
                into[count++] = PartialMeasures.Listed(with, number);
        }
        return count;
    }

    /// <summary>Whether a pair completes what is chosen to something that is wanted.</summary>
    /// <param name="lanes">The lanes of what is chosen, with an option of the first of these levels.</param>
    /// <param name="node">What is chosen before it.</param>
    /// <param name="option">The option.</param>
    /// <param name="forIdle">What idle time may cost, all else being as cheap as it can be.</param>
    /// <param name="forDays">What days cost then.</param>
    /// <param name="most">So many idle minutes at most.</param>
    /// <param name="state">The state; options of the last two levels that lead to nothing are taken out.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private bool AnyPair<T>(
        T lanes,
        PartialMeasures node,
        Vector256<short>* option,
        long forIdle,
        long forDays,
        long most,
        ulong* state
    )
        where T : struct, ILanes<T>
    {
        var lasts = IdleScan.Cut(lanes, last.Level, state, most + last.Left.MostBusy);
        if (lasts == 0)
            return false;
        var nexts = IdleScan.Cut(lanes, next.Level, state, most + next.Left.MostBusy);
        if (nexts == 0 || nexts * lasts > MostPairs)
            return nexts > 0;
        deadline.HasPassedAfter(nexts * lasts);
        return AnyPair(lanes, lasts < nexts ? last : next, node, option, forIdle + forDays, most, state);
    }

    /// <summary>As the other one, looked at from the side that has fewer options open.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private bool AnyPair<T>(
        T lanes,
        PairSide side,
        PartialMeasures node,
        Vector256<short>* option,
        long forBoth,
        long most,
        ulong* state
    )
        where T : struct, ILanes<T>
    {
        var (level, beside, left, costs) = (side.Level, side.Other, side.Left, this.costs);
        var days = node.Days | ((OptionHead*)option)->Days;
        var taken = node.Taken + ((OptionHead*)option)->Taken;
        // What idle time may cost together with days and courses left out, which each pair tells better.
        var forAll = forBoth + costs.Wanted(taken + level.After.MostTaken);
        // Where no pair can have too many days, idle time alone tells nearly all that have too much.
        var daysTell = forAll < costs.Days(mostDays);
        for (int word = level.FirstWord, from = 0; word < level.EndWord; word++, from += 64)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var number = from + BitOperations.TrailingZeroCount(bits);
            var other = level.Options + number * lanes.Width;
            var mostWith = daysTell ? MostIdleWith((OptionHead*)other, days, taken, left, forAll) : most;
            if (mostWith < 0 || (mostWith < most && IdleScan.IdleWith(lanes, other + 1) > mostWith + left.MostBusy))
                continue;
            if (!IdleScan.Any(lanes, other + 1, side.Row(number), beside, state, mostWith))
                continue;
            if (daysTell)
                return true;
            mostWith = MostIdleWith((OptionHead*)other, days, taken, left, forAll);
            if (mostWith >= most || IdleScan.Any(lanes, other + 1, side.Row(number), beside, state, mostWith))
                return true;
        }
        return false;
    }

    /// <summary>The most idle minutes with an option of one of the last two levels, for the days and courses it takes.</summary>
    /// <param name="head">The option.</param>
    /// <param name="days">The days of what is chosen before the two.</param>
    /// <param name="taken">Courses taken before them.</param>
    /// <param name="left">What the other of the two adds at least.</param>
    /// <param name="forAll">What idle time, days and courses left out may cost together.</param>
    private long MostIdleWith(OptionHead* head, ulong days, int taken, LevelBounds left, long forAll) =>
        costs.MostIdle(
            forAll
                - costs.Days(left.DaysAtLeast(days | head->Days))
                - costs.Wanted(taken + head->Taken + left.MostTaken)
        );
}
