using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Engine;

/// <summary>
/// The bundles of one course that have the same list of meetings: for conflicts they are one choice, counted as
/// often as it has bundles.
/// </summary>
/// <param name="Meetings">The shared meetings, in the order a week reads.</param>
/// <param name="Bundles">The bundles, ordered by their registration numbers; at least one.</param>
public sealed record CourseShape(IReadOnlyList<Meeting> Meetings, IReadOnlyList<Bundle> Bundles);

/// <summary>A course in play with its admissible bundles folded by their hours.</summary>
public sealed class CoursePlay
{
    internal CoursePlay(OfferedCourse offered, WantedCourse wanted, IReadOnlyList<Bundle> bundles)
    {
        Offered = offered;
        Wanted = wanted;
        BundleCount = bundles.Count;
        SectionsInPlay = bundles.SelectMany(bundle => bundle.Sections).Distinct().Count();
        Shapes =
        [
            .. bundles
                .GroupBy(bundle => bundle.Meetings, MeetingLists.Comparer)
                .OrderBy(group => group.Key, MeetingLists.Comparer)
                .Select(group => new CourseShape(
                    group.Key,
                    [.. group.OrderBy(bundle => bundle.Sections, SectionLists.Comparer)]
                )),
        ];
    }

    /// <summary>The course as the term offers it.</summary>
    public OfferedCourse Offered { get; }

    /// <summary>What the ask says of it.</summary>
    public WantedCourse Wanted { get; }

    /// <summary>How many admissible bundles it has.</summary>
    public int BundleCount { get; }

    /// <summary>How many of its sections stand in an admissible bundle.</summary>
    public int SectionsInPlay { get; }

    /// <summary>Its bundles folded by hours, earliest in the week first.</summary>
    public IReadOnlyList<CourseShape> Shapes { get; }
}
