namespace HourGrid.Core.Catalogue;

/// <summary>A day of the week; the week runs Monday to Sunday.</summary>
public enum Weekday
{
    /// <summary>Monday, the first day of a week.</summary>
    Monday,

    /// <summary>Tuesday.</summary>
    Tuesday,

    /// <summary>Wednesday.</summary>
    Wednesday,

    /// <summary>Thursday.</summary>
    Thursday,

    /// <summary>Friday.</summary>
    Friday,

    /// <summary>Saturday.</summary>
    Saturday,

    /// <summary>Sunday, the last day of a week.</summary>
    Sunday,
}

/// <summary>Weekdays and dates.</summary>
public static class Weekdays
{
    /// <summary>Days in a week.</summary>
    public const int PerWeek = 7;

    /// <summary>Monday to Sunday.</summary>
    public static IReadOnlyList<Weekday> All { get; } = Enum.GetValues<Weekday>();

    /// <summary>The weekday on which a date falls.</summary>
    public static Weekday Of(DateOnly date) => (Weekday)(((int)date.DayOfWeek + 6) % PerWeek);
}
