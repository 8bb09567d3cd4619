using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Asking;

/// <summary>The limits of days in the shape of their JSON form, and the reading of it.</summary>
public sealed record DayLimitsDocument(
    string? EarliestStart,
    string? LatestEnd,
    IReadOnlyList<string> DaysOff,
    int? MaxDays,
    int? MaxMinutesPerDay,
    int? MaxStretchMinutes,
    int MinutesBetween,
    int? RestMinutes
)
{
    /// <summary>Limits as a document.</summary>
    public static DayLimitsDocument Of(DayLimits limits)
    {
        ArgumentNullException.ThrowIfNull(limits);
        return new(
            limits.EarliestStart?.ToString(),
            limits.LatestEnd?.ToString(),
            Words.Write(limits.DaysOff),
            limits.MaxDays,
            limits.MaxMinutesPerDay,
            limits.MaxStretchMinutes,
            limits.MinutesBetween,
            limits.RestMinutes
        );
    }

    internal static DayLimits Read(JsonPlace place)
    {
        var limits = place.Object(
            "earliestStart",
            "latestEnd",
            "daysOff",
            "maxDays",
            "maxMinutesPerDay",
            "maxStretchMinutes",
            "minutesBetween",
            "restMinutes"
        );
        return new()
        {
            EarliestStart = limits.Or("earliestStart", null, SharedValues.Time),
            LatestEnd = limits.Or("latestEnd", null, SharedValues.Time),
            DaysOff = WeekdaySet.Of(limits["daysOff"].Values(day => day.Word(Words.Days))),
            MaxDays = limits.Or<int?>("maxDays", null, days => days.Whole(0, Weekdays.PerWeek)),
            MaxMinutesPerDay = limits.Or<int?>("maxMinutesPerDay", null, most => most.Whole(0, Minute.PerDay)),
            MaxStretchMinutes = limits.Or<int?>("maxStretchMinutes", null, most => most.Whole(0, Minute.PerDay)),
            MinutesBetween = limits.Or("minutesBetween", 0, gap => gap.Whole(0, Minute.PerDay)),
            RestMinutes = limits.Or<int?>("restMinutes", null, least => least.Whole(0, Minute.PerDay)),
        };
    }
}
