using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;
using HourGrid.Core.Engine.Counting;
using HourGrid.Core.Measures;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>The measures of a timetable as far as it is chosen, one for each level of a search; written over and over.</summary>
/// <remarks>
/// Unsafe: its lanes are in a pinned array held here, which has room for them. Options come from the bits of states.
/// </remarks>
internal sealed unsafe class PartialMeasures
{
    private readonly RankedProblem ranked;
    private readonly MeasureWeights weights;
    private readonly WeighedCosts costs;
    private readonly ulong[] owner;
    private readonly WeekLanes lanes;
    private readonly int vectorsOfOption;
    private int earliest;
    private int latest;
    private int stretch;
    private int soft;
    private int away;
    private int taken;
    private int spare;
    private int changes;
    private ulong days;

    // Over all weeks.
    private int idle;

    private PartialMeasures(RankedProblem ranked, ulong[] owner, int place)
    {
        this.ranked = ranked;
        weights = ranked.Weights;
        costs = ranked.Costs;
        vectorsOfOption = ranked.Tables.VectorsOfOption;
        this.owner = owner;
        lanes = new(ranked.Tables, Pinned.FirstVector(owner) + ranked.Tables.VectorsOfLanes * place);
        earliest = OptionTable.NoStart;
        spare = SeatsToSpare.Enough;
    }

    public int Taken => taken;

    /// <summary>The weekdays with a meeting, for the classes that can matter, a byte each.</summary>
    public ulong Days => days;

    public WeekLanes Lanes => lanes;

    /// <summary>So many of which nothing is chosen yet.</summary>
    public static PartialMeasures[] New(RankedProblem ranked, int count)
    {
        var owner = Pinned.Vectors(ranked.Tables.VectorsOfLanes * count);
        var partials = new PartialMeasures[count];
        for (var place = 0; place < count; place++)
            partials[place] = new(ranked, owner, place);
        return partials;
    }

    /// <summary>
    /// Lists the options of a level that may lead to a cost no higher than one wanted: each with a cost that nothing
    /// beats that comes of this and the option.
    /// </summary>
    /// <param name="level">The level.</param>
    /// <param name="state">Has a bit for every option that is open.</param>
    /// <param name="cost">A cost that nothing beats that comes of this, as it was found with its last option.</param>
    /// <param name="wanted">Costs above are of no use.</param>
    /// <param name="into">Takes the costs, each with its option in the low bits, see <see cref="OptionOf"/>.</param>
    /// <returns>How many there are.</returns>
    public int CostsWith(RankedLevel level, ulong* state, long cost, long wanted, long[] into)
    {
        var mostIdle = MostIdleWith(level, cost, wanted);
        return ListCosts(level, level.After, state, mostIdle, wanted, into);
    }

    /// <summary>As <see cref="CostsWith"/>, where the options of all other levels are chosen.</summary>
    public int CostsAsLast(RankedLevel level, ulong* state, long wanted, long[] into) =>
        ListCosts(level, ranked.Bounds[^1], state, costs.MostIdle(wanted), wanted, into);

    /// <summary>
    /// The most idle minutes over all weeks with an option of a level added; most options are too much by them alone,
    /// beside everything else that this costs already.
    /// </summary>
    /// <param name="level">The level.</param>
    /// <param name="cost">A cost that nothing beats that comes of this, as it was found with its last option.</param>
    /// <param name="wanted">Costs above are of no use.</param>
    public long MostIdleWith(RankedLevel level, long cost, long wanted) =>
        costs.MostIdle(wanted - cost + costs.Idle(idle - level.With.MostBusy)) + level.After.MostBusy;

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private int ListCosts(RankedLevel level, LevelBounds after, ulong* state, long mostIdle, long wanted, long[] into)
    {
        var found = IdleScan.Find(ranked.Tables, lanes.First, level, state, mostIdle, into);
        var count = 0;
        for (var i = 0; i < found; i++)
        {
            var number = OptionOf(into[i]);
            var option = level.Options + number * vectorsOfOption;
            var with =
                costs.Idle((int)CostOf(into[i]) - after.MostBusy)
                + costs.Days(after.DaysAtLeast(days | ((OptionHead*)option)->Days))
                + CountedWith(after, option);
            if (with > wanted)
                continue;
            with += MeasuredWith(level, after, number, option);
            if (with <= wanted)
                into[count++] = Listed(with, number);
        }
        return count;
    }

