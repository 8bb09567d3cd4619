using System.Numerics;
using System.Runtime.CompilerServices;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Counting;

/// <summary>Counts the pairs of options of the last two levels where rules can still be broken.</summary>
/// <remarks>
/// What is open of the last level tells which witnesses none of it rules out, and how much none of it takes more of off a
/// sum. For most options of the second-last level every rule keeps one of those, and the pairs are counted as a set; only
/// for the rest is every pair looked at.
/// Sums are looked at once for all options of the last level that take the same off them.
/// </remarks>
internal sealed unsafe class RuledPairCounter
{
    private readonly StateStep step;
    private readonly uint[] ways;
    private readonly BitPlanes planes;
    private readonly int level;
    private readonly int first;
    private readonly int lastFirst;
    private readonly int lastWords;
    private readonly int witnessesAt;
    private readonly int rowWords;

    private readonly PairCounter pairs;

    private readonly OptionsByAmount last;
    private readonly OptionsByAmount? earlier;

    // Whether options differ so little in what they take that pairs are best counted by it.
    private readonly bool lanesTell;
    private readonly ulong[] open;

    // What no open option of the last level takes more of off each sum; the witnesses that none rules out; and those
    // that none of the last two levels does.
    private readonly ulong[] mostTaken;
    private readonly ulong[] outlast;
    private readonly ulong[] outlastBoth;
    private readonly Deadline deadline;

    /// <param name="step">The problem.</param>
    /// <param name="pairs">Counts its pairs where no rule is left to break.</param>
    /// <param name="deadline">Stops it, so that what it gives is less than there is.</param>
    public RuledPairCounter(StateStep step, PairCounter pairs, Deadline deadline)
    {
        this.step = step;
        this.pairs = pairs;
        this.deadline = deadline;
        var problem = step.Problem;
        var levels = problem.Levels;
        level = levels.Count - 2;
        planes = new([.. levels[^1].Options.Select(option => (uint)option.Ways)]);
        ways = level < 0 ? [] : [.. levels[level].Options.Select(option => (uint)option.Ways)];
        first = level < 0 ? 0 : problem.Layout.First[level];
        lastFirst = problem.Layout.First[^2];
        witnessesAt = problem.Layout.First[^1];
        rowWords = problem.RowWords(level + 1);
        lastWords = witnessesAt - lastFirst;
        outlast = step.NewWitnesses();
        outlastBoth = step.NewWitnesses();
        last = new(step, level + 1);
        earlier = level < 0 ? null : new(step, level);
        open = GC.AllocateArray<ulong>(lastFirst + 1, pinned: true);
        mostTaken = GC.AllocateArray<ulong>(problem.Layout.Guards.Length + 1, pinned: true);
        lanesTell = earlier is { AreFew: true };
    }

    /// <summary>Pairs, from a state in which all but the last two levels have chosen.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public Count64 Count(ulong* state)
    {
        step.FindOutlook(level + 1, state, outlast, Pinned.Pointer(mostTaken));
        if (lanesTell && WitnessesOutlastBoth(state))
            return CountByTaking(state);
        ulong timetables = 0;
        ulong shapes = 0;
        var next = step.Scratch(level + 1);
        for (var word = first; word < lastFirst; word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var option = ((word - first) << 6) + BitOperations.TrailingZeroCount(bits);
            var row = step.Row(level, option);
            var any = 0UL;
            for (var lastWord = 0; lastWord < lastWords; lastWord++)
                any |= next[lastFirst + lastWord] = state[lastFirst + lastWord] & row[lastWord];
            if (any == 0 || !step.KeepsRules(level, option, state, next))
                continue;
            var below = CountLast(next);
            timetables += below.Timetables * ways[option];
            shapes += below.Shapes;
            if (deadline.HasPassedAfter(lastWords))
                return new(timetables, shapes);
        }
        return new(timetables, shapes);
    }

    /// <summary>Options of the last level, from a state in which all others have chosen.</summary>
    public Count64 CountLastAlone(ulong* state)
    {
        step.FindOutlook(level + 1, state, outlast, Pinned.Pointer(mostTaken));
        return CountLast(state);
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private Count64 CountLast(ulong* state)
    {
        var free = step.LanesHold(state, Pinned.Pointer(mostTaken)) ? state + lastFirst : last.Left(state);
        var isFree = step.WitnessesLast(state, outlast);
        ulong timetables = 0;
        ulong shapes = 0;
        for (var word = 0; word < lastWords; word++)
        {
            var bits = free[word];
            if (!isFree)
                bits = Keeping(state, word, bits);
            shapes += (ulong)BitOperations.PopCount(bits);
            timetables += planes.Weigh(word, bits);
        }
        return new(timetables, shapes);
    }

    /// <summary>Those of a word's options that keep a witness of every rule.</summary>
    private ulong Keeping(ulong* state, int word, ulong bits)
    {
        var kept = bits;
        deadline.HasPassedAfter((long)BitOperations.PopCount(bits) * rowWords);
        for (; bits != 0; bits &= bits - 1)
        {
            var option = (word << 6) + BitOperations.TrailingZeroCount(bits);
            if (!step.WitnessesAllow(level + 1, option, state))
                kept &= ~(bits & (~bits + 1));
        }
        return kept;
    }

    /// <summary>Whether no option left of the last two levels can rule out the last witness of a rule.</summary>
    private bool WitnessesOutlastBoth(ulong* state)
    {
        outlast.CopyTo(outlastBoth, 0);
        step.CutToOpen(level, state, outlastBoth);
        return step.WitnessesLast(state, outlastBoth);
    }

    /// <summary>The pairs where only the sums matter: set by set of options that take the same off them.</summary>
    private Count64 CountByTaking(ulong* state)
    {
        ulong timetables = 0;
        ulong shapes = 0;
        var next = step.Scratch(level + 1);
        var ones = Pinned.Pointer(open);
        for (var word = lastFirst; word < witnessesAt; word++)
            next[word] = state[word];
        for (var group = 0; group < earlier!.Count && !deadline.HasPassed; group++)
        {
            deadline.HasPassedAfter((long)ways.Length * lastWords);
            if (!earlier.Open(group, state, ones) || !step.TakeFromLanes(level, earlier.OptionOf(group), state, next))
                continue;
            var below = pairs.Count(ones + first, last.Left(next));
            timetables += below.Timetables;
            shapes += below.Shapes;
        }
        return new(timetables, shapes);
    }
}
