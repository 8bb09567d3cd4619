using System.Runtime.Intrinsics;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// What the measures need to know of every option, by week class and weekday. Each class and weekday is a lane of
/// sixteen to a vector, so that a timetable's first start, last end and busy minutes are kept for all days at once.
/// </summary>
internal sealed class WeekTables
{
    private const int LanesInVector = 16;

    public WeekTables(Problem problem, CancellationToken cancellation)
    {
        var ask = problem.Ask;
        var meetings = problem.Courses.SelectMany(course => course.Options).SelectMany(option => option.Meetings);
        Classes = WeekClasses.Of(
            meetings.Select(meeting => meeting.Weeks),
            ask.TimeBlocks.Select(block => block.Weeks)
        );
        WeeksIn = [.. Classes.Select(one => one.Count)];
        AllWeeks = WeeksIn.Sum();
        Vectors = Math.Max(1, (Classes.Length * Weekdays.PerWeek + LanesInVector - 1) / LanesInVector);
        WeightOfLane = new int[Vectors * LanesInVector];
        for (var lane = 0; lane < Classes.Length * Weekdays.PerWeek; lane++)
            WeightOfLane[lane] = WeeksIn[lane / Weekdays.PerWeek];
        WeightOfVector =
        [
            .. WeightOfLane
                .Select(weight => (short)weight)
                .Chunk(LanesInVector)
                .Select(chunk => Vector256.Create(chunk)),
        ];
        var soft = new SoftRules(ask);
        Options =
        [
            .. problem.Levels.Select(level =>
                level
                    .Options.Select(option =>
                    {
                        cancellation.ThrowIfCancellationRequested();
                        return new OptionTable(option, this, soft);
                    })
                    .ToArray()
            ),
        ];
    }

    /// <summary>The week classes; lane <c>class * 7 + weekday</c>.</summary>
    public WeekSet[] Classes { get; }

    /// <summary>How many weeks each class has.</summary>
    public int[] WeeksIn { get; }

    public int AllWeeks { get; }

    /// <summary>Vectors for all lanes.</summary>
    public int Vectors { get; }

    /// <summary>Weeks of each lane's class; 0 for lanes that only fill a vector.</summary>
    public int[] WeightOfLane { get; }

    /// <summary>The same, by vector.</summary>
    public Vector256<short>[] WeightOfVector { get; }

    /// <summary>By level and option.</summary>
    public OptionTable[][] Options { get; }

    public static int Lane(int weekClass, Weekday day) => weekClass * Weekdays.PerWeek + (int)day;
}

/// <summary>A meeting on one lane, as whole timetables are measured.</summary>
internal readonly record struct DayMeeting(int Lane, int Start, int End, int Campus)
{
    /// <summary>By lane, start and end. Equal ones are of one section and keep the order they have.</summary>
    public long Order => (long)Lane << 32 | (long)Start << 16 | (long)End;
}

/// <summary>What the measures need to know of one option.</summary>
internal sealed class OptionTable
{
    /// <summary>A start later than any, for lanes without a meeting.</summary>
    public const short NoStart = short.MaxValue;

    private const int MostCampuses = 15;

    public OptionTable(CourseOption option, WeekTables tables, SoftRules soft)
    {
        IsAbsent = option.IsAbsent;
        IsChange = option.IsChange;
        var starts = new short[tables.WeightOfLane.Length];
        var ends = new short[starts.Length];
        var busy = new short[starts.Length];
        var campuses = new short[starts.Length];
        Array.Fill(starts, NoStart);
        var meetings = new List<DayMeeting>();
        for (var weekClass = 0; weekClass < tables.Classes.Length; weekClass++)
        {
            var weeks = tables.Classes[weekClass];
            foreach (var today in option.Meetings.Where(m => m.Weeks.Overlaps(weeks)).GroupBy(m => m.Day))
            {
                var lane = WeekTables.Lane(weekClass, today.Key);
                var day = new DayOfOption([.. today]);
                (starts[lane], ends[lane], busy[lane]) = ((short)day.Start, (short)day.End, (short)day.Busy);
                foreach (var meeting in today)
                    if (soft.CampusOf(meeting) is >= 0 and < MostCampuses and var campus)
                        campuses[lane] |= (short)(1 << campus);
                meetings.AddRange(
                    today.Select(m => new DayMeeting(lane, m.Time.Start.Value, m.Time.End.Value, soft.CampusOf(m)))
                );
                LongestStretch = Math.Max(LongestStretch, day.LongestStretch);
                Soft += soft.SoftMinutes(day, today.Key, weeks) * weeks.Count;
                Away += soft.AwayMinutes(today) * weeks.Count;
                ActiveClasses |= 1UL << weekClass;
            }
        }
        // By class, day and time, since those of an option are in the order of a week.
        Meetings = [.. meetings];
        EarliestStart = starts.Min();
        LatestEnd = ends.Max();
        Starts = [.. starts.Chunk(16).Select(chunk => Vector256.Create(chunk))];
        Ends = [.. ends.Chunk(16).Select(chunk => Vector256.Create(chunk))];
        Busy = [.. busy.Chunk(16).Select(chunk => Vector256.Create(chunk))];
        Campuses = [.. campuses.Chunk(16).Select(chunk => Vector256.Create(chunk))];
        BusyByLane = busy;
        DaysByClass =
        [
            .. Enumerable
                .Range(0, tables.Classes.Length)
                .Select(c =>
                    Enumerable.Range(0, Weekdays.PerWeek).Sum(d => busy[c * Weekdays.PerWeek + d] > 0 ? 1 << d : 0)
                ),
        ];
        WeightedBusy = busy.Select((minutes, lane) => minutes * tables.WeightOfLane[lane]).Sum();
    }

    public bool IsAbsent { get; }
    public bool IsChange { get; }

    /// <summary>First start of each lane, by vector; <see cref="NoStart"/> without a meeting.</summary>
    public Vector256<short>[] Starts { get; }

    /// <summary>Last end of each lane, by vector; 0 without a meeting.</summary>
    public Vector256<short>[] Ends { get; }

    /// <summary>Minutes with a meeting of each lane, by vector; a minute counts once.</summary>
    public Vector256<short>[] Busy { get; }

    /// <summary>The campuses of each lane, a bit each, by vector; those past the first few are left out.</summary>
    public Vector256<short>[] Campuses { get; }

    public short[] BusyByLane { get; }

    /// <summary>The weekdays with a meeting, by week class, a bit each.</summary>
    public int[] DaysByClass { get; }

    /// <summary>Its meetings lane by lane.</summary>
    public DayMeeting[] Meetings { get; }

    public int EarliestStart { get; }
    public int LatestEnd { get; }
    public int LongestStretch { get; }

    /// <summary>Busy minutes over all weeks.</summary>
    public int WeightedBusy { get; }

    /// <summary>Minutes in Rather-not blocks over all weeks.</summary>
    public int Soft { get; }

    /// <summary>Minutes away from the preferred campus over all weeks.</summary>
    public int Away { get; }

    /// <summary>The week classes in which it has a meeting, a bit each.</summary>
    public ulong ActiveClasses { get; }
}
