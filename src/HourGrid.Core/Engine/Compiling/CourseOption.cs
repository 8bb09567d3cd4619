using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>
/// One choice for a course: the bundles that no rule and no hour tells apart, or leaving the course out. For
/// conflicts it is one choice, counted as often as it has bundles.
/// </summary>
internal sealed class CourseOption
{
    /// <summary>The choice of leaving the course out.</summary>
    public static CourseOption Absent(bool isChange) =>
        new()
        {
            Meetings = [],
            Bundles = [],
            Against = [],
            Shape = -1,
            IsChange = isChange,
        };

    /// <summary>The shared meetings, in the order a week reads.</summary>
    public required IReadOnlyList<Meeting> Meetings { get; init; }

    /// <summary>The bundles, ordered by their registration numbers; none when the course is left out.</summary>
    public required IReadOnlyList<Bundle> Bundles { get; init; }

    /// <summary>The numbers of the rules that would have to be lifted to admit it, ascending.</summary>
    public required int[] Against { get; init; }

    /// <summary>The number of its list of meetings among those of the course; -1 when the course is left out.</summary>
    public required int Shape { get; init; }

    /// <summary>Whether it differs from the timetable held on to, where there is one.</summary>
    public required bool IsChange { get; init; }

    public bool IsAbsent => Shape < 0;

    /// <summary>How many ways there are to take it: its bundles, or the one way of leaving out.</summary>
    public int Ways => IsAbsent ? 1 : Bundles.Count;

    /// <summary>Credits of each of its bundles.</summary>
    public Credits Credits => IsAbsent ? default : Bundles[0].Credits;
}
