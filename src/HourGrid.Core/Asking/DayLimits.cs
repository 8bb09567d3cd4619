using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Asking;

/// <summary>Limits on each day and on the week; null is no limit.</summary>
public sealed record DayLimits
{
    /// <summary>No meeting starts before this.</summary>
    public Minute? EarliestStart { get; init; }

    /// <summary>No meeting ends after this.</summary>
    public Minute? LatestEnd { get; init; }

    /// <summary>No meeting falls on these.</summary>
    public WeekdaySet DaysOff { get; init; }

    /// <summary>Most weekdays with a meeting in any week, 0…7.</summary>
    public int? MaxDays { get; init; }

    /// <summary>Most minutes of meetings on any day.</summary>
    public int? MaxMinutesPerDay { get; init; }

    /// <summary>Longest unbroken stretch in minutes.</summary>
    public int? MaxStretchMinutes { get; init; }

    /// <summary>Minutes that must lie between two classes.</summary>
    public int MinutesBetween { get; init; }

    /// <summary>Least minutes between the last end of a day and the first start of the next, where both have class.</summary>
    public int? RestMinutes { get; init; }
}

/// <summary>What is asked of campuses.</summary>
public sealed record CampusPreferences
{
    /// <summary>Campuses allowed; empty allows all. What has no campus is allowed everywhere.</summary>
    public IReadOnlyList<CampusId> Allowed { get; init; } = [];

    /// <summary>The one campus the student would rather be on, or null.</summary>
    public CampusId? Preferred { get; init; }

    /// <summary>Whether the way from one campus to another must fit between two classes.</summary>
    public bool RespectTravel { get; init; } = true;

    /// <summary>Whether no day may have meetings on two campuses.</summary>
    public bool OnePerDay { get; init; }
}
