using System.Numerics;
using System.Runtime.Intrinsics;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;
using HourGrid.Core.Measures;
using HourGrid.Core.Timetables;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// What the measures need to know of every option, by week class and weekday: those in which the same options meet
/// share a lane, and sixteen lanes a vector, so that a timetable's first start, last end and busy minutes are kept for
/// all days at once.
/// </summary>
/// <remarks>Unsafe: the vectors stand in pinned arrays held here, for as long as any table points at them.</remarks>
internal sealed unsafe class WeekTables
{
    /// <summary>Classes whose weekdays fit a word, a byte each.</summary>
    private const int MostDayClasses = 8;

    private readonly ulong[] vectorsOfOptions;
    private readonly ulong[] weights;

    private readonly Vector256<short>*[] firstOf;

    // By class and weekday.
    private readonly int[] laneOf;

    // By class and vector.
    private readonly uint[] lanesOf;

    public WeekTables(Problem problem, WorkLimit limit)
    {
        var ask = problem.Ask;
        Campuses = new(problem.Snapshot);
        var options = problem.Levels.SelectMany(level => level.Options).ToArray();
        Classes = WeekClasses.Of(
            options.SelectMany(option => option.Meetings).Select(meeting => meeting.Weeks),
            ask.TimeBlocks.Select(block => block.Weeks)
        );
        WeeksIn = [.. Classes.Select(one => one.Count)];
        AllWeeks = WeeksIn.Sum();
        (laneOf, var weightOfLane) = Lanes(options);
        Vectors = Math.Max(1, (weightOfLane.Count + LaneVectors.Lanes - 1) / LaneVectors.Lanes);
        weights = Pinned.Vectors(Vectors);
        WeightOfVector = Pinned.FirstVector(weights);
        for (var lane = 0; lane < weightOfLane.Count; lane++)
            ((short*)WeightOfVector)[lane] = (short)weightOfLane[lane];
        lanesOf = new uint[Classes.Length * Vectors];
        for (var day = 0; day < laneOf.Length; day++)
            lanesOf[day / Weekdays.PerWeek * Vectors + laneOf[day] / LaneVectors.Lanes] |=
                1u << laneOf[day] % LaneVectors.Lanes;

        vectorsOfOptions = Pinned.Vectors(options.Length * VectorsOfOption);
        var next = Pinned.FirstVector(vectorsOfOptions);
        var soft = new SoftRules(ask);
        var oneDay = new DayOfOption();
        Options = new OptionTable[problem.Levels.Count][];
        firstOf = new Vector256<short>*[problem.Levels.Count];
        for (var level = 0; level < Options.Length; level++)
        {
            firstOf[level] = next;
            var ofLevel = Options[level] = new OptionTable[problem.Levels[level].Options.Count];
            for (var option = 0; option < ofLevel.Length; option++, next += VectorsOfOption)
            {
                limit.ThrowIfOver();
                ofLevel[option] = new OptionTable(problem.Levels[level].Options[option], this, soft, oneDay, next);
            }
        }
        Meetings.Sort();
        foreach (var ofLevel in Options)
        foreach (var option in ofLevel)
            Meetings.Place(option.Meetings);
        MostCampuses = CampusesIn(Meetings.InOrder);
        HasSoft = Options.Any(ofLevel => ofLevel.Any(option => option.Soft > 0));
        HasAway = Options.Any(ofLevel => ofLevel.Any(option => option.Away > 0));
        DayClasses = Undominated();
        foreach (var ofLevel in Options)
        foreach (var option in ofLevel)
            option.TakeDays(DayClasses);
        MostDays = DayClasses
            .Select(one =>
                Options.SelectMany(ofLevel => ofLevel).Aggregate(0, (days, option) => days | option.DaysByClass[one])
            )
            .Select(days => BitOperations.PopCount((uint)days))
            .DefaultIfEmpty()
            .Max();
    }

    /// <summary>The week classes.</summary>
    public WeekSet[] Classes { get; }

    /// <summary>How many weeks each class has.</summary>
    public int[] WeeksIn { get; }

    public int AllWeeks { get; }

    /// <summary>Vectors for all lanes, one at least.</summary>
    public int Vectors { get; }

    /// <summary>Vectors that hold lanes, see <see cref="LaneVectors"/>.</summary>
    public int VectorsOfLanes => LaneVectors.Count(Vectors);

