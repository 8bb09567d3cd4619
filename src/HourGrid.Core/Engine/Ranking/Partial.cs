using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;
using System.Runtime.Intrinsics.X86;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Measuring;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>The measures of a timetable as far as it is chosen, one for each level of a search; written over and over.</summary>
internal sealed class Partial
{
    private readonly WeekTables tables;
    private readonly Bounds bounds;
    private readonly Badness badness;
    private readonly WeighedCosts costs;
    private readonly Vector256<short>[] starts;
    private readonly Vector256<short>[] ends;
    private readonly Vector256<short>[] busy;
    private readonly Vector256<short>[] campuses;
    private readonly int[] days;
    private readonly DayMeeting[] meetings;
    private int meetingCount;
    private int earliest;
    private int latest;
    private int stretch;
    private int soft;
    private int away;
    private int taken;
    private int spare;
    private int changes;
    private ulong active;

    public Partial(WeekTables tables, Bounds bounds, Badness badness, WeighedCosts costs)
    {
        this.tables = tables;
        this.bounds = bounds;
        this.badness = badness;
        this.costs = costs;
        starts = new Vector256<short>[tables.Vectors];
        ends = new Vector256<short>[tables.Vectors];
        busy = new Vector256<short>[tables.Vectors];
        campuses = new Vector256<short>[tables.Vectors];
        days = new int[tables.Classes.Length];
        meetings = new DayMeeting[tables.Options.Sum(level => level.Max(option => option.Meetings.Length))];
        Array.Fill(starts, Vector256.Create(OptionTable.NoStart));
        earliest = OptionTable.NoStart;
        spare = Badness.EnoughSeats;
    }

    public int Taken => taken;

    /// <summary>
    /// Becomes another one with an option added; its meetings are left out. Gives a cost that no completion beats, or
    /// anything above the one wanted as soon as that is clear.
    /// </summary>
    /// <param name="other">The one that is extended.</param>
    /// <param name="option">The option added.</param>
    /// <param name="optionSpare">The most seats to spare it has.</param>
    /// <param name="level">The level that chooses next.</param>
    /// <param name="wanted">Costs above are of no use.</param>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public long Extend(Partial other, OptionTable option, int optionSpare, int level, long wanted)
    {
        var weights = badness.Weights;
        taken = other.taken + (option.IsAbsent ? 0 : 1);
        changes = other.changes + (option.IsChange ? 1 : 0);
        var cost =
            (changes + bounds.LeastChanges[level]) * BestSearch.CostOfChange
            + costs.Wanted(taken + bounds.MostTaken[level]);
        var fewest = 0;
        var daysAtLeast = bounds.DaysAtLeast[level];
        for (var i = 0; i < days.Length; i++)
        {
            days[i] = other.days[i] | option.DaysByClass[i];
            fewest = Math.Max(fewest, daysAtLeast[i][days[i]]);
        }
        cost += costs.Days(fewest);
        if (cost > wanted)
            return cost;
        for (var i = 0; i < starts.Length; i++)
        {
            starts[i] = Vector256.Min(other.starts[i], option.Starts[i]);
            ends[i] = Vector256.Max(other.ends[i], option.Ends[i]);
            busy[i] = other.busy[i] + option.Busy[i];
            campuses[i] = other.campuses[i] | option.Campuses[i];
        }
        if (weights.Idle != 0)
            cost += costs.Idle(IdleAtLeast(level));
        if (cost > wanted)
            return cost;
        earliest = Math.Min(other.earliest, option.EarliestStart);
        latest = Math.Max(other.latest, option.LatestEnd);
        stretch = Math.Max(other.stretch, option.LongestStretch);
        soft = other.soft + option.Soft;
        away = other.away + option.Away;
        spare = Math.Min(other.spare, optionSpare);
        active = other.active | option.ActiveClasses;
        return cost + RestAtLeast(level);
    }

    /// <summary>Merges the option's meetings among those of the other, in the order of a week.</summary>
    public void ExtendMeetings(Partial other, OptionTable option)
    {
        var (i, j, k) = (0, 0, 0);
        var added = option.Meetings;
        while (i < other.meetingCount && j < added.Length)
            meetings[k++] = other.meetings[i].Order <= added[j].Order ? other.meetings[i++] : added[j++];
        while (i < other.meetingCount)
            meetings[k++] = other.meetings[i++];
        while (j < added.Length)
            meetings[k++] = added[j++];
        meetingCount = k;
    }

    /// <summary>The part of the score that neither days nor idle time nor the courses taken make, at least.</summary>
    private int RestAtLeast(int level)
    {
        var weights = badness.Weights;
        var score = 0;
        if (weights.Moves != 0)
            score += costs.Moves(MovesAtLeast());
        // Without any meeting these two count nothing; with one, at least so much.
        var first = Math.Min(earliest, bounds.LatestEarliest[level]);
        if (weights.LaterStart != 0 && first != OptionTable.NoStart)
            score += weights.LaterStart * Badness.Start(first);
        if (weights.EarlierFinish != 0)
            score += weights.EarlierFinish * Badness.End(Math.Max(latest, bounds.EarliestLatest[level]));
        if (weights.Stretch != 0)
            score += weights.Stretch * Badness.Stretch(Math.Max(stretch, bounds.LeastStretch[level]));
        if (weights.Soft != 0 && soft + bounds.LeastSoft[level] > 0)
            score += weights.Soft * Badness.Soft(Mean(soft + bounds.LeastSoft[level]));
        if (weights.Away != 0 && away + bounds.LeastAway[level] > 0)
            score += weights.Away * Badness.Away(Mean(away + bounds.LeastAway[level]));
        if (weights.Seats != 0)
            score += weights.Seats * Badness.Seats(Math.Min(spare, bounds.MostSpare[level]));
        return score;
    }

