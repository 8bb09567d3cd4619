using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;

namespace HourGrid.Core.Measures;

/// <summary>Takes the measures of timetables under one ask.</summary>
/// <param name="ask">Whose soft rules and preferred campus are counted.</param>
public sealed class TimetableMeasurer(Ask ask)
{
    private readonly DayMeasuring days = new(ask);

    private readonly WeekSet[] blockWeeks = [.. ask.TimeBlocks.Select(block => block.Weeks).Distinct()];

    /// <summary>The measures of a timetable.</summary>
    public WeekMeasures Of(Timetable timetable)
    {
        var meetings = timetable.Sections.SelectMany(section => section.Meetings).Order().ToArray();
        var weeks = WeekClasses
            .Of(meetings.Select(meeting => meeting.Weeks), blockWeeks)
            .Select(alike => MeasureWeek(meetings, alike))
            .ToArray();
        var seats = timetable.Sections.Min(section => section.FreeSeats);
        var taken = timetable.Bundles.Count;
        if (weeks.Length == 0)
            return new(0, 0, null, null, 0, 0, 0, 0, 0, seats, 0, taken);
        return new(
            ClassDays: weeks.Max(week => week.ClassDays),
            IdleMinutes: Mean(weeks, week => week.Idle),
            EarliestStart: new Minute(weeks.Min(week => week.Start)),
            LatestEnd: new Minute(weeks.Max(week => week.End)),
            LongestDay: weeks.Max(week => week.LongestDay),
            LongestStretch: weeks.Max(week => week.Stretch),
            CampusMovesTenths: Mean(weeks, week => week.Moves * 10),
            SoftMinutes: Mean(weeks, week => week.Soft),
            BreaksMissed: weeks.Max(week => week.BreaksMissed),
            SeatsToSpare: seats,
            AwayMinutes: Mean(weeks, week => week.Away),
            WantedTaken: taken
        );
    }

    /// <summary>Measures one of weeks that are all alike.</summary>
    private OneWeek MeasureWeek(Meeting[] meetings, WeekSet alike)
    {
        var week = alike.Weeks().First();
        var total = new OneWeek { Count = alike.Count, Start = Minute.PerDay };
        foreach (var day in meetings.Where(meeting => meeting.Weeks.Contains(week)).GroupBy(meeting => meeting.Day))
        {
            var measured = days.Measure([.. day], week);
            total = total with
            {
                ClassDays = total.ClassDays + 1,
                Idle = total.Idle + measured.Idle,
                Start = Math.Min(total.Start, measured.Start),
                End = Math.Max(total.End, measured.End),
                LongestDay = Math.Max(total.LongestDay, measured.End - measured.Start),
                Stretch = Math.Max(total.Stretch, measured.Stretch),
                Moves = total.Moves + measured.Moves,
                Soft = total.Soft + measured.Soft,
                BreaksMissed = total.BreaksMissed + measured.BreaksMissed,
                Away = total.Away + measured.Away,
            };
        }
        return total;
    }

    private static int Mean(OneWeek[] weeks, Func<OneWeek, int> figure) =>
        (2 * weeks.Sum(week => week.Count * figure(week)) + weeks.Sum(week => week.Count))
        / (2 * weeks.Sum(week => week.Count));

    private readonly record struct OneWeek
    {
        public int Count { get; init; }
        public int ClassDays { get; init; }
        public int Idle { get; init; }
        public int Start { get; init; }
        public int End { get; init; }
        public int LongestDay { get; init; }
        public int Stretch { get; init; }
        public int Moves { get; init; }
        public int Soft { get; init; }
        public int BreaksMissed { get; init; }
        public int Away { get; init; }
    }
}
