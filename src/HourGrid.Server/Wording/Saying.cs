using System.Globalization;
using HourGrid.Core.Catalogue;

namespace HourGrid.Server.Wording;

/// <summary>Times, lengths and lists as they are said on the screen.</summary>
internal static class Saying
{
    /// <summary>As in 9:30.</summary>
    public static string Time(Minute minute) =>
        string.Create(CultureInfo.InvariantCulture, $"{minute.Value / 60}:{minute.Value % 60:00}");

    /// <summary>As in 45 min, 2 h, 1 h 15.</summary>
    public static string Length(int minutes) =>
        minutes < 60 ? Invariant($"{minutes} min")
        : minutes % 60 == 0 ? Invariant($"{minutes / 60} h")
        : Invariant($"{minutes / 60} h {minutes % 60:00}");

    /// <summary>As in Monday; or, of several days, Mon Wed.</summary>
    public static string Days(IReadOnlyList<Weekday> days) =>
        days is [var only] ? only.ToString() : string.Join(' ', days.Select(day => day.ToString()[..3]));

    /// <summary>As in 1–8, 10.</summary>
    public static string Weeks(WeekSet weeks)
    {
        var runs = new List<(int First, int Last)>();
        foreach (var week in weeks.Weeks())
            if (runs.Count > 0 && runs[^1].Last == week - 1)
                runs[^1] = (runs[^1].First, week);
            else
                runs.Add((week, week));
        return string.Join(
            ", ",
            runs.Select(run => run.First == run.Last ? $"{run.First}" : $"{run.First}–{run.Last}")
        );
    }

    /// <summary>As in one, two and three.</summary>
    public static string List(IReadOnlyList<string> parts, string last = "and") =>
        parts.Count < 2 ? string.Concat(parts) : $"{string.Join(", ", parts.SkipLast(1))} {last} {parts[^1]}";

    public static string Count(int count, string one) => Invariant($"{count} {one}{(count == 1 ? "" : "s")}");

    public static string Invariant(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);
}
