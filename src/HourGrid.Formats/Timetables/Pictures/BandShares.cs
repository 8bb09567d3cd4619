using HourGrid.Core.Catalogue;

namespace HourGrid.Formats.Timetables.Pictures;

/// <summary>Where a class stands in the band of its day, as parts of the band's height.</summary>
/// <param name="Top">Where it begins.</param>
/// <param name="Height">How high it is.</param>
internal readonly record struct BandShare(float Top, float Height)
{
    public static BandShare Whole { get; } = new(0, 1);

    public static BandShare Upper { get; } = new(0, 0.5f);

    public static BandShare Lower { get; } = new(0.5f, 0.5f);

    public bool Meets(BandShare other) => Top < other.Top + other.Height && other.Top < Top + Height;
}

/// <summary>
/// Shares of the band for the classes of a day: the upper half for the first part of the term, the lower for the
/// second, and for every second week the half to which its first week points. As the hour grid does;
/// <c>tests/geometry</c> holds both to it.
/// </summary>
internal static class BandShares
{
    /// <summary>The shares, in the order of the meetings.</summary>
    /// <param name="meetings">Meetings of one day, each with the number of its section, by which equals are ordered.</param>
    /// <param name="weekCount">Weeks of the term.</param>
    public static BandShare[] Of(IReadOnlyList<(Meeting Meeting, string Number)> meetings, int weekCount)
    {
        BandShare[] shares = [.. meetings.Select(one => Natural(one.Meeting.Weeks, weekCount))];
        foreach (var cluster in ClustersByHours(meetings))
        {
            var collides = cluster.Any(one =>
                cluster.Any(other =>
                    one < other
                    && meetings[one].Meeting.Time.Overlaps(meetings[other].Meeting.Time)
                    && shares[one].Meets(shares[other])
                )
            );
            if (!collides)
                continue;
            // Drawn over each other they could not be told apart: lanes under each other, the earliest week first.
            var lanes = cluster
                .OrderBy(i => FirstWeek(meetings[i].Meeting.Weeks))
                .ThenBy(i => meetings[i].Meeting.Time.Start)
                .ThenBy(i => meetings[i].Number, StringComparer.Ordinal)
                .ToArray();
            for (var lane = 0; lane < lanes.Length; lane++)
                shares[lanes[lane]] = new((float)lane / lanes.Length, 1f / lanes.Length);
        }
        return shares;
    }

    /// <summary>Whether weeks run through the whole term; its first and last week may lack the weekday.</summary>
    public static bool IsAllTerm(WeekSet weeks, int weekCount)
    {
        var (first, last) = (FirstWeek(weeks), LastWeek(weeks));
        return first <= 2 && last >= weekCount - 1 && weeks.Count == last - first + 1;
    }

    private static BandShare Natural(WeekSet weeks, int weekCount)
    {
        if (IsAllTerm(weeks, weekCount))
            return BandShare.Whole;
        if (LastWeek(weeks) <= (weekCount + 1) / 2)
            return BandShare.Upper;
        if (FirstWeek(weeks) * 2 > weekCount)
            return BandShare.Lower;
        return FirstWeek(weeks) % 2 == 1 ? BandShare.Upper : BandShare.Lower;
    }

    private static int FirstWeek(WeekSet weeks) => weeks.Weeks().First();

    private static int LastWeek(WeekSet weeks) => weeks.Weeks().Last();

    /// <summary>Runs of meetings in which each overlaps an earlier one in time.</summary>
    private static List<List<int>> ClustersByHours(IReadOnlyList<(Meeting Meeting, string Number)> meetings)
    {
        var clusters = new List<List<int>>();
        var end = default(Minute);
        foreach (var i in Enumerable.Range(0, meetings.Count).OrderBy(i => meetings[i].Meeting.Time.Start))
        {
            var time = meetings[i].Meeting.Time;
            if (clusters.Count == 0 || time.Start >= end)
                clusters.Add([]);
            clusters[^1].Add(i);
            end = time.End > end ? time.End : end;
        }
        return clusters;
    }
}
