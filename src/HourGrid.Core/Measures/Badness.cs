using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Measures;

/// <summary>
/// How bad each measure is, 0 to <see cref="Most"/>, in whole numbers rounded half up; and the score, the sum of each
/// weight times its badness. The lowest score is the best.
/// </summary>
/// <param name="weights">What matters.</param>
/// <param name="coursesInPlay">Courses that are not set aside, at least 1.</param>
public sealed class Badness(Weights weights, int coursesInPlay)
{
    /// <summary>The worst a measure can be.</summary>
    public const int Most = 1000;

    private const int LateEnough = 10 * 60;
    private const int EarlyEnough = 16 * 60;

    /// <summary>The weights.</summary>
    public Weights Weights => weights;

    /// <summary>The score of a timetable.</summary>
    public int Score(WeekMeasures measures) =>
        weights.ClassDays * ClassDays(measures.ClassDays)
        + weights.Idle * Idle(measures.IdleMinutes)
        + weights.LaterStart * (measures.EarliestStart is { } start ? Start(start.Value) : 0)
        + weights.EarlierFinish * (measures.LatestEnd is { } end ? End(end.Value) : 0)
        + weights.Stretch * Stretch(measures.LongestStretch)
        + weights.Moves * Moves(measures.CampusMovesTenths)
        + weights.Soft * Soft(measures.SoftMinutes)
        + weights.BreaksMissed * BreaksMissed(measures.BreaksMissed)
        + weights.Seats * Seats(measures.SeatsToSpare)
        + weights.Away * Away(measures.AwayMinutes)
        + weights.Wanted * Wanted(measures.WantedTaken);

    /// <summary>Of so many class days.</summary>
    public static int ClassDays(int days) => Share(days, Weekdays.PerWeek);

    /// <summary>Of so many idle minutes a week.</summary>
    public static int Idle(int minutes) => Share(minutes, 1500);

    /// <summary>Of an earliest start, in minutes after midnight.</summary>
    public static int Start(int minute) => Share(LateEnough - minute, LateEnough);

    /// <summary>Of a latest end, in minutes after midnight.</summary>
    public static int End(int minute) => Share(minute - EarlyEnough, 480);

    /// <summary>Of a longest stretch in minutes.</summary>
    public static int Stretch(int minutes) => Share(minutes, 480);

    /// <summary>Of campus moves a week, in tenths.</summary>
    public static int Moves(int tenths) => Share(tenths, 100);

    /// <summary>Of so many minutes in Rather-not blocks.</summary>
    public static int Soft(int minutes) => Share(minutes, 600);

    /// <summary>Of so many soft breaks missed.</summary>
    public static int BreaksMissed(int breaks) => Share(breaks, 7);

    /// <summary>Of so many seats to spare; from <see cref="EnoughSeats"/> on it is 0.</summary>
    public static int Seats(int spare) => Most - Share(Math.Min(spare, EnoughSeats), EnoughSeats);

    /// <summary>Seats to spare beyond which more are no better.</summary>
    public const int EnoughSeats = 10;

    /// <summary>Of so many minutes away from the preferred campus.</summary>
    public static int Away(int minutes) => Share(minutes, 1500);

    /// <summary>Of so many courses taken.</summary>
    public int Wanted(int taken) => Share(coursesInPlay - taken, coursesInPlay);

    /// <summary>A thousand times the share, rounded half up, no less than 0 and no more than <see cref="Most"/>.</summary>
    private static int Share(int amount, int whole) =>
        amount <= 0 ? 0 : Math.Min(Most, (2 * Most * amount + whole) / (2 * whole));
}
