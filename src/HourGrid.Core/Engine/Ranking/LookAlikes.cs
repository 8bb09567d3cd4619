using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Measures;
using HourGrid.Core.Timetables;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>The bundles of an option as ranking sees them: their ranks, and how many seats they have to spare.</summary>
internal sealed class RankedOption
{
    /// <param name="option">The option.</param>
    /// <param name="place">The place of its course among the wanted ones of the ask.</param>
    /// <param name="order">Ranks its sections.</param>
    /// <param name="seatsMatter">Whether seats to spare have a weight.</param>
    public RankedOption(CourseOption option, int place, RegistrationOrder order, bool seatsMatter)
    {
        Bundles = new RankedBundle[option.Bundles.Count];
        (MostSpare, FewestSections) = (SeatsToSpare.Enough, 0);
        for (var i = 0; i < Bundles.Length; i++)
        {
            var bundle = option.Bundles[i];
            var ranks = order.Of(bundle);
            var spare = seatsMatter ? Math.Min(SeatsToSpare.Enough, bundle.FewestFreeSeats) : SeatsToSpare.Enough;
            Bundles[i] = new(bundle, place, ranks, spare);
            MostSpare = i == 0 ? spare : Math.Max(MostSpare, spare);
            FewestSections = i == 0 ? ranks.Length : Math.Min(FewestSections, ranks.Length);
        }
        Array.Sort(Bundles, static (x, y) => RegistrationOrder.CompareParts(x.Ranks, y.Ranks));
    }

    /// <summary>Its bundles, smallest part first; none where the course is left out.</summary>
    public RankedBundle[] Bundles { get; }

    /// <summary>The most seats to spare of any of its bundles, no more than enough.</summary>
    public int MostSpare { get; }

    /// <summary>The fewest sections of any of its bundles.</summary>
    public int FewestSections { get; }
}

/// <param name="Bundle">The bundle.</param>
/// <param name="Place">The place of its course among the wanted ones of the ask.</param>
/// <param name="Ranks">Ranks of its registration numbers, ascending.</param>
/// <param name="Spare">The fewest free seats of its sections, no more than enough; enough where seats do not matter.</param>
internal sealed record RankedBundle(Bundle Bundle, int Place, int[] Ranks, int Spare);

/// <summary>Finds the best of the timetables that have one week shape.</summary>
internal static class LookAlikes
{
    /// <summary>The one with the most seats to spare and, among those, the first in the order of timetables.</summary>
    /// <param name="options">An option of each level.</param>
    public static (RankedBundle[] Bundles, int Spare, int[] Ranks) Best(IReadOnlyList<RankedOption> options)
    {
        var spare = options.Min(option => option.MostSpare);
        var taken = options.Where(option => option.Bundles.Length > 0).ToArray();
        var chosen = taken.Select(option => option.Bundles.First(bundle => bundle.Spare >= spare)).ToArray();
        return WithBeginnings(taken, chosen, spare);
    }

    /// <summary>The ranks of all sections of bundles, ascending.</summary>
    public static int[] Ranks(ReadOnlySpan<RankedBundle> bundles)
    {
        var count = 0;
        foreach (var bundle in bundles)
            count += bundle.Ranks.Length;
        var ranks = new int[count];
        foreach (var bundle in bundles)
            bundle.Ranks.CopyTo(ranks, count -= bundle.Ranks.Length);
        Array.Sort(ranks);
        return ranks;
    }

    /// <summary>
    /// The smallest parts make the smallest whole but for one case: a whole that is the beginning of another comes
    /// before it. So wherever a bundle's beginning is a bundle too, both are tried; that is next to never.
    /// </summary>
    private static (RankedBundle[] Bundles, int Spare, int[] Ranks) WithBeginnings(
        RankedOption[] taken,
        RankedBundle[] chosen,
        int spare
    )
    {
        var wholes = new List<RankedBundle[]> { chosen };
        for (var i = 0; i < taken.Length; i++)
            foreach (var shorter in taken[i].Bundles)
                if (
                    shorter.Spare >= spare
                    && shorter.Ranks.Length < chosen[i].Ranks.Length
                    && chosen[i].Ranks.AsSpan().StartsWith(shorter.Ranks)
                )
                    foreach (var whole in wholes.ToArray())
                    {
                        var with = whole.ToArray();
                        with[i] = shorter;
                        wholes.Add(with);
                    }
        var best = chosen;
        var bestRanks = Ranks(chosen);
        foreach (var whole in wholes.Skip(1))
        {
            var ranks = Ranks(whole);
            if (RegistrationOrder.Compare(ranks, bestRanks) < 0)
                (best, bestRanks) = (whole, ranks);
        }
        return (best, spare, bestRanks);
    }
}
