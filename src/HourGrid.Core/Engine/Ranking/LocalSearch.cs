using System.Numerics;
using System.Runtime.InteropServices;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// Lowers a ceiling: the good timetables lie close together, so that most of them are found by giving one course another
/// option in those that are known, the best first.
/// </summary>
/// <remarks>Unsafe: rows are those of the problem; options come from the bits of states.</remarks>
internal sealed unsafe class LocalSearch
{
    /// <summary>So many are taken and given together: each time takes the ceiling out of another processor's cache.</summary>
    private const int Together = 4;

    private readonly RankedProblem ranked;
    private readonly StateStep step;
    private readonly Root root;
    private readonly CostCeiling ceiling;
    private readonly LeafMeasures leaf;
    private readonly int levels;

    // What the levels before one choose; and all but one; and all.
    private readonly PartialMeasures[] before;
    private readonly PartialMeasures others;
    private readonly PartialMeasures whole;
    private readonly long[] optionCosts;
    private readonly List<CostCeiling.Found> found = [];
    private readonly Deadline deadline;

    // Words looked at to find what is open of a level beside all others, and to try one option.
    private readonly long workOfLevel;
    private readonly long workOfChoice;

    private LocalSearch(RankedProblem ranked, StateStep step, Root root, CostCeiling ceiling, WorkLimit limit)
    {
        deadline = new(limit);
        this.ranked = ranked;
        this.step = step;
        this.root = root;
        this.ceiling = ceiling;
        leaf = new LeafMeasures(ranked.Tables, ranked.Problem.Ask);
        levels = ranked.Levels.Length;
        workOfChoice = (long)levels * ranked.Problem.Layout.WordCount;
        workOfLevel = (long)levels * ranked.Options.Max(level => level.Length);
        var partials = ranked.NewPartials(levels + 2);
        (before, others, whole) = (partials[..levels], partials[levels], partials[levels + 1]);
        optionCosts = new long[ranked.Options.Max(level => level.Length)];
    }

    /// <summary>Tries the exchanges of so many timetables, on all processors.</summary>
    /// <param name="ranked">What is ranked.</param>
    /// <param name="root">The root.</param>
    /// <param name="ceiling">What was found so far; takes what is found.</param>
    /// <param name="count">How many.</param>
    /// <param name="limit">Stops at any moment.</param>
    public static void Try(RankedProblem ranked, Root root, CostCeiling ceiling, int count, WorkLimit limit) =>
        ParallelRun.Of(
            Environment.ProcessorCount,
            _ =>
            {
                using var own = new StateStep(ranked.Problem);
                var search = new LocalSearch(ranked, own, root, ceiling, limit);
                var known = new CostCeiling.Found[Together];
                while (Interlocked.Add(ref count, -Together) >= 0 && !search.deadline.HasPassed)
                    if (!search.Exchange(known.AsSpan(0, ceiling.Next(known))))
                        return;
            }
        );

    /// <returns>Whether there were any.</returns>
    private bool Exchange(ReadOnlySpan<CostCeiling.Found> several)
    {
        found.Clear();
        foreach (ref readonly var known in several)
            Exchange(known);
        ceiling.Add(CollectionsMarshal.AsSpan(found));
        return !several.IsEmpty;
    }

    private void Exchange(in CostCeiling.Found known)
    {
        int[] chosen = [.. known.Chosen];
        for (var level = 0; level < levels && !deadline.HasPassedAfter(workOfLevel); level++)
        {
            if (level > 0)
                before[level].Become(before[level - 1], ranked.Levels[level - 1], chosen[level - 1]);
            if (level == known.Exchanged)
                continue;
            var rest = before[level];
            for (var later = level + 1; later < levels; later++, rest = others)
                others.Become(rest, ranked.Levels[later], chosen[later]);
            var state = OpenBeside(chosen, level);
            var count = rest.CostsAsLast(ranked.Levels[level], state, ceiling.Threshold - 1, optionCosts);
            for (var i = 0; i < count && !deadline.HasPassedAfter(workOfChoice); i++)
            {
                chosen[level] = PartialMeasures.OptionOf(optionCosts[i]);
                if (chosen[level] != known.Chosen[level] && KeepsRules(chosen))
                    Add(rest, level, chosen);
            }
            chosen[level] = known.Chosen[level];
        }
    }

    /// <summary>The options of a level that may stand beside those chosen of all others.</summary>
    private ulong* OpenBeside(int[] chosen, int level)
    {
        var (first, end) = (ranked.Levels[level].FirstWord, ranked.Levels[level].EndWord);
        var open = step.Scratch(level);
        for (var word = first; word < end; word++)
        {
            open[word] = root.State[word];
            for (var earlier = 0; earlier < level; earlier++)
                open[word] &= step.Row(earlier, chosen[earlier])[word - ranked.Levels[earlier].EndWord];
            for (var bits = open[word]; bits != 0; bits &= bits - 1)
                if (!StandsBesideLater(((word - first) << 6) + BitOperations.TrailingZeroCount(bits), chosen, level))
                    open[word] &= ~(bits & (0 - bits));
        }
        return open;
    }

    private bool StandsBesideLater(int option, int[] chosen, int level)
    {
        var row = step.Row(level, option);
        for (var later = level + 1; later < levels; later++)
        {
            var word = ranked.Levels[later].FirstWord - ranked.Levels[level].EndWord + (chosen[later] >> 6);
            if ((row[word] >> chosen[later] & 1) == 0)
                return false;
        }
        return true;
    }

    /// <summary>Whether all that is chosen, which may stand together, breaks no rule.</summary>
    private bool KeepsRules(int[] chosen)
    {
        if (!step.HasRules)
            return true;
        var state = step.Scratch(0);
        root.State.CopyTo(new Span<ulong>(state, root.State.Length));
        for (var level = 0; level < levels; level++)
        {
            var next = step.Scratch(level + 1);
            if (!step.KeepsRules(level, chosen[level], state, next))
                return false;
            state = next;
        }
        return true;
    }

    private void Add(PartialMeasures rest, int level, int[] chosen)
    {
        whole.Become(rest, ranked.Levels[level], chosen[level]);
        if (whole.Taken == 0)
            return;
        leaf.Measure(chosen);
        var cost = whole.Cost(leaf);
        if (cost < ceiling.Threshold)
            found.Add(new([.. chosen], cost, level));
    }
}
