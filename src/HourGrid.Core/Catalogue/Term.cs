namespace HourGrid.Core.Catalogue;

/// <summary>A term of teaching.</summary>
/// <param name="Id">Its code.</param>
/// <param name="Name">Its name as students say it.</param>
/// <param name="Start">The first day.</param>
/// <param name="End">The last day, not before <paramref name="Start"/>; in week 64 at the latest.</param>
/// <param name="NoClass">Days on which nothing meets; left out of exports and dated views, not of conflict.</param>
/// <param name="Parts">Its parts, such as halves.</param>
public sealed record Term(
    TermId Id,
    string Name,
    DateOnly Start,
    DateOnly End,
    IReadOnlyList<NoClassPeriod> NoClass,
    IReadOnlyList<PartOfTerm> Parts
)
{
    /// <summary>The season it is, one of the catalogue's cycle; null where nothing is said.</summary>
    public string? Season { get; init; }

    /// <summary>The Monday with which week 1 begins.</summary>
    public DateOnly FirstMonday => Start.AddDays(-(int)Weekdays.Of(Start));

    /// <summary>How many weeks the term touches, 1…64.</summary>
    public int WeekCount => WeekOf(End);

    /// <summary>The week in which a date lies; 0 or less before week 1.</summary>
    public int WeekOf(DateOnly date) =>
        (int)Math.Floor((date.DayNumber - FirstMonday.DayNumber) / (double)Weekdays.PerWeek) + 1;

    /// <summary>The weeks in which a weekday falls in <c>[from, to]</c>, every <paramref name="everyWeeks"/>th
    /// counted from the first such date. Weeks outside 1…64 are left out.</summary>
    /// <param name="day">The weekday.</param>
    /// <param name="from">First date, inclusive.</param>
    /// <param name="to">Last date, inclusive.</param>
    /// <param name="everyWeeks">The stride in weeks, 1 or more.</param>
    public WeekSet WeeksBetween(Weekday day, DateOnly from, DateOnly to, int everyWeeks)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(everyWeeks, 1);
        var bits = 0UL;
        var date = from.AddDays(((int)day - (int)Weekdays.Of(from) + Weekdays.PerWeek) % Weekdays.PerWeek);
        for (; date <= to; date = date.AddDays(Weekdays.PerWeek * everyWeeks))
        {
            var week = WeekOf(date);
            if (week > WeekSet.MaxWeek)
                break;
            if (week >= 1)
                bits |= 1UL << (week - 1);
        }
        return new(bits);
    }
}

/// <summary>A part of a term, such as its first half.</summary>
/// <param name="Id">Its code within the term.</param>
/// <param name="Name">Its name.</param>
/// <param name="Start">Its first day.</param>
/// <param name="End">Its last day.</param>
public sealed record PartOfTerm(string Id, string Name, DateOnly Start, DateOnly End);

/// <summary>Days on which no class meets.</summary>
/// <param name="From">The first such day.</param>
/// <param name="To">The last such day, not before <paramref name="From"/>.</param>
/// <param name="Name">What the days are called.</param>
public sealed record NoClassPeriod(DateOnly From, DateOnly To, string Name);
