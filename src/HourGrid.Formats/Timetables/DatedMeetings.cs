using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;

namespace HourGrid.Formats.Timetables;

/// <summary>One weekday's meeting of a section with the dates on which it takes place.</summary>
/// <param name="Course">Its course.</param>
/// <param name="Section">Its section.</param>
/// <param name="Pattern">The meeting as printed.</param>
/// <param name="Place">Which of the section's patterns, from 0.</param>
/// <param name="Day">The weekday.</param>
/// <param name="Weeks">The weeks in which it meets, days without class among them.</param>
/// <param name="Dates">The dates on which it takes place, ascending; days without class are left out.</param>
internal sealed record DatedMeeting(
    OfferedCourse Course,
    OfferedSection Section,
    MeetingPattern Pattern,
    int Place,
    Weekday Day,
    WeekSet Weeks,
    IReadOnlyList<DateOnly> Dates
)
{
    /// <summary>All meetings of a timetable, section by section.</summary>
    public static IEnumerable<DatedMeeting> Of(Timetable timetable, Term term) =>
        from bundle in timetable.Bundles
        from section in bundle.Sections
        from pattern in section.Section.Patterns.Index()
        from day in pattern.Item.Days.Days()
        let weeks = term.WeeksBetween(day, pattern.Item.From, pattern.Item.To, pattern.Item.EveryWeeks)
        where !weeks.IsEmpty
        select new DatedMeeting(
            bundle.Course,
            section,
            pattern.Item,
            pattern.Index,
            day,
            weeks,
            [.. DatesOf(term, day, weeks).Where(date => !IsNoClass(term, date))]
        );

    /// <summary>The dates of a weekday in some weeks.</summary>
    public static IEnumerable<DateOnly> DatesOf(Term term, Weekday day, WeekSet weeks) =>
        weeks.Weeks().Select(week => term.FirstMonday.AddDays((week - 1) * Weekdays.PerWeek + (int)day));

    private static bool IsNoClass(Term term, DateOnly date) =>
        term.NoClass.Any(period => period.From <= date && date <= period.To);
}
