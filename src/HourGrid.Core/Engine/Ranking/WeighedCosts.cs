using System.Runtime.CompilerServices;
using HourGrid.Core.Measures;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// What every node of a search needs, looked up: parts of the score, each weighed, by the figure they depend on. All
/// sums are over the weeks of the term; the more weeks, the less bad is a sum, so these are the least it can be.
/// </summary>
internal sealed class WeighedCosts
{
    /// <summary>Enough to be exact: the product is off by less than its dividend / 2^40, and that by less than 2^24.</summary>
    private const int ReciprocalBits = 40;

    /// <summary>What is looked up here, and breaks, of which nothing is known before a day is whole.</summary>
    private static readonly Measure[] LookedUp =
    [
        ClassDays.Measure,
        IdleMinutes.Measure,
        CampusMoves.Measure,
        WantedTaken.Measure,
        BreaksMissed.Measure,
    ];

    private readonly int weeks;
    private readonly ulong reciprocal;

    // By badness, the most idle minutes a week that are no worse.
    private readonly int[] mostIdle;

    // By minutes a week; the others by their sum.
    private readonly int[] idle;
    private readonly ulong reciprocalOfWeight;
    private readonly int[] moves;
    private readonly int[] wanted;
    private readonly int[] days;

    /// <param name="weights">What matters.</param>
    /// <param name="tables">What is known of the options.</param>
    /// <param name="courses">Courses in play.</param>
    public WeighedCosts(MeasureWeights weights, WeekTables tables, int courses)
    {
        weeks = Math.Max(1, tables.AllWeeks);
        reciprocal = (1UL << ReciprocalBits) / (2 * (ulong)weeks) + 1;
        reciprocalOfWeight = (1UL << ReciprocalBits) / (uint)Math.Max(1, weights[IdleMinutes.Measure]) + 1;
        idle = Until(IdleMinutes.Badness, weights[IdleMinutes.Measure]);
        mostIdle = MostMinutes();
        moves = Until(sum => CampusMoves.Badness(Mean(10 * sum)), weights[CampusMoves.Measure]);
        wanted =
        [
            .. Enumerable
                .Range(0, courses + 1)
                .Select(taken => weights[WantedTaken.Measure] * WantedTaken.Badness(taken, courses)),
        ];
        HasRest = MeasureList
            .Weighed.Except(LookedUp)
            .Any(measure => weights[measure] != 0 && CanCount(measure, tables));
        days = [.. Enumerable.Range(0, 8).Select(count => weights[ClassDays.Measure] * ClassDays.Badness(count))];
    }

    /// <summary>Whether anything else matters.</summary>
    public bool HasRest { get; }

    public bool HasMoves => moves.Length > 1;

    private static bool CanCount(Measure measure, WeekTables tables) =>
        measure == SoftMinutes.Measure ? tables.HasSoft : measure != AwayMinutes.Measure || tables.HasAway;

    /// <summary>Of idle minutes over all weeks.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public int Idle(int sum) => idle[Math.Min(Mean(Math.Max(0, sum)), idle.Length - 1)];

    /// <summary>The most idle minutes over all weeks that cost no more than so much; less than 0 if none do.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public long MostIdle(long cost)
    {
        if (cost < 0)
            return -1;
        if (cost >= idle[^1])
            return long.MaxValue / 2;
        // A mean is rounded half up.
        var minutes = mostIdle[(int)((ulong)cost * reciprocalOfWeight >> ReciprocalBits)];
        return (long)minutes * weeks + (weeks - 1) / 2;
    }

    /// <summary>Of campus moves over all weeks.</summary>
    public int Moves(int sum) => moves[Math.Min(sum, moves.Length - 1)];

    /// <summary>Of so many courses taken.</summary>
    public int Wanted(int taken) => wanted[taken];

    /// <summary>Of so many class days.</summary>
    public int Days(int count) => days[count];

    /// <summary>Up to the figure from which on it is as bad as can be.</summary>
    private static int[] Until(Func<int, int> badness, int weight)
    {
        if (weight == 0)
            return [0];
        var costs = new List<int>();
        for (var figure = 0; costs.Count == 0 || costs[^1] < weight * Measure.WorstBadness; figure++)
            costs.Add(weight * badness(figure));
        return [.. costs];
    }

    private static int[] MostMinutes()
    {
        var most = new int[Measure.WorstBadness + 1];
        for (int minutes = 0, badness = 0; badness < Measure.WorstBadness; minutes++)
        {
            badness = IdleMinutes.Badness(minutes);
            most[badness] = minutes;
        }
        for (var badness = 1; badness < most.Length; badness++)
            most[badness] = Math.Max(most[badness], most[badness - 1]);
        return most;
    }

    /// <summary>Of a week, rounded half up: a division by twice the weeks, as a product with their reciprocal.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private int Mean(int sum) => (int)((2 * (ulong)sum + (ulong)weeks) * reciprocal >> ReciprocalBits);
}
