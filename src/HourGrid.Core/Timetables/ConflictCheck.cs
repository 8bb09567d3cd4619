using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Timetables;

/// <summary>When two meetings of different sections cannot both be attended.</summary>
/// <param name="travel">Minutes between campuses, or null where travel is not respected.</param>
/// <param name="minutesBetween">Minutes wanted between any two classes.</param>
public sealed class ConflictCheck(TravelTimes? travel, int minutesBetween)
{
    /// <summary>The rule an ask sets.</summary>
    public static ConflictCheck Of(CatalogueSnapshot snapshot, Ask ask) =>
        new(ask.Campus.RespectTravel ? snapshot.Travel : null, ask.DayLimits.MinutesBetween);

    /// <summary>
    /// Whether the two share a weekday and a week, and the later starts before the earlier has ended and the gap
    /// between them has passed.
    /// </summary>
    public bool Conflict(in Meeting one, in Meeting other)
    {
        if (one.Day != other.Day || !one.Weeks.Overlaps(other.Weeks))
            return false;
        return one.Time.Start <= other.Time.Start ? IsTooSoonAfter(one, other) : IsTooSoonAfter(other, one);
    }

    /// <summary>Whether any meeting of one list conflicts with any of the other.</summary>
    public bool Conflict(IReadOnlyList<Meeting> ones, IReadOnlyList<Meeting> others)
    {
        for (var i = 0; i < ones.Count; i++)
        for (var j = 0; j < others.Count; j++)
            if (Conflict(ones[i], others[j]))
                return true;
        return false;
    }

    /// <summary>
    /// Where two meetings conflict, and by how many minutes the later comes too soon; null where they do not.
    /// </summary>
    /// <returns>The hours they share or, where they share none, the pause between them that is too short.</returns>
    public (Minute From, Minute To, int Minutes)? Clash(in Meeting one, in Meeting other)
    {
        if (!Conflict(one, other))
            return null;
        var (earlier, later) = one.Time.Start <= other.Time.Start ? (one, other) : (other, one);
        var (end, start) = (earlier.Time.End, later.Time.Start);
        if (end <= start)
            return (end, start, end.Value + Gap(earlier, later) - start.Value);
        var last = end < later.Time.End ? end : later.Time.End;
        return (start, last, last.Value - start.Value);
    }

    private bool IsTooSoonAfter(in Meeting earlier, in Meeting later) =>
        later.Time.Start == earlier.Time.Start
        || later.Time.Start.Value < earlier.Time.End.Value + Gap(earlier, later);

    private int Gap(in Meeting earlier, in Meeting later) =>
        travel is not null && earlier.Campus is { } from && later.Campus is { } to
            ? Math.Max(minutesBetween, travel.Between(from, to))
            : minutesBetween;
}