    /// <summary>The cost of a whole timetable, with the seats its options have at best.</summary>
    /// <param name="leaf">Looks at its meetings one by one.</param>
    public long Cost(LeafMeasures leaf) => changes * BestSearch.CostOfChange + Score(leaf);

    private int Score(LeafMeasures leaf)
    {
        var weights = badness.Weights;
        var score = weights.Wanted * badness.Wanted(taken) + weights.Seats * Badness.Seats(spare);
        var weeks = ActiveWeeks();
        if (weeks == 0)
            return score;
        leaf.Measure(meetings.AsSpan(0, meetingCount));
        return score
            + weights.ClassDays * Badness.ClassDays(MostDays())
            + weights.Idle * Badness.Idle(Mean(IdleAtLeast(tables.Options.Length), weeks))
            + weights.LaterStart * Badness.Start(earliest)
            + weights.EarlierFinish * Badness.End(latest)
            + weights.Stretch * Badness.Stretch(leaf.LongestStretch)
            + weights.Moves * Badness.Moves(Mean(leaf.Moves * 10, weeks))
            + weights.Soft * Badness.Soft(Mean(soft, weeks))
            + weights.BreaksMissed * Badness.BreaksMissed(leaf.BreaksMissed)
            + weights.Away * Badness.Away(Mean(away, weeks));
    }

    /// <summary>The measures of a whole timetable.</summary>
    /// <param name="leaf">Looks at its meetings one by one, whatever has a weight.</param>
    /// <param name="seats">The fewest free seats of its sections.</param>
    public WeekMeasures Measures(LeafMeasures leaf, int seats)
    {
        var weeks = ActiveWeeks();
        if (weeks == 0)
            return new(0, 0, null, null, 0, 0, 0, 0, 0, seats, 0, taken);
        leaf.Measure(meetings.AsSpan(0, meetingCount));
        var longestDay = 0;
        for (var i = 0; i < starts.Length; i++)
        for (var lane = 0; lane < Vector256<short>.Count; lane++)
            longestDay = Math.Max(longestDay, ends[i][lane] - starts[i][lane]);
        return new(
            ClassDays: MostDays(),
            IdleMinutes: Mean(IdleAtLeast(tables.Options.Length), weeks),
            EarliestStart: new Minute(earliest),
            LatestEnd: new Minute(latest),
            LongestDay: longestDay,
            LongestStretch: leaf.LongestStretch,
            CampusMovesTenths: Mean(leaf.Moves * 10, weeks),
            SoftMinutes: Mean(soft, weeks),
            BreaksMissed: leaf.BreaksMissed,
            SeatsToSpare: seats,
            AwayMinutes: Mean(away, weeks),
            WantedTaken: taken
        );
    }

    private int ActiveWeeks()
    {
        var weeks = 0;
        for (var i = 0; i < tables.WeeksIn.Length; i++)
            if ((active >> i & 1) != 0)
                weeks += tables.WeeksIn[i];
        return weeks;
    }

    private int MostDays()
    {
        var most = 0;
        foreach (var used in days)
            most = Math.Max(most, System.Numerics.BitOperations.PopCount((uint)used));
        return most;
    }

    /// <summary>
    /// Idle minutes over all weeks that are left however the later levels fill them: in each lane no more than they can
    /// add there, and altogether no more than they have.
    /// </summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private int IdleAtLeast(int level)
    {
        var most = bounds.MostBusyByLane[level];
        var idle = Vector256<int>.Zero;
        var left = Vector256<int>.Zero;
        for (var i = 0; i < starts.Length; i++)
        {
            // A lane without a meeting has no start, and so a gap far below 0.
            var gaps = Vector256.Max(ends[i] - starts[i] - busy[i], Vector256<short>.Zero);
            var unfilled = Vector256.Max(gaps - most[i], Vector256<short>.Zero);
            idle += Weighed(gaps, tables.WeightOfVector[i]);
            left += Weighed(unfilled, tables.WeightOfVector[i]);
        }
        return Math.Max(Vector256.Sum(left), Vector256.Sum(idle) - bounds.MostBusy[level]);
    }

    /// <summary>
    /// Campus moves over all weeks that are there already, and that no meeting added takes away: on each day at least
    /// one fewer than there are campuses.
    /// </summary>
    private int MovesAtLeast()
    {
        var moves = Vector256<int>.Zero;
        for (var i = 0; i < campuses.Length; i++)
        {
            // Each round takes one campus of every lane; all but the last one of a lane are moves.
            var several = campuses[i] & (campuses[i] - Vector256<short>.One);
            while (several != Vector256<short>.Zero)
            {
                var has = ~Vector256.Equals(several, Vector256<short>.Zero) & Vector256<short>.One;
                moves += Weighed(has, tables.WeightOfVector[i]);
                several &= several - Vector256<short>.One;
            }
        }
        return Vector256.Sum(moves);
    }

    /// <summary>Products of neighbouring lanes, added two by two.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Vector256<int> Weighed(Vector256<short> minutes, Vector256<short> weights)
    {
        if (Avx2.IsSupported)
            return Avx2.MultiplyAddAdjacent(minutes, weights);
        var (low, high) = Vector256.Widen(minutes);
        var (lowWeights, highWeights) = Vector256.Widen(weights);
        return low * lowWeights + high * highWeights;
    }

    private int Mean(int sum) => Mean(sum, Math.Max(1, tables.AllWeeks));

    private static int Mean(int sum, int weeks) => sum <= 0 ? 0 : (2 * sum + weeks) / (2 * weeks);
}