    /// <summary>
    /// What changes and courses left out cost with an option of a level, at least: the same for all options of a level
    /// that are <see cref="RankedLevel.CountAlike"/>.
    /// </summary>
    /// <param name="after">What comes after the level.</param>
    /// <param name="option">The option.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public long CountedWith(LevelBounds after, Vector256<short>* option)
    {
        var head = (OptionHead*)option;
        return (changes + head->Changes + after.LeastChanges) * BestSearch.CostOfChange
            + costs.Wanted(taken + head->Taken + after.MostTaken);
    }

    /// <summary>The part of the cost that neither these nor days and idle time make, at least.</summary>
    /// <param name="level">The level.</param>
    /// <param name="after">What comes after it.</param>
    /// <param name="number">The option's number.</param>
    /// <param name="option">The option.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public long MeasuredWith(RankedLevel level, LevelBounds after, int number, Vector256<short>* option)
    {
        long cost = costs.HasMoves ? costs.Moves(lanes.MovesWith(option + 1)) : 0;
        return costs.HasRest ? cost + RestWith(level, after, number, option) : cost;
    }

    /// <summary>A cost and its option in one number, which sorts by the cost.</summary>
    public static long Listed(long cost, int option) => cost << IdleScan.OptionBits | (long)option;

    public static int OptionOf(long cost) => (int)(cost & ((1 << IdleScan.OptionBits) - 1));

    public static long CostOf(long cost) => cost >> IdleScan.OptionBits;

    /// <summary>Becomes another one with an option added; its meetings are left out.</summary>
    public void Become(PartialMeasures other, RankedLevel level, int number)
    {
        idle = lanes.Become(other.lanes, level.Options + number * vectorsOfOption + 1);
        var option = level.Tables[number];
        days = other.days | option.Head.Days;
        taken = other.taken + option.Head.Taken;
        changes = other.changes + option.Head.Changes;
        earliest = Math.Min(other.earliest, option.EarliestStart);
        latest = Math.Max(other.latest, option.LatestEnd);
        stretch = Math.Max(other.stretch, option.LongestStretch);
        soft = other.soft + option.Soft;
        away = other.away + option.Away;
        spare = Math.Min(other.spare, level.MostSpare[number]);
    }

    /// <summary>The cost of a whole timetable, with the seats its options have at best.</summary>
    /// <param name="leaf">What was seen of its meetings one by one.</param>
    public long Cost(LeafMeasures leaf) => changes * BestSearch.CostOfChange + Score(leaf);

    private int Score(LeafMeasures leaf)
    {
        var score = costs.Wanted(taken) + weights[SeatsToSpare.Measure] * SeatsToSpare.Badness(spare);
        var (classDays, weeks) = lanes.DaysAndWeeks();
        if (weeks == 0)
            return score;
        return score
            + weights[ClassDays.Measure] * ClassDays.Badness(classDays)
            + weights[IdleMinutes.Measure] * IdleMinutes.Badness(Mean(idle, weeks))
            + weights[EarliestStart.Measure] * EarliestStart.Badness(earliest)
            + weights[LatestEnd.Measure] * LatestEnd.Badness(latest)
            + weights[LongestStretch.Measure] * LongestStretch.Badness(leaf.LongestStretch)
            + weights[CampusMoves.Measure] * CampusMoves.Badness(Mean(leaf.Moves * 10, weeks))
            + weights[SoftMinutes.Measure] * SoftMinutes.Badness(Mean(soft, weeks))
            + weights[BreaksMissed.Measure] * BreaksMissed.Badness(leaf.BreaksMissed)
            + weights[AwayMinutes.Measure] * AwayMinutes.Badness(Mean(away, weeks))
            + weights[OnTheWayMinutes.Measure] * OnTheWayMinutes.Badness(Mean(leaf.OnTheWay, weeks));
    }

