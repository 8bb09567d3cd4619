using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// The order of timetables of equal score: by their sorted registration numbers, element by element, a list before
/// those that continue it. Numbers are ranks, so that lists are compared as numbers.
/// </summary>
internal sealed class RegistrationOrder
{
    private readonly Dictionary<RegistrationNumber, int> ranks;

    public RegistrationOrder(Problem problem)
    {
        ranks = problem
            .Courses.SelectMany(course => course.Offered.Sections)
            .Select(section => section.Number)
            .Order()
            .Select((number, rank) => (number, rank))
            .ToDictionary(pair => pair.number, pair => pair.rank);
    }

    /// <summary>The ranks of a bundle's sections, ascending.</summary>
    public int[] Of(Bundle bundle) => [.. bundle.Sections.Select(section => ranks[section.Number])];

    /// <summary>The order of timetables.</summary>
    public static int Compare(ReadOnlySpan<int> one, ReadOnlySpan<int> other) => one.SequenceCompareTo(other);

    /// <summary>
    /// The order in which the parts of a timetable are chosen: as <see cref="Compare"/>, but a list after those that
    /// continue it. In this order the smaller part always makes the smaller whole: where two parts first differ, so do
    /// the wholes, whatever else they hold.
    /// </summary>
    public static int CompareParts(ReadOnlySpan<int> one, ReadOnlySpan<int> other)
    {
        var shared = one.CommonPrefixLength(other);
        if (shared == one.Length || shared == other.Length)
            return other.Length.CompareTo(one.Length);
        return one[shared].CompareTo(other[shared]);
    }
}
