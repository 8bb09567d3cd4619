using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Measures;

namespace HourGrid.Core.Tests.Plain;

/// <summary>The measures minute by minute, straight from their definitions.</summary>
internal static class PlainMeasures
{
    /// <summary>By its name, what a measure's weight is called, and how bad it is of a whole that is as bad as can be.</summary>
    private static readonly Dictionary<string, (string Weight, Func<decimal, decimal> Share)> Badness = new()
    {
        ["classDays"] = ("classDays", days => days / 7),
        ["idleMinutes"] = ("idle", minutes => minutes / 1500),
        ["earliestStart"] = ("laterStart", minute => (600 - minute) / 600),
        ["latestEnd"] = ("earlierFinish", minute => (minute - 960) / 480),
        ["longestStretch"] = ("stretch", minutes => minutes / 480),
        ["campusMovesTenths"] = ("moves", tenths => tenths / 10 / 10),
        ["softMinutes"] = ("soft", minutes => minutes / 600),
        ["breaksMissed"] = ("breaksMissed", breaks => breaks / 7),
        ["seatsToSpare"] = ("seats", seats => 1 - Math.Min(seats, 10) / 10),
        ["awayMinutes"] = ("away", minutes => minutes / 1500),
        ["onTheWayMinutes"] = ("onTheWay", minutes => minutes / 300),
    };

    /// <summary>Every measure by its name; null where there is none.</summary>
    public static Dictionary<string, long?> Of(UniversityCatalogue catalogue, Ask ask, PlainTimetable timetable)
    {
        var term = catalogue.Terms.Single(one => one.Id == ask.Term);
        var classes = timetable.Sections.SelectMany(section => BruteForce.DatedClasses(term, section)).ToList();
        var weeks = classes
            .GroupBy(one => one.Week)
            .Select(week => OfWeek(catalogue, ask, [.. week], week.Key))
            .ToList();
        long Most(Func<Week, int> figure) => weeks.Count == 0 ? 0 : weeks.Max(figure);
        long Mean(Func<Week, int> figure) => weeks.Count == 0 ? 0 : HalfUp(weeks.Sum(figure), weeks.Count);
        return new()
        {
            ["classDays"] = Most(week => week.Days),
            ["idleMinutes"] = Mean(week => week.Idle),
            ["earliestStart"] = weeks.Count == 0 ? null : classes.Min(one => one.Start),
            ["latestEnd"] = weeks.Count == 0 ? null : classes.Max(one => one.End),
            ["longestDay"] = Most(week => week.LongestDay),
            ["longestStretch"] = Most(week => week.Stretch),
            ["campusMovesTenths"] = Mean(week => 10 * week.Moves),
            ["softMinutes"] = Mean(week => week.Soft),
            ["breaksMissed"] = Most(week => week.Missed),
            ["seatsToSpare"] = timetable.Sections.Min(section => PlainRanking.FreeSeats(catalogue, section)),
            ["awayMinutes"] = Mean(week => week.Away),
            ["onTheWayMinutes"] = Mean(week => week.OnTheWay),
            ["wantedTaken"] = timetable.Taken.Count,
        };
    }

    public static decimal Score(UniversityCatalogue catalogue, Ask ask, PlainTimetable timetable)
    {
        var inPlay = ask.Wanted.Count(wanted =>
            wanted.Role != CourseRole.SetAside || ask.EitherOr.Any(choice => choice.Courses.Contains(wanted.Course))
        );
        var left = (decimal)(inPlay - timetable.Taken.Count) / inPlay;
        var measures = Of(catalogue, ask, timetable);
        return Weighed("wanted", left)
            + Badness.Sum(one =>
                measures[one.Key] is { } figure ? Weighed(one.Value.Weight, one.Value.Share(figure)) : 0
            );

        decimal Weighed(string weight, decimal share) =>
            (ask.Weights[weight] ?? MeasureList.Weighed.Single(measure => measure.Weight == weight).UsualWeight)
            * Math.Floor(1000 * Math.Clamp(share, 0, 1) + 0.5m);
    }

