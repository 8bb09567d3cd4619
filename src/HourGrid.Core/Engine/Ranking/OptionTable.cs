using System.Runtime.Intrinsics;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>What every node of a search looks at first.</summary>
internal struct OptionHead
{
    /// <summary>The weekdays with a meeting, for the classes that can matter, a byte each.</summary>
    public ulong Days;

    /// <summary>How many courses it takes: none where its course is left out.</summary>
    public int Taken;

    /// <summary>How many changes it is to the timetable held on to.</summary>
    public int Changes;
}

/// <summary>What the measures need to know of one option.</summary>
/// <remarks>Unsafe: the vectors are those of the tables that made it.</remarks>
internal sealed unsafe class OptionTable
{
    /// <summary>A start later than any, for lanes without a meeting.</summary>
    public const short NoStart = short.MaxValue;

    public const int MostCampuses = 15;

    private readonly OptionHead* head;

    /// <param name="option">The option.</param>
    /// <param name="tables">Its week classes and lanes.</param>
    /// <param name="soft">The soft rules.</param>
    /// <param name="day">Takes each of its days in turn.</param>
    /// <param name="vectors">Room for its vectors, all 0.</param>
    public OptionTable(
        CourseOption option,
        WeekTables tables,
        SoftRules soft,
        DayOfOption day,
        Vector256<short>* vectors
    )
    {
        head = (OptionHead*)vectors;
        head->Taken = option.IsAbsent ? 0 : 1;
        head->Changes = option.IsChange ? 1 : 0;
        Lanes = vectors + 1;
        DaysByClass = new int[tables.Classes.Length];
        EarliestStart = NoStart;
        for (var i = 0; i < tables.Vectors; i++)
            Lanes[LaneVectors.Starts(i)] = Vector256.Create(NoStart);
        // Its meetings are in the order of a week, so that those of a day stand together.
        var all = option.Meetings;
        var meetings = new List<int>(all.Count);
        for (var weekClass = 0; weekClass < tables.Classes.Length; weekClass++)
        for (int from = 0, to; from < all.Count; from = to)
        {
            day.Clear();
            for (to = from; to < all.Count && all[to].Day == all[from].Day; to++)
                if (all[to].Weeks.Overlaps(tables.Classes[weekClass]))
                    day.Add(all[to]);
            if (day.Meetings.Count == 0)
                continue;
            DaysByClass[weekClass] |= 1 << (int)all[from].Day;
            Add(day, WeekTables.DayOf(weekClass, all[from].Day), soft, tables, meetings);
        }
        Meetings = [.. meetings];
        *(int*)Lanes = WeightedBusy;
    }

    public ref readonly OptionHead Head => ref *head;

    /// <summary>
    /// <see cref="WeekTables.VectorsOfLanes"/> vectors, laid out as <see cref="LaneVectors"/> says. A busy minute counts
    /// once; campuses past the first few are left out.
    /// </summary>
    public Vector256<short>* Lanes { get; }

    /// <summary>The weekdays with a meeting, by week class, a bit each.</summary>
    public int[] DaysByClass { get; }

    /// <summary>The places of its meetings in <see cref="WeekTables.Meetings"/>, for each week class they have.</summary>
    public int[] Meetings { get; }

    public int EarliestStart { get; private set; }
    public int LatestEnd { get; private set; }
    public int LongestStretch { get; private set; }

    /// <summary>Busy minutes over all weeks.</summary>
    public int WeightedBusy { get; private set; }

    /// <summary>Minutes in Rather-not blocks over all weeks.</summary>
    public int Soft { get; private set; }

    /// <summary>Minutes away from the preferred campus over all weeks.</summary>
    public int Away { get; private set; }

    public void TakeDays(int[] classes)
    {
        for (var i = 0; i < classes.Length; i++)
            head->Days |= (ulong)DaysByClass[classes[i]] << 8 * i;
    }

    private void Add(DayOfOption day, int number, SoftRules soft, WeekTables tables, List<int> meetings)
    {
        var (weekClass, weekday) = (number / Weekdays.PerWeek, (Weekday)(number % Weekdays.PerWeek));
        var weeks = tables.WeeksIn[weekClass];
        var lane = tables.LaneOf(number);
        var (vector, at) = Math.DivRem(lane, LaneVectors.Lanes);
        ((short*)(Lanes + LaneVectors.Starts(vector)))[at] = (short)day.Start;
        ((short*)(Lanes + LaneVectors.Ends(vector)))[at] = (short)day.End;
        var twin = 0;
        for (var i = 0; i < day.Meetings.Count; i++)
        {
            var meeting = day.Meetings[i];
            twin = i > 0 && meeting.Time == day.Meetings[i - 1].Time ? twin + 1 : 0;
            var campus = tables.Campuses.Of(meeting.Campus);
            if (campus is >= 0 and < MostCampuses)
                ((short*)(Lanes + LaneVectors.Campuses(vector)))[at] |= (short)(1 << campus);
            var (start, end) = (meeting.Time.Start.Value, meeting.Time.End.Value);
            meetings.Add(tables.Meetings.Add(new(number, start, end, campus), twin));
        }
        EarliestStart = Math.Min(EarliestStart, day.Start);
        LatestEnd = Math.Max(LatestEnd, day.End);
        LongestStretch = Math.Max(LongestStretch, day.LongestStretch);
        WeightedBusy += day.Busy * weeks;
        Soft += soft.SoftMinutes(day, weekday, tables.Classes[weekClass]) * weeks;
        Away += soft.AwayMinutes(day) * weeks;
    }
}
