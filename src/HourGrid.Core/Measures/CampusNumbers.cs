using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Measures;

/// <summary>The campuses of a catalogue by number, with the way between them.</summary>
internal sealed class CampusNumbers
{
    /// <summary>The number of a meeting without a campus.</summary>
    public const int None = -1;

    private readonly Dictionary<CampusId, int> numbers = [];
    private readonly int[] minutes;

    /// <param name="snapshot">The catalogue; it lists every campus that its sections are on.</param>
    public CampusNumbers(CatalogueSnapshot snapshot)
    {
        foreach (var campus in snapshot.Campuses)
            numbers[campus.Id] = numbers.Count;
        minutes = new int[numbers.Count * numbers.Count];
        foreach (var (from, row) in numbers)
        foreach (var (to, column) in numbers)
            minutes[row * numbers.Count + column] = snapshot.Travel.Between(from, to);
        for (var from = 0; from < numbers.Count; from++)
        for (var to = 0; to < numbers.Count; to++)
            if (from != to)
                LeastMinutes = Math.Min(LeastMinutes ?? int.MaxValue, MinutesBetween(from, to));
    }

    /// <summary>Minutes of the shortest way between two of them; null where there is only one.</summary>
    public int? LeastMinutes { get; }

    /// <summary>The number of a campus, from 0.</summary>
    public int Of(CampusId? campus) => campus is { } one ? numbers[one] : None;

    /// <summary>Minutes on the way from one to another, by their numbers; 0 where the catalogue does not say.</summary>
    public int MinutesBetween(int from, int to) => minutes[from * numbers.Count + to];
}
