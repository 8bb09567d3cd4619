using HourGrid.StandIns.Campus;

namespace HourGrid.StandIns.Registering;

/// <summary>Where somebody stands in the lines for a bundle: the worst place of its sections.</summary>
/// <param name="Place">The place, from 1.</param>
/// <param name="Of">How many wait in that line.</param>
internal readonly record struct WaitingPlace(int Place, int Of)
{
    public static WaitingPlace Find(TermBooks books, WaitingRow row)
    {
        var worst = new WaitingPlace(1, 1);
        foreach (var number in row.WaitsOn)
        {
            var line = books.Waiting.Where(other => other.WaitsOn.Contains(number)).ToList();
            var place = line.IndexOf(row) + 1;
            if (place > worst.Place || (place == worst.Place && line.Count > worst.Of))
                worst = new(place, line.Count);
        }
        return worst;
    }
}
