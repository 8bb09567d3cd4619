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
