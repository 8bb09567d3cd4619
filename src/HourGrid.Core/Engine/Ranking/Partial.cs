using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;
using HourGrid.Core.Measuring;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>The measures of a timetable as far as it is chosen, one for each level of a search; written over and over.</summary>
internal sealed class Partial
{
    private readonly WeekTables tables;
    private readonly Bounds bounds;
    private readonly Badness badness;
    private readonly Vector256<short>[] starts;
    private readonly Vector256<short>[] ends;
    private readonly Vector256<short>[] busy;
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

    public Partial(WeekTables tables, Bounds bounds, Badness badness)
    {
        this.tables = tables;
        this.bounds = bounds;
        this.badness = badness;
        starts = new Vector256<short>[tables.Vectors];
        ends = new Vector256<short>[tables.Vectors];
        busy = new Vector256<short>[tables.Vectors];
        days = new int[tables.Classes.Length];
        meetings = new DayMeeting[tables.Options.Sum(level => level.Max(option => option.Meetings.Length))];
        Array.Fill(starts, Vector256.Create(OptionTable.NoStart));
        earliest = OptionTable.NoStart;
        spare = Badness.EnoughSeats;
    }

    public int Changes => changes;

    public int Taken => taken;

    /// <summary>Becomes another one with an option added; its meetings are left out.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public void Extend(Partial other, OptionTable option, int optionSpare)
    {
        for (var i = 0; i < starts.Length; i++)
        {
            starts[i] = Vector256.Min(other.starts[i], option.Starts[i]);
            ends[i] = Vector256.Max(other.ends[i], option.Ends[i]);
            busy[i] = other.busy[i] + option.Busy[i];
        }
        for (var i = 0; i < days.Length; i++)
            days[i] = other.days[i] | option.DaysByClass[i];
        earliest = Math.Min(other.earliest, option.EarliestStart);
        latest = Math.Max(other.latest, option.LatestEnd);
        stretch = Math.Max(other.stretch, option.LongestStretch);
        soft = other.soft + option.Soft;
        away = other.away + option.Away;
        taken = other.taken + (option.IsAbsent ? 0 : 1);
        spare = Math.Min(other.spare, optionSpare);
        changes = other.changes + (option.IsChange ? 1 : 0);
        active = other.active | option.ActiveClasses;
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

    /// <summary>A score that no completion beats, given that the levels from <paramref name="level"/> on choose.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public int AtLeast(int level)
    {
        var weights = badness.Weights;
        var score = weights.Wanted * badness.Wanted(taken + bounds.MostTaken[level]);
        if (weights.ClassDays != 0)
        {
            var fewest = 0;
            for (var i = 0; i < days.Length; i++)
                fewest = Math.Max(fewest, bounds.DaysAtLeast[level][i][days[i]]);
            score += weights.ClassDays * Badness.ClassDays(fewest);
        }
        if (weights.Idle != 0)
            score += weights.Idle * Badness.Idle(Mean(IdleAtLeast(level)));
        // Without any meeting these two count nothing; with one, at least so much.
        var first = Math.Min(earliest, bounds.LatestEarliest[level]);
        if (weights.LaterStart != 0 && first != OptionTable.NoStart)
            score += weights.LaterStart * Badness.Start(first);
        if (weights.EarlierFinish != 0)
            score += weights.EarlierFinish * Badness.End(Math.Max(latest, bounds.EarliestLatest[level]));
        if (weights.Stretch != 0)
            score += weights.Stretch * Badness.Stretch(Math.Max(stretch, bounds.LeastStretch[level]));
        if (weights.Soft != 0)
            score += weights.Soft * Badness.Soft(Mean(soft + bounds.LeastSoft[level]));
        if (weights.Away != 0)
            score += weights.Away * Badness.Away(Mean(away + bounds.LeastAway[level]));
        if (weights.Seats != 0)
            score += weights.Seats * Badness.Seats(Math.Min(spare, bounds.MostSpare[level]));
        return score;
    }

    /// <summary>The score of a whole timetable, with the seats its options have at best.</summary>
    /// <param name="leaf">Looks at its meetings one by one.</param>
    public int Score(LeafMeasures leaf)
    {
        var weights = badness.Weights;
        var weeks = 0;
        for (var i = 0; i < tables.WeeksIn.Length; i++)
            if ((active >> i & 1) != 0)
                weeks += tables.WeeksIn[i];
        var score = weights.Wanted * badness.Wanted(taken) + weights.Seats * Badness.Seats(spare);
        if (weeks == 0)
            return score;
        leaf.Measure(meetings.AsSpan(0, meetingCount));
        var mostDays = 0;
        for (var i = 0; i < days.Length; i++)
            mostDays = Math.Max(mostDays, System.Numerics.BitOperations.PopCount((uint)days[i]));
        return score
            + weights.ClassDays * Badness.ClassDays(mostDays)
            + weights.Idle * Badness.Idle(Mean(IdleAtLeast(tables.Options.Length), weeks))
            + weights.LaterStart * Badness.Start(earliest)
            + weights.EarlierFinish * Badness.End(latest)
            + weights.Stretch * Badness.Stretch(leaf.LongestStretch)
            + weights.Moves * Badness.Moves(Mean(leaf.Moves * 10, weeks))
            + weights.Soft * Badness.Soft(Mean(soft, weeks))
            + weights.BreaksMissed * Badness.BreaksMissed(leaf.BreaksMissed)
            + weights.Away * Badness.Away(Mean(away, weeks));
    }

    /// <summary>
    /// Idle minutes over all weeks that are left however the later levels fill them: in each lane no more than they can
    /// add there, and altogether no more than they have.
    /// </summary>
    private int IdleAtLeast(int level)
    {
        var most = bounds.MostBusyByLane[level];
        var idle = 0;
        var left = 0;
        for (var i = 0; i < starts.Length; i++)
        {
            var gaps = Vector256.Max(ends[i] - starts[i] - busy[i], Vector256<short>.Zero);
            // A lane without a meeting has no start, and so a gap far below 0.
            if (gaps == Vector256<short>.Zero)
                continue;
            for (var lane = 0; lane < Vector256<short>.Count; lane++)
            {
                var gap = gaps[lane];
                if (gap == 0)
                    continue;
                var weight = tables.WeightOfLane[i * Vector256<short>.Count + lane];
                idle += weight * gap;
                left += weight * Math.Max(0, gap - most[i * Vector256<short>.Count + lane]);
            }
        }
        return Math.Max(left, idle - bounds.MostBusy[level]);
    }

    private int Mean(int sum) => Mean(sum, Math.Max(1, tables.AllWeeks));

    private static int Mean(int sum, int weeks) => sum <= 0 ? 0 : (2 * sum + weeks) / (2 * weeks);
}
