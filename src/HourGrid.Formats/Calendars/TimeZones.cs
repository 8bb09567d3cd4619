using NodaTime;

namespace HourGrid.Formats.Calendars;

/// <summary>Time zones by their names in the IANA database, which ships with the application.</summary>
internal static class TimeZones
{
    /// <summary>The zone of a name, or null.</summary>
    public static DateTimeZone? Find(string name) => DateTimeZoneProviders.Tzdb.GetZoneOrNull(name);
}
