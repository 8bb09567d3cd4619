using HourGrid.Core.Measures;

namespace HourGrid.Core.Comparing;

/// <summary>Says what the second of two weeks is, held against the first.</summary>
internal static class WeekDifference
{
    /// <summary>So many differences are said; more would not be read.</summary>
    private const int MostSaid = 3;

    /// <summary>As in <c>has 1 campus move less and starts 30 min later</c>; empty where none of it differs.</summary>
    public static string Of(WeekMeasures first, WeekMeasures second)
    {
        var had = new List<string>();
        AddCount(had, second.ClassDays - first.ClassDays, "class day");
        AddTenths(had, second.CampusMovesTenths - first.CampusMovesTenths);
        var idle = second.IdleMinutes - first.IdleMinutes;
        if (idle != 0)
            had.Add($"{Saying.Length(Math.Abs(idle))} {MoreOrLess(idle)} between classes");

        List<string> said = had.Count > 0 ? [$"has {Saying.List([.. had.Take(MostSaid)])}"] : [];
        if (
            had.Count < MostSaid
            && first.EarliestStart is { } from
            && second.EarliestStart is { } start
            && start != from
        )
            said.Add(
                $"starts {Saying.Length(Math.Abs(start.Value - from.Value))} {(start > from ? "later" : "earlier")}"
            );
        if (
            had.Count + said.Count < MostSaid + 1
            && first.LatestEnd is { } to
            && second.LatestEnd is { } end
            && end != to
        )
            said.Add($"ends {Saying.Length(Math.Abs(end.Value - to.Value))} {(end > to ? "later" : "earlier")}");
        return Saying.List(said);
    }

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
