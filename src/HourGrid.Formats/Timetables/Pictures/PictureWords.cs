using System.Globalization;
using HourGrid.Core.Catalogue;

namespace HourGrid.Formats.Timetables.Pictures;

/// <summary>What stands in a picture, in the words of the screen.</summary>
internal static class PictureWords
{
    /// <summary>As in 9:00–10:15.</summary>
    public static string Hours(Minute start, Minute end) => $"{Time(start)}–{Time(end)}";

    /// <summary>As in Lecture L03.</summary>
    public static string Component(Section section) => $"{Capital(section.Component)} {section.Label}";

    /// <summary>As in Lec L03.</summary>
    public static string ComponentShort(Section section) =>
        $"{Capital(section.Component[..Math.Min(3, section.Component.Length)])} {section.Label}";

    /// <summary>As in wk 1–8, every 2nd wk from 1, wk 3, 7; empty for the whole term.</summary>
    public static string Weeks(WeekSet set, int weekCount)
    {
        if (BandShares.IsAllTerm(set, weekCount))
            return "";
        int[] weeks = [.. set.Weeks()];
        var step = weeks.Length > 1 ? weeks[1] - weeks[0] : 0;
        var even = weeks.Select((week, i) => week == weeks[0] + i * step).All(isEven => isEven);
        return (weeks.Length, even, step) switch
        {
            (1, _, _) => $"wk {weeks[0]}",
            (_, true, 1) => $"wk {weeks[0]}–{weeks[^1]}",
            (> 2, true, 2) => $"every 2nd wk from {weeks[0]}",
            _ => $"wk {string.Join(", ", weeks)}",
        };
    }

    private static string Time(Minute minute) =>
        string.Create(CultureInfo.InvariantCulture, $"{minute.Value / 60}:{minute.Value % 60:00}");

    private static string Capital(string word) => word.Length == 0 ? "" : char.ToUpperInvariant(word[0]) + word[1..];
}
