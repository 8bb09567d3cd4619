namespace HourGrid.Core.Engine.Compiling;

/// <summary>What a wish is about.</summary>
public enum WishKind
{
    /// <summary>A course that is taken, or may be.</summary>
    Course,

    /// <summary>The kept sections of a course.</summary>
    Keep,

    /// <summary>The ruled-out sections of a course.</summary>
    RuleOut,

    /// <summary>The instructors allowed for a course.</summary>
    CourseInstructors,

    /// <summary>The delivery modes allowed for a course.</summary>
    CourseModes,

    /// <summary>The campuses allowed for a course.</summary>
    CourseCampuses,

    /// <summary>The seats rule of a course.</summary>
    CourseSeats,

    /// <summary>A choice among courses.</summary>
    EitherOr,

    /// <summary>The credit range.</summary>
    Credits,

    /// <summary>A time block.</summary>
    TimeBlock,

    /// <summary>A break.</summary>
    Break,

    /// <summary>The earliest start of a day.</summary>
    EarliestStart,

    /// <summary>The latest end of a day.</summary>
    LatestEnd,

    /// <summary>Days off.</summary>
    DaysOff,

    /// <summary>Most class days in a week.</summary>
    MaxDays,

    /// <summary>Most minutes of class in a day.</summary>
    MaxMinutesPerDay,

    /// <summary>Longest unbroken stretch.</summary>
    MaxStretch,

    /// <summary>Minutes between classes.</summary>
    MinutesBetween,

    /// <summary>The campuses allowed.</summary>
    Campuses,

    /// <summary>Travel between campuses.</summary>
    Travel,

    /// <summary>One campus a day.</summary>
    OneCampusPerDay,

    /// <summary>The delivery modes allowed.</summary>
    Modes,

    /// <summary>The seats rule.</summary>
    Seats,
}

/// <summary>One thing an ask sets that could be lifted by itself.</summary>
/// <param name="Kind">What it is about.</param>
/// <param name="Index">Which of its list in the ask, from 0; 0 where there is no list.</param>
/// <param name="Path">Its place in the ask, as in <c>timeBlocks[0]</c> or <c>wanted[2].keep</c>.</param>
/// <param name="IsHard">Whether it can rule a timetable out; a soft rule only counts in the measures.</param>
public sealed record Wish(WishKind Kind, int Index, string Path, bool IsHard = true);
