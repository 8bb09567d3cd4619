using HourGrid.Core.Asking;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>The wishes an ask holds, and the ask without one of them.</summary>
public static class Wishes
{
    /// <summary>Every wish the ask sets, in the order of the ask's fields.</summary>
    public static IReadOnlyList<Wish> Of(Ask ask)
    {
        var wishes = new List<Wish>();
        for (var i = 0; i < ask.Wanted.Count; i++)
            AddCourse(wishes, ask.Wanted[i], i, IsInPlay(ask, ask.Wanted[i]));
        for (var i = 0; i < ask.EitherOr.Count; i++)
            wishes.Add(new(WishKind.EitherOr, i, $"eitherOr[{i}]"));
        Add(ask.Credits is not { Min: null, Max: null }, WishKind.Credits, "credits");
        for (var i = 0; i < ask.TimeBlocks.Count; i++)
            wishes.Add(new(WishKind.TimeBlock, i, $"timeBlocks[{i}]", ask.TimeBlocks[i].Strength == Strength.Cannot));
        for (var i = 0; i < ask.Breaks.Count; i++)
            wishes.Add(new(WishKind.Break, i, $"breaks[{i}]", ask.Breaks[i].Strength == Strength.Cannot));
        var limits = ask.DayLimits;
        Add(limits.EarliestStart is not null, WishKind.EarliestStart, "dayLimits.earliestStart");
        Add(limits.LatestEnd is not null, WishKind.LatestEnd, "dayLimits.latestEnd");
        Add(limits.DaysOff.Count > 0, WishKind.DaysOff, "dayLimits.daysOff");
        Add(limits.MaxDays is not null, WishKind.MaxDays, "dayLimits.maxDays");
        Add(limits.MaxMinutesPerDay is not null, WishKind.MaxMinutesPerDay, "dayLimits.maxMinutesPerDay");
        Add(limits.MaxStretchMinutes is not null, WishKind.MaxStretch, "dayLimits.maxStretchMinutes");
        Add(limits.MinutesBetween > 0, WishKind.MinutesBetween, "dayLimits.minutesBetween");
        Add(ask.Campus.Allowed.Count > 0, WishKind.Campuses, "campus.allowed");
        Add(ask.Campus.RespectTravel, WishKind.Travel, "campus.respectTravel");
        Add(ask.Campus.OnePerDay, WishKind.OneCampusPerDay, "campus.onePerDay");
        Add(ask.Modes.Count > 0, WishKind.Modes, "modes");
        Add(ask.Seats != SeatsRule.Any, WishKind.Seats, "seats");
        return wishes;

        void Add(bool isSet, WishKind kind, string path)
        {
            if (isSet)
                wishes.Add(new(kind, 0, path));
        }
    }

