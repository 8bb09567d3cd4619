namespace HourGrid.Core.Measures;

/// <summary>All measures, in the order in which files and comparisons have them.</summary>
public static class MeasureList
{
    /// <summary>All of them.</summary>
    public static IReadOnlyList<Measure> All { get; } =
    [
        ClassDays.Measure,
        IdleMinutes.Measure,
        EarliestStart.Measure,
        LatestEnd.Measure,
        LongestDay.Measure,
        LongestStretch.Measure,
        CampusMoves.Measure,
        SoftMinutes.Measure,
        BreaksMissed.Measure,
        SeatsToSpare.Measure,
        AwayMinutes.Measure,
        OnTheWayMinutes.Measure,
        WantedTaken.Measure,
    ];

    /// <summary>Those with a weight.</summary>
    public static IReadOnlyList<Measure> Weighed { get; } = [.. All.Where(measure => measure.Weight is not null)];

    internal static int PlaceOf(Measure measure)
    {
        for (var place = 0; place < All.Count; place++)
            if (All[place] == measure)
                return place;
        throw new InvalidOperationException($"{measure.Name} is not in the list of measures.");
    }
}
