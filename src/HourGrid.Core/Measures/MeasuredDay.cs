using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Measures;

/// <summary>One day of one week, with what measures ask of it.</summary>
internal sealed class MeasuredDay
{
    private readonly Ask ask;
    private readonly Meeting[] meetings;
    private readonly DayMeeting[] inOrder;
    private readonly int week;

    /// <param name="ask">Whose blocks, breaks and campus are looked at.</param>
    /// <param name="meetings">The day's meetings in that week, by start; at least one.</param>
    /// <param name="week">The week, 1…64.</param>
    /// <param name="campuses">The campuses of the catalogue.</param>
    public MeasuredDay(Ask ask, Meeting[] meetings, int week, CampusNumbers campuses)
    {
        (this.ask, this.meetings, this.week) = (ask, meetings, week);
        inOrder =
        [
            .. meetings.Select(meeting => new DayMeeting(
                (int)meeting.Day,
                meeting.Time.Start.Value,
                meeting.Time.End.Value,
                campuses.Of(meeting.Campus)
            )),
        ];
        Walk = new(inOrder, campuses);
        Start = inOrder[0].Start;
        End = inOrder.Max(meeting => meeting.End);
    }

    /// <summary>The first start.</summary>
    public int Start { get; }

    /// <summary>The last end.</summary>
    public int End { get; }

    /// <summary>What is seen on the way through it.</summary>
    public DayWalk Walk { get; }

    /// <summary>Meeting minutes inside blocks of a strength, each once.</summary>
    public int BusyMinutesIn(Strength strength)
    {
        var blocks = MinuteInterval.Merged(BlocksOf(strength));
        return MinuteInterval
            .Merged(meetings.Select(meeting => meeting.Time))
            .Sum(stretch => blocks.Sum(stretch.MinutesShared));
    }

    /// <summary>Soft breaks for which there is no room.</summary>
    public int SoftBreaksMissed()
    {
        var taken = BlocksOf(Strength.Cannot).Order().ToArray();
        return ask.Breaks.Count(wanted =>
            wanted.Strength == Strength.RatherNot
            && wanted.Days.Contains(meetings[0].Day)
            && !FreeTime.IsLeftFor(wanted, inOrder, taken)
        );
    }

    /// <summary>Meeting minutes on another campus than the preferred, each once.</summary>
    public int MinutesAway() =>
        ask.Campus.Preferred is { } preferred
            ? MinuteInterval
                .Merged(meetings.Where(m => m.Campus is { } campus && campus != preferred).Select(m => m.Time))
                .Sum(stretch => stretch.Length)
            : 0;

    private IEnumerable<MinuteInterval> BlocksOf(Strength strength) =>
        ask
            .TimeBlocks.Where(block =>
                block.Strength == strength && block.Days.Contains(meetings[0].Day) && block.Weeks.Contains(week)
            )
            .Select(block => block.Time);
}

/// <summary>Weeks that are all alike.</summary>
/// <param name="Count">How many.</param>
/// <param name="Days">Their days with a meeting, at least one.</param>
internal sealed record MeasuredWeek(int Count, IReadOnlyList<MeasuredDay> Days)
{
    public int Sum(Func<MeasuredDay, int> figure) => Days.Sum(figure);

    public int Most(Func<MeasuredDay, int> figure) => Days.Max(figure);

    public int Least(Func<MeasuredDay, int> figure) => Days.Min(figure);
}
