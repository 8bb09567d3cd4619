using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;

namespace HourGrid.Core.Engine;

/// <summary>One bundle for each course taken, no conflict, every hard rule kept.</summary>
/// <param name="Bundles">The bundles, in the order of the ask.</param>
public sealed record Timetable(IReadOnlyList<Bundle> Bundles)
{
    /// <summary>Its sections, sorted by registration number; two timetables are the same when these are.</summary>
    public IReadOnlyList<OfferedSection> Sections { get; } = Sorted(Bundles);

    /// <summary>The credits of all its bundles.</summary>
    public Credits Credits { get; } = Bundles.Aggregate(default(Credits), (sum, bundle) => sum + bundle.Credits);

    private static OfferedSection[] Sorted(IReadOnlyList<Bundle> bundles)
    {
        OfferedSection[] sections = [.. bundles.SelectMany(bundle => bundle.Sections)];
        Array.Sort(sections, static (one, other) => one.Number.CompareTo(other.Number));
        return sections;
    }
}

/// <summary>A timetable with its place in the walk. All numbers count from 0.</summary>
/// <param name="Timetable">The timetable.</param>
/// <param name="Number">Its place among all timetables.</param>
/// <param name="ShapeNumber">The place of its week shape among all week shapes.</param>
/// <param name="AlikeNumber">Its place among the timetables of that week shape, which follow one another.</param>
/// <param name="Alike">How many timetables have that week shape, itself among them.</param>
public sealed record WalkedTimetable(
    Timetable Timetable,
    UInt128 Number,
    UInt128 ShapeNumber,
    UInt128 AlikeNumber,
    UInt128 Alike
);
