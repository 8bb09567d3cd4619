using HourGrid.Core.Measures;

namespace HourGrid.Server.Wording;

/// <summary>Says what the second of two weeks is, held against the first.</summary>
internal static class WeekDifference
{
    /// <summary>So many differences are said; more would not be read.</summary>
    private const int MostSaid = 3;

    /// <summary>As in <c>has 1 campus move less and starts 30 min later</c>; empty where none of it differs.</summary>
    public static string Of(WeekMeasures first, WeekMeasures second)
    {
        var had = new List<string>();
        AddCount(had, MoreOf(ClassDays.Measure), "class day");
        AddTenths(had, MoreOf(CampusMoves.Measure));
        var idle = MoreOf(IdleMinutes.Measure);
        if (idle != 0)
            had.Add($"{Saying.Length(Math.Abs(idle))} {MoreOrLess(idle)} between classes");

        List<string> said = had.Count > 0 ? [$"has {Saying.List([.. had.Take(MostSaid)])}"] : [];
        if (had.Count < MostSaid && LaterBy(EarliestStart.Measure) is { } start and not 0)
            said.Add($"starts {SayLater(start)}");
        if (had.Count + said.Count < MostSaid + 1 && LaterBy(LatestEnd.Measure) is { } end and not 0)
            said.Add($"ends {SayLater(end)}");
        return Saying.List(said);

        int MoreOf(Measure measure) => LaterBy(measure) ?? 0;
        int? LaterBy(Measure measure) => second[measure] - first[measure];
    }

    private static string SayLater(int minutes) =>
        $"{Saying.Length(Math.Abs(minutes))} {(minutes > 0 ? "later" : "earlier")}";

    private static void AddCount(List<string> had, int difference, string one)
    {
        if (difference != 0)
            had.Add($"{Saying.Count(Math.Abs(difference), one)} {MoreOrLess(difference)}");
    }

    private static void AddTenths(List<string> had, int tenths)
    {
        if (tenths == 0)
            return;
        var moves = Math.Abs(tenths) / 10m;
        var noun = moves == 1 ? "campus move" : "campus moves";
        had.Add(Saying.Invariant($"{moves:0.#} {noun} {MoreOrLess(tenths)}"));
    }

    private static string MoreOrLess(int difference) => difference > 0 ? "more" : "less";
}
