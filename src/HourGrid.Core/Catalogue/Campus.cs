namespace HourGrid.Core.Catalogue;

/// <summary>A campus.</summary>
/// <param name="Id">Its code.</param>
/// <param name="Name">Its name.</param>
public sealed record Campus(CampusId Id, string Name);

/// <summary>One entry of the travel table.</summary>
/// <param name="From">Where one leaves.</param>
/// <param name="To">Where one arrives.</param>
/// <param name="Minutes">How long it takes, 0 or more.</param>
public sealed record Travel(CampusId From, CampusId To, int Minutes);

/// <summary>Minutes between campuses. A missing entry is 0; one direction given serves for both.</summary>
public sealed class TravelTimes
{
    private readonly Dictionary<(CampusId, CampusId), int> minutes = [];

    /// <param name="entries">The table; a direction given twice keeps its last figure.</param>
    public TravelTimes(IReadOnlyList<Travel> entries)
    {
        Entries = entries;
        foreach (var entry in entries)
            minutes[(entry.From, entry.To)] = entry.Minutes;
    }

    /// <summary>The table as given.</summary>
    public IReadOnlyList<Travel> Entries { get; }

    /// <summary>Minutes from one campus to another; 0 within a campus.</summary>
    public int Between(CampusId from, CampusId to)
    {
        if (from == to)
            return 0;
        if (minutes.TryGetValue((from, to), out var there))
            return there;
        return minutes.GetValueOrDefault((to, from));
    }
}
