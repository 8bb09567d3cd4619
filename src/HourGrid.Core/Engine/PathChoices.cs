using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Engine;

/// <summary>How a descent through the levels picks its path.</summary>
internal interface IPathChoice
{
    /// <summary>Whether to take this shape, given what was skipped so far and what lies below it.</summary>
    bool Takes(CourseShape shape, Tally skipped, Tally below);

    /// <summary>Which of the look-alikes at the end of the path.</summary>
    UInt128 AlikeNumber(Tally skipped, IReadOnlyList<CoursePlay> levels, int[] chosen);
}

/// <summary>The path to the timetable with this number.</summary>
internal sealed class SkipTimetables(UInt128 number) : IPathChoice
{
    public bool Takes(CourseShape shape, Tally skipped, Tally below) =>
        number - skipped.Timetables < below.Timetables;

    public UInt128 AlikeNumber(Tally skipped, IReadOnlyList<CoursePlay> levels, int[] chosen) =>
        number - skipped.Timetables;
}

/// <summary>The path to the first timetable of the week shape with this number.</summary>
internal sealed class SkipShapes(UInt128 number) : IPathChoice
{
    public bool Takes(CourseShape shape, Tally skipped, Tally below) =>
        number - skipped.WeekShapes < below.WeekShapes;

    public UInt128 AlikeNumber(Tally skipped, IReadOnlyList<CoursePlay> levels, int[] chosen) => 0;
}

/// <summary>The path that keeps to these sections where it can.</summary>
internal sealed class HoldSections(HashSet<RegistrationNumber> held) : IPathChoice
{
    public bool Takes(CourseShape shape, Tally skipped, Tally below) => shape.Bundles.Any(IsHeld);

    public UInt128 AlikeNumber(Tally skipped, IReadOnlyList<CoursePlay> levels, int[] chosen)
    {
        UInt128 number = 0;
        for (var level = 0; level < chosen.Length; level++)
        {
            var bundles = levels[level].Shapes[chosen[level]].Bundles;
            var digit = bundles.TakeWhile(bundle => !IsHeld(bundle)).Count();
            number = number * (UInt128)bundles.Count + (UInt128)(digit == bundles.Count ? 0 : digit);
        }
        return number;
    }

    private bool IsHeld(Bundle bundle) => bundle.Sections.All(section => held.Contains(section.Number));
}