    private static long HalfUp(int sum, int count) => (long)Math.Floor((decimal)sum / count + 0.5m);

    private sealed record Week(
        int Days,
        int Idle,
        int LongestDay,
        int Stretch,
        int Moves,
        int Soft,
        int Missed,
        int Away,
        int OnTheWay
    );

    private static Week OfWeek(UniversityCatalogue catalogue, Ask ask, List<BruteForce.DatedClass> classes, int week)
    {
        var days = classes
            .GroupBy(one => one.Day)
            .Select(day => OfDay(catalogue, ask, [.. day], day.Key, week))
            .ToList();
        return new(
            days.Count,
            days.Sum(day => day.Idle),
            days.Max(day => day.LongestDay),
            days.Max(day => day.Stretch),
            days.Sum(day => day.Moves),
            days.Sum(day => day.Soft),
            days.Sum(day => day.Missed),
            days.Sum(day => day.Away),
            days.Sum(day => day.OnTheWay)
        );
    }

    private static Week OfDay(
        UniversityCatalogue catalogue,
        Ask ask,
        List<BruteForce.DatedClass> classes,
        Weekday day,
        int week
    )
    {
        var busy = Minutes(classes.Select(one => (one.Start, one.End)));
        var first = classes.Min(one => one.Start);
        var last = classes.Max(one => one.End);

        var longest = 0;
        var begin = first;
        var pause = 0;
        for (var minute = first; minute < last; minute++)
        {
            if (busy[minute])
            {
                if (pause >= 20)
                    begin = minute;
                pause = 0;
                longest = Math.Max(longest, minute + 1 - begin);
            }
            else
                pause++;
        }

        var placed = classes
            .Where(one => one.Campus is not null)
            .OrderBy(one => one.Start)
            .ThenBy(one => one.End)
            .ToList();
        var moves = placed.Zip(placed.Skip(1)).Count(pair => pair.First.Campus != pair.Second.Campus);

        var onTheWay = placed
            .Zip(placed.Skip(1))
            .Where(pair => pair.First.Campus != pair.Second.Campus)
            .Sum(pair =>
                MinutesFrom(pair.First.Campus, pair.Second.Campus)
                ?? MinutesFrom(pair.Second.Campus, pair.First.Campus)
                ?? 0
            );
        int? MinutesFrom(CampusId? from, CampusId? to) =>
            catalogue.Travel.LastOrDefault(travel => travel.From == from && travel.To == to)?.Minutes;

        bool[] Blocked(Strength strength) =>
            Minutes(
                ask.TimeBlocks.Where(b => b.Strength == strength && b.Days.Contains(day) && b.Weeks.Contains(week))
                    .Select(b => (b.Time.Start.Value, b.Time.End.Value))
            );
        var rather = Blocked(Strength.RatherNot);
        var cannot = Blocked(Strength.Cannot);
        var missed = ask.Breaks.Count(wanted =>
            wanted.Strength == Strength.RatherNot
            && wanted.Days.Contains(day)
            && !Enumerable
                .Range(wanted.Window.Start.Value, wanted.Window.Length)
                .Any(start =>
                    start + wanted.Minutes <= wanted.Window.End.Value
                    && Enumerable.Range(start, wanted.Minutes).All(minute => !busy[minute] && !cannot[minute])
                )
        );
        var away = ask.Campus.Preferred is { } preferred
            ? Minutes(classes.Where(one => one.Campus is { } c && c != preferred).Select(one => (one.Start, one.End)))
                .Count(minute => minute)
            : 0;
        return new(
            1,
            Enumerable.Range(first, last - first).Count(minute => !busy[minute]),
            last - first,
            longest,
            moves,
            Enumerable.Range(0, Minute.PerDay).Count(minute => busy[minute] && rather[minute]),
            missed,
            away,
            onTheWay
        );
    }

    private static bool[] Minutes(IEnumerable<(int Start, int End)> stretches)
    {
        var minutes = new bool[Minute.PerDay];
        foreach (var (start, end) in stretches)
            for (var minute = start; minute < end; minute++)
                minutes[minute] = true;
        return minutes;
    }
}