    /// <summary>Vectors of an option: one for its <see cref="OptionHead"/>, then those of its lanes.</summary>
    public int VectorsOfOption => 1 + VectorsOfLanes;

    /// <summary>Weeks of each lane, by vector; 0 for lanes that only fill a vector.</summary>
    public Vector256<short>* WeightOfVector { get; }

    /// <summary>The meetings of all options, for each week class they have.</summary>
    public ListedMeetings Meetings { get; } = new();

    /// <summary>Week classes whose class days can be the most of all, as many as a word holds.</summary>
    public int[] DayClasses { get; }

    /// <summary>On how many weekdays of a week options meet at all, in the class where it is the most.</summary>
    public int MostDays { get; }

    /// <summary>By level and option.</summary>
    public OptionTable[][] Options { get; }

    /// <summary>The campuses of the catalogue.</summary>
    public CampusNumbers Campuses { get; }

    /// <summary>Campuses of all options, as far as a lane has bits for them.</summary>
    public int MostCampuses { get; }

    /// <summary>Whether any option has minutes in Rather-not blocks.</summary>
    public bool HasSoft { get; }

    /// <summary>Whether any option has minutes away from the preferred campus.</summary>
    public bool HasAway { get; }

    /// <summary>The first option of a level; the others follow.</summary>
    public Vector256<short>* FirstOf(int level) => firstOf[level];

    /// <summary>A class and weekday as one number.</summary>
    public static int DayOf(int weekClass, Weekday day) => weekClass * Weekdays.PerWeek + (int)day;

    public int LaneOf(int day) => laneOf[day];

    /// <summary>The lanes of a vector that a class has on any weekday, a bit each.</summary>
    public uint LanesOf(int weekClass, int vector) => lanesOf[weekClass * Vectors + vector];

    /// <summary>
    /// A lane for each weekday and each set of classes that no meeting of the weekday tells apart; what is the same in
    /// all of them is kept once, with the weeks of all.
    /// </summary>
    private (int[] LaneOf, List<int> WeightOfLane) Lanes(CourseOption[] options)
    {
        var lanes = new int[Classes.Length * Weekdays.PerWeek];
        var weightOfLane = new List<int>();
        var weeksOf = new HashSet<WeekSet>[Weekdays.PerWeek];
        foreach (var weekday in Weekdays.All)
            weeksOf[(int)weekday] = [];
        foreach (var option in options)
            for (var i = 0; i < option.Meetings.Count; i++)
                weeksOf[(int)option.Meetings[i].Day].Add(option.Meetings[i].Weeks);
        foreach (var weekday in Weekdays.All)
        {
            WeekSet[] weeks = [.. weeksOf[(int)weekday]];
            var laneOfClass = new Dictionary<string, int>();
            for (var weekClass = 0; weekClass < Classes.Length; weekClass++)
            {
                var ofLevel = Classes[weekClass];
                var meets = string.Concat(weeks.Select(set => set.Overlaps(ofLevel) ? '1' : '0'));
                if (!laneOfClass.TryGetValue(meets, out var lane))
                {
                    laneOfClass[meets] = lane = weightOfLane.Count;
                    weightOfLane.Add(0);
                }
                lanes[DayOf(weekClass, weekday)] = lane;
                weightOfLane[lane] += WeeksIn[weekClass];
            }
        }
        return (lanes, weightOfLane);
    }

    private static int CampusesIn(DayMeeting[] meetings)
    {
        var all = 0u;
        foreach (var meeting in meetings)
            if (meeting.Campus is >= 0 and < OptionTable.MostCampuses)
                all |= 1u << meeting.Campus;
        return BitOperations.PopCount(all);
    }

    private int[] Undominated() =>
        [
            .. Enumerable
                .Range(0, Classes.Length)
                .Where(one => !Enumerable.Range(0, Classes.Length).Any(other => IsDominated(one, other)))
                .Take(MostDayClasses),
        ];

    /// <summary>Whether one class never has a class day that the other has not; of equals, the first stands for all.</summary>
    private bool IsDominated(int one, int other)
    {
        var isEqual = true;
        foreach (var ofLevel in Options)
        foreach (var option in ofLevel)
        {
            if ((option.DaysByClass[one] & ~option.DaysByClass[other]) != 0)
                return false;
            isEqual &= option.DaysByClass[one] == option.DaysByClass[other];
        }
        return !isEqual || other < one;
    }
}