    /// <summary>
    /// The ask without one wish. Without a course means set aside, and out of its either–or; without an either–or its
    /// courses have their own roles again.
    /// </summary>
    public static Ask Without(Ask ask, Wish wish)
    {
        var limits = ask.DayLimits;
        return wish.Kind switch
        {
            WishKind.Course => WithoutCourse(ask, wish.Index),
            WishKind.Keep => WithWanted(ask, wish.Index, ask.Wanted[wish.Index] with { Keep = [] }),
            WishKind.RuleOut => WithWanted(ask, wish.Index, ask.Wanted[wish.Index] with { RuleOut = [] }),
            WishKind.CourseInstructors => WithWanted(
                ask,
                wish.Index,
                ask.Wanted[wish.Index] with
                {
                    Instructors = [],
                }
            ),
            WishKind.CourseModes => WithWanted(ask, wish.Index, ask.Wanted[wish.Index] with { Modes = [] }),
            WishKind.CourseCampuses => WithWanted(ask, wish.Index, ask.Wanted[wish.Index] with { Campuses = [] }),
            WishKind.CourseSeats => WithWanted(
                ask,
                wish.Index,
                ask.Wanted[wish.Index] with
                {
                    Seats = SeatsRule.Any,
                }
            ),
            WishKind.EitherOr => ask with { EitherOr = WithoutAt(ask.EitherOr, wish.Index) },
            WishKind.Credits => ask with { Credits = default },
            WishKind.TimeBlock => ask with { TimeBlocks = WithoutAt(ask.TimeBlocks, wish.Index) },
            WishKind.Break => ask with { Breaks = WithoutAt(ask.Breaks, wish.Index) },
            WishKind.EarliestStart => ask with { DayLimits = limits with { EarliestStart = null } },
            WishKind.LatestEnd => ask with { DayLimits = limits with { LatestEnd = null } },
            WishKind.DaysOff => ask with { DayLimits = limits with { DaysOff = default } },
            WishKind.MaxDays => ask with { DayLimits = limits with { MaxDays = null } },
            WishKind.MaxMinutesPerDay => ask with { DayLimits = limits with { MaxMinutesPerDay = null } },
            WishKind.MaxStretch => ask with { DayLimits = limits with { MaxStretchMinutes = null } },
            WishKind.MinutesBetween => ask with { DayLimits = limits with { MinutesBetween = 0 } },
            WishKind.Campuses => ask with { Campus = ask.Campus with { Allowed = [] } },
            WishKind.Travel => ask with { Campus = ask.Campus with { RespectTravel = false } },
            WishKind.OneCampusPerDay => ask with { Campus = ask.Campus with { OnePerDay = false } },
            WishKind.Modes => ask with { Modes = [] },
            WishKind.Seats => ask with { Seats = SeatsRule.Any },
            _ => throw new ArgumentOutOfRangeException(nameof(wish), wish.Kind, "Not a wish that can be lifted."),
        };
    }

    internal static bool IsInPlay(Ask ask, WantedCourse wanted) =>
        wanted.Role != CourseRole.SetAside || EitherOrOf(ask, wanted) is not null;

    /// <summary>Which either–or a course is in, or null.</summary>
    internal static int? EitherOrOf(Ask ask, WantedCourse wanted)
    {
        for (var i = 0; i < ask.EitherOr.Count; i++)
            if (ask.EitherOr[i].Courses.Contains(wanted.Course))
                return i;
        return null;
    }

    private static void AddCourse(List<Wish> wishes, WantedCourse wanted, int index, bool inPlay)
    {
        var path = $"wanted[{index}]";
        if (inPlay)
            wishes.Add(new(WishKind.Course, index, path));
        Add(wanted.Keep.Count, WishKind.Keep, "keep");
        Add(wanted.RuleOut.Count, WishKind.RuleOut, "ruleOut");
        Add(wanted.Instructors.Count, WishKind.CourseInstructors, "instructors");
        Add(wanted.Modes.Count, WishKind.CourseModes, "modes");
        Add(wanted.Campuses.Count, WishKind.CourseCampuses, "campuses");
        Add(wanted.Seats is not (null or SeatsRule.Any) ? 1 : 0, WishKind.CourseSeats, "seats");

        void Add(int count, WishKind kind, string field)
        {
            if (count > 0)
                wishes.Add(new(kind, index, $"{path}.{field}"));
        }
    }

    private static Ask WithWanted(Ask ask, int index, WantedCourse wanted) =>
        ask with
        {
            Wanted = [.. ask.Wanted.Select((one, i) => i == index ? wanted : one)],
        };

    private static Ask WithoutCourse(Ask ask, int index)
    {
        var course = ask.Wanted[index].Course;
        return WithWanted(ask, index, ask.Wanted[index] with { Role = CourseRole.SetAside }) with
        {
            EitherOr =
            [
                .. ask.EitherOr.Select(choice =>
                    choice with
                    {
                        Courses = [.. choice.Courses.Where(other => other != course)],
                    }
                ),
            ],
        };
    }

    private static IReadOnlyList<T> WithoutAt<T>(IReadOnlyList<T> list, int index) =>
        [.. list.Where((_, i) => i != index)];
}
