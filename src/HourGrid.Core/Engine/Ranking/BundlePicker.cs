using System.Numerics;
using System.Runtime.InteropServices;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Measures;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// Goes from the options of a whole timetable to its bundles: to all of them that are among the best, or to the best
/// one of the week shape. Knows the second half of the order, the registration numbers.
/// </summary>
internal sealed unsafe class BundlePicker(
    RankedProblem ranked,
    Root root,
    BestList best,
    bool byShape,
    Deadline deadline
)
{
    private readonly int[][] parts = new int[ranked.Problem.Levels.Count][];
    private readonly int[] merged = new int[ranked.Problem.Levels.Count];
    private readonly RankedBundle?[] picked = new RankedBundle?[ranked.Problem.Levels.Count];

    // What is handed over together, a small part of what is wanted: each time takes the list out of another processor's
    // cache, and until then nobody knows of it.
    private readonly List<Ranked> buffered = [];
    private readonly int mostHeld = Math.Clamp(best.Wanted / 32, 1, 32);

    /// <summary>What a bundle takes, as so many words.</summary>
    public const int WorkOfBundle = 256;

    /// <summary>Offers the timetables of one choice of options.</summary>
    /// <param name="chosen">An option of each level.</param>
    /// <param name="cost">Their cost, with the most seats to spare that the options have.</param>
    public void Offer(int[] chosen, long cost)
    {
        if (cost > best.Threshold)
            return;
        if (!byShape)
            Pick(chosen, 0, cost - Seats(MostSpare(chosen)), SeatsToSpare.Enough, StartWithSmallest(chosen));
        else if (ranked.Problem.HasCreditVariants)
            OfferVariants(chosen, cost);
        else
        {
            var (bundles, _, ranks) = LookAlikes.Best(Options(chosen));
            Hold(new(cost, ranks, bundles, [.. chosen]));
        }
    }

    /// <summary>Hands over what was offered and held back, so that all of it has been offered.</summary>
    public void HandOver()
    {
        best.Offer(CollectionsMarshal.AsSpan(buffered));
        buffered.Clear();
    }

    private void Hold(Ranked one)
    {
        buffered.Add(one);
        if (buffered.Count >= mostHeld)
            HandOver();
    }

    /// <summary>
    /// Whether no completion comes before the worst of those kept, given that its cost is at least as high: even the
    /// smallest parts that are left make a whole that comes after it.
    /// </summary>
    /// <param name="chosen">The options of the levels before.</param>
    /// <param name="level">The level that chooses next.</param>
    /// <param name="state">The state.</param>
    public bool ComesTooLate(int[] chosen, int level, ulong* state)
    {
        if (best.Worst is not { } worst)
            return false;
        var fewest = ranked.Bounds[level].FewestSections;
        for (var l = 0; l < level; l++)
        {
            parts[l] = SmallestOfShape(l, chosen[l]);
            fewest += ranked.Options[l][chosen[l]].FewestSections;
        }
        for (var l = level; l < parts.Length; l++)
            parts[l] = Smallest(l, state);
        return ComesAfter(worst.Ranks, fewest);
    }

    /// <summary>
    /// Whether the smallest whole, and with it every other, comes after a list. A whole of fewer numbers could be the
    /// list's beginning, so the first difference must lie before the fewest there can be. The parts are merged no
    /// further than that.
    /// </summary>
    private bool ComesAfter(int[] ranks, int fewest)
    {
        Array.Clear(merged);
        for (var place = 0; place < Math.Min(fewest, ranks.Length); place++)
        {
            var (smallest, from) = (int.MaxValue, -1);
            for (var part = 0; part < parts.Length; part++)
                if (merged[part] < parts[part].Length && parts[part][merged[part]] is var rank && rank < smallest)
                    (smallest, from) = (rank, part);
            if (from < 0 || smallest < ranks[place])
                return false;
            if (smallest > ranks[place])
                return true;
            merged[from]++;
        }
        return false;
    }

    private int[] SmallestOfShape(int level, int option)
    {
        if (!byShape || !ranked.Problem.HasCreditVariants)
            return RankedProblem.First(ranked.Options[level][option]);
        var options = ranked.Problem.Levels[level].Options;
        foreach (var other in ranked.Levels[level].Smallest)
            if (options[other].Shape == options[option].Shape)
                return RankedProblem.First(ranked.Options[level][other]);
        return [];
    }

    private int[] Smallest(int level, ulong* state)
    {
        var first = ranked.Problem.Layout.First;
        var place = int.MaxValue;
        for (var word = first[level]; word < first[level + 1]; word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
            place = Math.Min(
                place,
                ranked.Levels[level].PlaceOf[((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits)]
            );
        return place == int.MaxValue
            ? []
            : RankedProblem.First(ranked.Options[level][ranked.Levels[level].Smallest[place]]);
    }

    /// <summary>Makes the smallest part of each option its part; gives the fewest numbers that any of their parts make.</summary>
    private int StartWithSmallest(int[] chosen)
    {
        var fewest = 0;
        for (var level = 0; level < chosen.Length; level++)
        {
            var option = ranked.Options[level][chosen[level]];
            parts[level] = RankedProblem.First(option);
            fewest += option.FewestSections;
        }
        return fewest;
    }

    /// <summary>Picks a bundle for each level from one on, leaving out what cannot be among the best.</summary>
    /// <param name="chosen">The options.</param>
    /// <param name="level">The level that picks next; those before have the parts that were picked.</param>
    /// <param name="cost">The cost without the seats.</param>
    /// <param name="spare">The fewest seats to spare of the bundles picked.</param>
    /// <param name="fewest">The fewest numbers there can be, given those picked.</param>
    private void Pick(int[] chosen, int level, long cost, int spare, int fewest)
    {
        if (level == chosen.Length)
        {
            var bundles = Picked();
            Hold(new(cost + Seats(spare), LookAlikes.Ranks(bundles), bundles, [.. chosen]));
            return;
        }
        var option = ranked.Options[level][chosen[level]];
        if (option.Bundles.Length == 0)
        {
            picked[level] = null;
            Pick(chosen, level + 1, cost, spare, fewest);
            return;
        }
        var later = int.MaxValue;
        for (var l = level + 1; l < chosen.Length; l++)
            later = Math.Min(later, ranked.Options[l][chosen[l]].MostSpare);
        foreach (var bundle in option.Bundles)
        {
            if (deadline.HasPassedAfter(WorkOfBundle))
                break;
            picked[level] = bundle;
            parts[level] = bundle.Ranks;
            var with = fewest - option.FewestSections + bundle.Ranks.Length;
            var most = Math.Min(spare, bundle.Spare);
            var atLeast = cost + Seats(Math.Min(most, later));
            if (
                atLeast < best.Threshold
                || (atLeast == best.Threshold && !(best.Worst is { } worst && ComesAfter(worst.Ranks, with)))
            )
                Pick(chosen, level + 1, cost, most, with);
        }
        parts[level] = RankedProblem.First(option);
    }

    private RankedBundle[] Picked()
    {
        var count = 0;
        foreach (var bundle in picked)
            count += bundle is null ? 0 : 1;
        var bundles = new RankedBundle[count];
        foreach (var bundle in picked)
            if (bundle is not null)
                bundles[^count--] = bundle;
        return bundles;
    }

    /// <summary>
    /// The best timetable of a week shape whose courses have several options of the same hours: of those choices that
    /// keep the lanes. The shape is offered once, by the first of them.
    /// </summary>
    private void OfferVariants(int[] chosen, long cost)
    {
        var withoutSeats = cost - Seats(MostSpare(chosen));
        Ranked? found = null;
        foreach (var choice in Variants(chosen, 0))
        {
            if (deadline.HasPassedAfter(WorkOfBundle))
                return;
            if (!KeepsLanes(choice))
                continue;
            if (found is null && !choice.SequenceEqual(chosen))
                return;
            var (bundles, spare, ranks) = LookAlikes.Best(Options(choice));
            var whole = new Ranked(withoutSeats + Seats(spare), ranks, bundles, choice);
            if (
                found is null
                || whole.Cost < found.Cost
                || (whole.Cost == found.Cost && RegistrationOrder.Compare(ranks, found.Ranks) < 0)
            )
                found = whole;
        }
        if (found is not null)
            Hold(found);
    }

    private IEnumerable<int[]> Variants(int[] chosen, int level)
    {
        if (level == chosen.Length)
        {
            yield return chosen;
            yield break;
        }
        var options = ranked.Problem.Levels[level].Options;
        for (var option = 0; option < options.Count; option++)
        {
            if (options[option].Shape != options[chosen[level]].Shape)
                continue;
            var with = chosen.ToArray();
            with[level] = option;
            foreach (var choice in Variants(with, level + 1))
                yield return choice;
        }
    }

    private bool KeepsLanes(int[] choice)
    {
        var layout = ranked.Problem.Layout;
        var lanes = root.State.AsSpan(layout.SumsAt).ToArray();
        for (var level = 0; level < choice.Length; level++)
        for (var word = 0; word < lanes.Length; word++)
        {
            lanes[word] -= ranked.Problem.AddsOf(level, choice[level])[word];
            if ((lanes[word] & layout.Guards[word]) != layout.Guards[word])
                return false;
        }
        return true;
    }

    private RankedOption[] Options(int[] chosen) =>
        [.. chosen.Select((option, level) => ranked.Options[level][option])];

    private int MostSpare(int[] chosen)
    {
        var spare = int.MaxValue;
        for (var level = 0; level < chosen.Length; level++)
            spare = Math.Min(spare, ranked.MostSpare[level][chosen[level]]);
        return spare;
    }

    private long Seats(int spare) => ranked.Weights[SeatsToSpare.Measure] * SeatsToSpare.Badness(spare);
}