    /// <summary>The measures of a whole timetable.</summary>
    /// <param name="leaf">What was seen of its meetings one by one, whatever has a weight.</param>
    /// <param name="seats">The fewest free seats of its sections.</param>
    public WeekMeasures Measures(LeafMeasures leaf, int seats)
    {
        var (classDays, weeks) = lanes.DaysAndWeeks();
        var hasMeetings = weeks > 0;
        var figures = new int?[MeasureList.All.Count];
        figures[ClassDays.Measure.Place] = classDays;
        figures[IdleMinutes.Measure.Place] = Mean(idle, weeks);
        figures[EarliestStart.Measure.Place] = hasMeetings ? earliest : null;
        figures[LatestEnd.Measure.Place] = hasMeetings ? latest : null;
        figures[LongestDay.Measure.Place] = hasMeetings ? lanes.LongestDay() : 0;
        figures[LongestStretch.Measure.Place] = leaf.LongestStretch;
        figures[CampusMoves.Measure.Place] = Mean(leaf.Moves * 10, weeks);
        figures[SoftMinutes.Measure.Place] = Mean(soft, weeks);
        figures[BreaksMissed.Measure.Place] = leaf.BreaksMissed;
        figures[SeatsToSpare.Measure.Place] = seats;
        figures[AwayMinutes.Measure.Place] = Mean(away, weeks);
        figures[OnTheWayMinutes.Measure.Place] = Mean(leaf.OnTheWay, weeks);
        figures[WantedTaken.Measure.Place] = taken;
        return new(figures);
    }

    /// <summary>The part of the score that is left: starts, ends, stretches, soft rules and seats.</summary>
    private int RestWith(RankedLevel level, LevelBounds after, int number, Vector256<short>* added)
    {
        var (option, optionSpare) = (level.Tables[number], level.MostSpare[number]);
        var score = 0;
        // Without any meeting these two count nothing; with one, at least so much.
        var first = Math.Min(Math.Min(earliest, option.EarliestStart), after.EarliestStartBound);
        if (weights[EarliestStart.Measure] != 0 && first != OptionTable.NoStart)
            score += weights[EarliestStart.Measure] * EarliestStart.Badness(first);
        if (weights[LatestEnd.Measure] != 0)
            score +=
                weights[LatestEnd.Measure]
                * LatestEnd.Badness(Math.Max(Math.Max(latest, option.LatestEnd), after.EarliestLatest));
        if (weights[LongestStretch.Measure] != 0)
            score +=
                weights[LongestStretch.Measure]
                * LongestStretch.Badness(Math.Max(Math.Max(stretch, option.LongestStretch), after.LeastStretch));
        if (weights[SoftMinutes.Measure] != 0)
            score +=
                weights[SoftMinutes.Measure]
                * SoftMinutes.Badness(Mean(soft + option.Soft + after.LeastSoft, ranked.Tables.AllWeeks));
        if (weights[AwayMinutes.Measure] != 0)
            score +=
                weights[AwayMinutes.Measure]
                * AwayMinutes.Badness(Mean(away + option.Away + after.LeastAway, ranked.Tables.AllWeeks));
        if (weights[OnTheWayMinutes.Measure] != 0 && ranked.Tables.Campuses.LeastMinutes is { } least and > 0)
            score +=
                weights[OnTheWayMinutes.Measure]
                * OnTheWayMinutes.Badness(Mean(least * lanes.MovesWith(added + 1), ranked.Tables.AllWeeks));
        if (weights[SeatsToSpare.Measure] != 0)
            score +=
                weights[SeatsToSpare.Measure]
                * SeatsToSpare.Badness(Math.Min(Math.Min(spare, optionSpare), after.MostSpare));
        return score;
    }

    private static int Mean(int sum, int weeks) => sum <= 0 ? 0 : (2 * sum + weeks) / (2 * weeks);
}
