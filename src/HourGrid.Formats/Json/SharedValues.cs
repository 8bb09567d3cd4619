using HourGrid.Core.Catalogue;

namespace HourGrid.Formats.Json;

/// <summary>Reads the values that both formats hold.</summary>
internal static class SharedValues
{
    public const int FormatVersion = 1;

    public static WeekdaySet Days(JsonPlace place)
    {
        var days = place.Values(item => item.Word(Words.Days));
        if (days.Count == 0)
            place.Refuse("a list of at least one weekday, mon to sun");
        return WeekdaySet.Of(days);
    }

    public static Minute? Time(JsonPlace place)
    {
        if (!place.IsAbsent && Minute.TryParse(place.Text(), out var minute))
            return minute;
        place.Refuse("a time such as 09:30");
        return null;
    }

    /// <summary>A start and an end, the end after the start.</summary>
    public static MinuteInterval? Interval(JsonPlace from, JsonPlace to)
    {
        if (Time(from) is not { } start || Time(to) is not { } end)
            return null;
        if (end > start)
            return new(start, end);
        to.Refuse($"a time after {start}");
        return null;
    }

    public static CampusId Campus(JsonPlace place) => new(place.FilledText(40));

    public static RegistrationNumber Number(JsonPlace place) => new(place.FilledText(40));

    public static CourseId Course(JsonPlace place) => new(place.FilledText(40));

    public static Credits? CreditsOf(JsonPlace place)
    {
        if (place.Number() is not { } number)
            return null;
        if (Credits.TryOf(number, out var credits))
            return credits;
        place.Refuse($"credits from 0 to {Credits.Max}, two decimals at most");
        return null;
    }

    public static void CheckFormat(JsonObjectPlace file, string format)
    {
        if (file["format"].Text() != format)
            file["format"].Refuse($"\"{format}\"");
        if (file["version"].Whole(1, int.MaxValue) != FormatVersion)
            file["version"].Refuse("1, the only version there is");
    }
}
