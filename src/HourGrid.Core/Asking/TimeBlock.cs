using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Asking;

/// <summary>How strongly a rule holds.</summary>
public enum Strength
{
    /// <summary>Hard: no timetable breaks it.</summary>
    Cannot,

    /// <summary>Soft: it only counts in the measures.</summary>
    RatherNot,
}

/// <summary>Fixed hours that are taken.</summary>
/// <param name="Days">The weekdays, at least one.</param>
/// <param name="Time">The hours.</param>
/// <param name="Strength">Can't or Rather not.</param>
/// <param name="Weeks">The weeks; <see cref="WeekSet.All"/> unless bound to some.</param>
/// <param name="Label">What the student calls it; may be empty.</param>
public sealed record TimeBlock(WeekdaySet Days, MinuteInterval Time, Strength Strength, WeekSet Weeks, string Label)
{
    /// <summary>Whether a meeting shares a minute with the block.</summary>
    public bool Meets(in Meeting meeting) =>
        Days.Contains(meeting.Day) && Weeks.Overlaps(meeting.Weeks) && Time.Overlaps(meeting.Time);
}

/// <summary>Floating free time: so many minutes without class somewhere inside a window.</summary>
/// <param name="Days">The weekdays on which it is wanted, at least one.</param>
/// <param name="Window">Where it must lie.</param>
/// <param name="Minutes">How long it must be, 1 to the window's length.</param>
/// <param name="Strength">Hard or soft.</param>
public sealed record Break(WeekdaySet Days, MinuteInterval Window, int Minutes, Strength Strength);
