using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;

namespace HourGrid.Core.Engine.Answers;

/// <summary>How a descent through the levels picks its path.</summary>
internal interface IPathChoice
{
    /// <summary>Whether to take this option of a course, given what was skipped so far and what lies below it.</summary>
    bool Takes(CoursePlay course, CourseOption option, Tally skipped, Tally below);

    /// <summary>Which of the look-alikes at the end of the path.</summary>
    UInt128 AlikeNumber(Tally skipped, IReadOnlyList<CourseOption> chosen);
}

/// <summary>The path to the timetable with this number.</summary>
internal sealed class SkipTimetables(UInt128 number) : IPathChoice
{
    public bool Takes(CoursePlay course, CourseOption option, Tally skipped, Tally below) =>
        number - skipped.Timetables < below.Timetables;

    public UInt128 AlikeNumber(Tally skipped, IReadOnlyList<CourseOption> chosen) => number - skipped.Timetables;
}

/// <summary>The path to the first timetable of the week shape with this number.</summary>
internal sealed class SkipShapes(UInt128 number) : IPathChoice
{
    public bool Takes(CoursePlay course, CourseOption option, Tally skipped, Tally below) =>
        number - skipped.WeekShapes < below.WeekShapes;

    public UInt128 AlikeNumber(Tally skipped, IReadOnlyList<CourseOption> chosen) => 0;
}

/// <summary>The path that holds on to sections of a timetable wherever it can, and leaves out what that one did.</summary>
internal sealed class HoldSections(IReadOnlySet<RegistrationNumber> held) : IPathChoice
{
    public bool Takes(CoursePlay course, CourseOption option, Tally skipped, Tally below) =>
        option.IsAbsent
            ? held.Count > 0 && !course.Offered.Sections.Any(section => held.Contains(section.Number))
            : option.Bundles.Any(IsHeld);

    public UInt128 AlikeNumber(Tally skipped, IReadOnlyList<CourseOption> chosen)
    {
        UInt128 number = 0;
        foreach (var option in chosen)
        {
            var digit = option
                .Bundles.Select((bundle, i) => (bundle, i))
                .FirstOrDefault(pair => IsHeld(pair.bundle))
                .i;
            number = number * (UInt128)option.Ways + (UInt128)digit;
        }
        return number;
    }

    /// <summary>Whether the bundle is just what is held of its course.</summary>
    private bool IsHeld(Bundle bundle) =>
        bundle.Sections.All(section => held.Contains(section.Number))
        && bundle.Sections.Count == bundle.Course.Sections.Count(section => held.Contains(section.Number));
}
