using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Tests.Plain;

/// <summary>Scores and order straight from their definitions, in decimal fractions.</summary>
internal static class PlainRanking
{
    /// <summary>All timetables of an ask with their scores, the best first.</summary>
    public static List<(decimal Score, PlainTimetable Timetable)> Sorted(UniversityCatalogue catalogue, Ask ask)
    {
        var all = BruteForce.Timetables(catalogue, ask).Select(one => (Score(catalogue, ask, one), one)).ToList();
        all.Sort(
            (x, y) => x.Item1 != y.Item1 ? x.Item1.CompareTo(y.Item1) : CompareNumbers(Numbers(x.one), Numbers(y.one))
        );
        return all;
    }

    /// <summary>Each week shape at its best timetable, the best first.</summary>
    public static List<(decimal Score, PlainTimetable Timetable)> SortedShapes(UniversityCatalogue catalogue, Ask ask)
    {
        var term = catalogue.Terms.Single(one => one.Id == ask.Term);
        return [.. Sorted(catalogue, ask).DistinctBy(one => BruteForce.WeekShape(term, one.Timetable))];
    }

    public static decimal Score(UniversityCatalogue catalogue, Ask ask, PlainTimetable timetable)
    {
        var measures = PlainMeasures.Of(catalogue, ask, timetable);
        var inPlay = ask.Wanted.Count(wanted =>
            wanted.Role != CourseRole.SetAside || ask.EitherOr.Any(choice => choice.Courses.Contains(wanted.Course))
        );
        var seats = timetable.Sections.Min(section => FreeSeats(catalogue, section));
        var weights = ask.Weights;
        var score =
            weights.Seats * Badness(1 - Math.Min(seats, 10) / 10m)
            + weights.Wanted * Badness((decimal)(inPlay - timetable.Taken.Count) / inPlay);
        if (measures == "no hours")
            return score;
        // Days, idle, first, last, longest day, stretch, moves in tenths, soft, breaks missed, away.
        var m = measures.Split(' ').Select(decimal.Parse).ToArray();
        return score
            + weights.ClassDays * Badness(m[0] / 7)
            + weights.Idle * Badness(m[1] / 1500)
            + weights.LaterStart * Badness((600 - m[2]) / 600)
            + weights.EarlierFinish * Badness((m[3] - 960) / 480)
            + weights.Stretch * Badness(m[5] / 480)
            + weights.Moves * Badness(m[6] / 10 / 10)
            + weights.Soft * Badness(m[7] / 600)
            + weights.BreaksMissed * Badness(m[8] / 7)
            + weights.Away * Badness(m[9] / 1500);
    }

    private static decimal Badness(decimal share) => Math.Floor(1000 * Math.Clamp(share, 0, 1) + 0.5m);

    public static int FreeSeats(UniversityCatalogue catalogue, Section section)
    {
        var enrolled = section.SeatsShared is null
            ? section.Seats.Enrolled
            : catalogue
                .Courses.SelectMany(course => course.Sections)
                .Where(other => other.Term == section.Term && other.SeatsShared == section.SeatsShared)
                .Sum(other => other.Seats.Enrolled);
        return section.Status == SectionStatus.Open ? Math.Max(0, section.Seats.Capacity - enrolled) : 0;
    }

    private static string[] Numbers(PlainTimetable timetable) =>
        [.. timetable.Sections.Select(section => section.Number.Value).Order(StringComparer.Ordinal)];

    private static int CompareNumbers(string[] one, string[] other)
    {
        for (var i = 0; i < one.Length && i < other.Length; i++)
            if (string.CompareOrdinal(one[i], other[i]) is var order and not 0)
                return order;
        return one.Length - other.Length;
    }
}
