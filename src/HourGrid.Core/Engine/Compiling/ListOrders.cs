using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>Equality and order of lists of meetings: element by element, the shorter first.</summary>
internal sealed class MeetingLists : IEqualityComparer<IReadOnlyList<Meeting>>, IComparer<IReadOnlyList<Meeting>>
{
    public static MeetingLists Comparer { get; } = new();

    public bool Equals(IReadOnlyList<Meeting>? x, IReadOnlyList<Meeting>? y) =>
        x is not null && y is not null && x.SequenceEqual(y);

    public int GetHashCode(IReadOnlyList<Meeting> obj)
    {
        var hash = new HashCode();
        for (var i = 0; i < obj.Count; i++)
            hash.Add(obj[i]);
        return hash.ToHashCode();
    }

    public int Compare(IReadOnlyList<Meeting>? x, IReadOnlyList<Meeting>? y) =>
        ElementByElement.Compare(x ?? [], y ?? [], (one, other) => one.CompareTo(other));
}

/// <summary>Order of lists of sections: by registration numbers, element by element, the shorter first.</summary>
internal sealed class SectionLists : IComparer<IReadOnlyList<OfferedSection>>, IComparer<Bundle>
{
    public static SectionLists Comparer { get; } = new();

    public static IComparer<Bundle> OfBundles => Comparer;

    public int Compare(Bundle? x, Bundle? y) => Compare(x?.Sections, y?.Sections);

    public int Compare(IReadOnlyList<OfferedSection>? x, IReadOnlyList<OfferedSection>? y) =>
        ElementByElement.Compare(x ?? [], y ?? [], (one, other) => one.Number.CompareTo(other.Number));
}

file static class ElementByElement
{
    public static int Compare<T>(IReadOnlyList<T> x, IReadOnlyList<T> y, Comparison<T> compare)
    {
        for (var i = 0; i < Math.Min(x.Count, y.Count); i++)
            if (compare(x[i], y[i]) is var order and not 0)
                return order;
        return x.Count.CompareTo(y.Count);
    }
}
