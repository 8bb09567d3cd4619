using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// The order of timetables of equal score: by their sorted registration numbers, element by element, a list before
/// those that continue it. Numbers are ranks, so that lists are compared as numbers.
/// </summary>
internal sealed class RegistrationOrder
{
    // By rank.
    private readonly OfferedSection[] sections;
    private readonly Dictionary<RegistrationNumber, int> ranks;

    /// <param name="problem">What is asked.</param>
    /// <param name="limit">Stops the making of it.</param>
    public RegistrationOrder(Problem problem, WorkLimit limit)
    {
        sections = new OfferedSection[problem.Courses.Sum(course => course.Offered.Sections.Count)];
        ranks = new(sections.Length);
        // One sort of all could not be stopped.
        var queue = new PriorityQueue<(OfferedSection[] Its, int At), RegistrationNumber>();
        foreach (var course in problem.Courses)
        {
            limit.ThrowIfOver();
            OfferedSection[] ofBundle = [.. course.Offered.Sections.OrderBy(section => section.Number)];
            if (ofBundle.Length > 0)
                queue.Enqueue((ofBundle, 0), ofBundle[0].Number);
        }
        for (var rank = 0; queue.TryPeek(out var first, out var number); rank++)
        {
            limit.ThrowIfOver();
            var (ofBundle, at) = first;
            sections[rank] = ofBundle[at];
            ranks[number] = rank;
            if (++at < ofBundle.Length)
                queue.DequeueEnqueue((ofBundle, at), ofBundle[at].Number);
            else
                queue.Dequeue();
        }
    }

    /// <summary>The ranks of a bundle's sections, ascending.</summary>
    public int[] Of(Bundle bundle)
    {
        var ofBundle = new int[bundle.Sections.Count];
        for (var i = 0; i < ofBundle.Length; i++)
            ofBundle[i] = ranks[bundle.Sections[i].Number];
        return ofBundle;
    }

    /// <summary>The sections of ranks.</summary>
    public OfferedSection[] Of(int[] ofBundle) => Array.ConvertAll(ofBundle, rank => sections[rank]);

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
