namespace HourGrid.Core.Catalogue;

/// <summary>One weekday's meeting of a section, in the weeks in which it takes place.</summary>
/// <param name="Day">The weekday.</param>
/// <param name="Time">From when to when.</param>
/// <param name="Weeks">The weeks, at least one.</param>
/// <param name="Campus">Where; null for a meeting online.</param>
public readonly record struct Meeting(Weekday Day, MinuteInterval Time, WeekSet Weeks, CampusId? Campus)
    : IComparable<Meeting>
{
    /// <summary>The order in which a week reads: by weekday, start, end, weeks, campus (none first).</summary>
    public int CompareTo(Meeting other)
    {
        if (Day != other.Day)
            // An enum compares itself with any object, for which both would be boxed.
            return ((int)Day).CompareTo((int)other.Day);
        if (Time != other.Time)
            return Time.CompareTo(other.Time);
        if (Weeks != other.Weeks)
            return Weeks.CompareTo(other.Weeks);
        return string.CompareOrdinal(Campus?.Value, other.Campus?.Value);
    }

    /// <summary>Whether <paramref name="left"/> sorts before <paramref name="right"/>.</summary>
    public static bool operator <(Meeting left, Meeting right) => left.CompareTo(right) < 0;

    /// <summary>Whether <paramref name="left"/> sorts after <paramref name="right"/>.</summary>
    public static bool operator >(Meeting left, Meeting right) => left.CompareTo(right) > 0;

    /// <summary>Whether <paramref name="left"/> does not sort after <paramref name="right"/>.</summary>
    public static bool operator <=(Meeting left, Meeting right) => left.CompareTo(right) <= 0;

    /// <summary>Whether <paramref name="left"/> does not sort before <paramref name="right"/>.</summary>
    public static bool operator >=(Meeting left, Meeting right) => left.CompareTo(right) >= 0;
}

/// <summary>Meetings as a catalogue prints them: the same hours and room on several weekdays, between two dates.</summary>
/// <param name="Days">The weekdays, at least one.</param>
/// <param name="Time">From when to when.</param>
/// <param name="Room">The room; empty when none is given.</param>
/// <param name="Campus">Where, once defaults are filled in; null for a meeting online.</param>
/// <param name="From">First date, once defaults are filled in.</param>
/// <param name="To">Last date, once defaults are filled in.</param>
/// <param name="EveryWeeks">1 for every week, 2 for every second one, counted from the first matching date.</param>
public sealed record MeetingPattern(
    WeekdaySet Days,
    MinuteInterval Time,
    string Room,
    CampusId? Campus,
    DateOnly From,
    DateOnly To,
    int EveryWeeks
)
{
    /// <summary>The pattern's meetings in a term, a weekday each. Weekdays that fall in no week have none.</summary>
    public IEnumerable<Meeting> MeetingsIn(Term term)
    {
        foreach (var day in Days.Days())
        {
            var weeks = term.WeeksBetween(day, From, To, EveryWeeks);
            if (!weeks.IsEmpty)
                yield return new(day, Time, weeks, Campus);
        }
    }
}
