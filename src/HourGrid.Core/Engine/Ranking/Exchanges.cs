using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>
/// Lowers a ceiling: the good timetables lie close together, so that most of them are found by giving one course another
/// option in those that are known, the best first.
/// </summary>
/// <remarks>Unsafe: rows are those of the problem; options come from the bits of states.</remarks>
internal sealed unsafe class Exchanges
{
    private readonly RankedProblem ranked;
    private readonly Choosing choosing;
    private readonly Root root;
    private readonly Ceiling ceiling;
    private readonly LeafMeasures leaf;
    private readonly PriorityQueue<int[], long> ahead = new();
    private readonly int levels;

    // What the levels before one choose; and all but one; and all.
    private readonly Partial[] before;
    private readonly Partial others;
    private readonly Partial whole;
    private readonly long[] its;
    private int taken;

    private Exchanges(RankedProblem ranked, Choosing choosing, Root root, Ceiling ceiling)
    {
        this.ranked = ranked;
        this.choosing = choosing;
        this.root = root;
        this.ceiling = ceiling;
        leaf = new LeafMeasures(ranked.Tables, ranked.Problem.Ask);
        levels = ranked.Levels.Length;
        var partials = ranked.NewPartials(levels + 2);
        (before, others, whole) = (partials[..levels], partials[levels], partials[levels + 1]);
        its = new long[ranked.Options.Max(level => level.Length)];
    }

    /// <summary>Tries the exchanges of so many timetables.</summary>
    /// <param name="ranked">What is ranked.</param>
    /// <param name="choosing">Knows its rows.</param>
    /// <param name="root">The root.</param>
    /// <param name="ceiling">What was found so far; takes what is found.</param>
    /// <param name="count">How many.</param>
    /// <param name="limit">Stops at any moment.</param>
    public static void Try(
        RankedProblem ranked,
        Choosing choosing,
        Root root,
        Ceiling ceiling,
        int count,
        WorkLimit limit
    )
    {
        var exchanges = new Exchanges(ranked, choosing, root, ceiling);
        for (var tried = 0; tried < count && exchanges.Next() is { } chosen; tried++)
            if (!exchanges.Exchange(chosen, limit))
                return;
    }

    /// <summary>The best of those not tried yet that are under the ceiling.</summary>
    private int[]? Next()
    {
        for (; taken < ceiling.All.Count; taken++)
            ahead.Enqueue(ceiling.All[taken].Chosen, ceiling.All[taken].Cost);
        return ahead.TryDequeue(out var chosen, out var cost) && cost <= ceiling.Threshold ? chosen : null;
    }

    /// <returns>Whether there was time for it.</returns>
    private bool Exchange(int[] known, WorkLimit limit)
    {
        int[] chosen = [.. known];
        for (var level = 0; level < levels; level++)
        {
            if (limit.IsOver())
                return false;
            if (level > 0)
                before[level].Become(before[level - 1], ranked.Levels[level - 1], chosen[level - 1]);
            var rest = before[level];
            for (var later = level + 1; later < levels; later++, rest = others)
                others.Become(rest, ranked.Levels[later], chosen[later]);
            var state = OpenBeside(chosen, level);
            var count = rest.CostsAsLast(ranked.Levels[level], state, ceiling.Threshold - 1, its);
            for (var i = 0; i < count; i++)
            {
                chosen[level] = Partial.OptionOf(its[i]);
                if (chosen[level] != known[level] && StandsBesideLater(chosen, level) && KeepsRules(chosen))
                    Add(rest, level, chosen);
            }
            chosen[level] = known[level];
        }
        return true;
    }

    /// <summary>The options of a level that may stand beside those chosen before it.</summary>
    private ulong* OpenBeside(int[] chosen, int level)
    {
        var open = choosing.Scratch(level);
        for (var word = ranked.Levels[level].FirstWord; word < ranked.Levels[level].EndWord; word++)
        {
            open[word] = root.State[word];
            for (var earlier = 0; earlier < level; earlier++)
                open[word] &= choosing.Row(earlier, chosen[earlier])[word - ranked.Levels[earlier + 1].FirstWord];
        }
        return open;
    }

    /// <summary>Whether an option may stand beside those chosen after it.</summary>
    private bool StandsBesideLater(int[] chosen, int level)
    {
        var row = choosing.Row(level, chosen[level]);
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
        if (!choosing.HasRules)
            return true;
        var state = choosing.Scratch(0);
        root.State.CopyTo(new Span<ulong>(state, root.State.Length));
        for (var level = 0; level < levels; level++)
        {
            var next = choosing.Scratch(level + 1);
            if (!choosing.KeepsRules(level, chosen[level], state, next))
                return false;
            state = next;
        }
        return true;
    }

    private void Add(Partial rest, int level, int[] chosen)
    {
        whole.Become(rest, ranked.Levels[level], chosen[level]);
        if (whole.Taken == 0)
            return;
        leaf.Measure(chosen);
        ceiling.Add(chosen, whole.Cost(leaf));
    }
}
