using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Measures;

/// <summary>Looks for room for a break on a day.</summary>
internal static class FreeTime
{
    /// <summary>Whether its window has so many minutes in a row that nothing takes.</summary>
    /// <param name="wanted">The break.</param>
    /// <param name="meetings">The day's meetings, by start.</param>
    /// <param name="blocks">Hours of the day that are not free either, by start.</param>
    public static bool IsLeftFor(Break wanted, ReadOnlySpan<DayMeeting> meetings, ReadOnlySpan<MinuteInterval> blocks)
    {
        var free = wanted.Window.Start.Value;
        var (i, j) = (0, 0);
        while (i < meetings.Length || j < blocks.Length)
        {
            var isMeeting = j == blocks.Length || (i < meetings.Length && meetings[i].Start <= blocks[j].Start.Value);
            var (start, end) = isMeeting
                ? (meetings[i].Start, meetings[i++].End)
                : (blocks[j].Start.Value, blocks[j++].End.Value);
            if (Math.Min(start, wanted.Window.End.Value) - free >= wanted.Minutes)
                return true;
            free = Math.Max(free, end);
        }
        return wanted.Window.End.Value - free >= wanted.Minutes;
    }
}
