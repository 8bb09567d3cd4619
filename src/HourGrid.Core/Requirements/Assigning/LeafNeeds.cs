namespace HourGrid.Core.Requirements.Assigning;

/// <summary>What a leaf still needs on each level once some pairs are decided, and how what it gets is bounded.</summary>
internal sealed class LeafNeeds
{
    private const int Levels = AssignmentProblem.Levels;

    private readonly AssignmentProblem problem;
    private readonly int counting;
    private readonly bool[] isBySum = new bool[Levels];
    private readonly long[] open = new long[Levels];
    private readonly long[] mostOfOne = new long[Levels];

    /// <param name="problem">The problem.</param>
    /// <param name="decisions">What is decided.</param>
    /// <param name="leaf">The leaf.</param>
    /// <param name="pairs">All its pairs.</param>
    public LeafNeeds(AssignmentProblem problem, Decisions decisions, int leaf, int[] pairs)
    {
        this.problem = problem;
        counting = decisions.Levels[leaf];
        var isOpen = new List<int>(pairs.Length);
        Span<long> got = stackalloc long[Levels];
        foreach (var pair in pairs)
        {
            if (decisions.Fixed[pair] == 0)
                isOpen.Add(pair);
            else if (decisions.Fixed[pair] > 0)
                for (var level = 0; level < Levels; level++)
                    if (problem.Pairs[pair].CountsAt(level))
                        got[level] += problem.Pairs[pair].Gain;
        }
        Open = isOpen;
        var total = problem.Tree.NeedOf(leaf);
        for (var level = 0; level < Levels; level++)
        {
            open[level] = Math.Max(0, total - got[level]);
            var (least, most) = (long.MaxValue, 0L);
            foreach (var pair in Open)
            {
                if (!problem.Pairs[pair].CountsAt(level))
                    continue;
                var gain = Math.Min(problem.Pairs[pair].Gain, open[level]);
                (least, most) = (Math.Min(least, gain), Math.Max(most, gain));
            }
            mostOfOne[level] = most;
            isBySum[level] = least != most && decisions.Bounds[(leaf * Levels) + level] == LeafBound.Sum;
        }
    }

    /// <summary>Pairs that are not decided.</summary>
    public List<int> Open { get; }

    /// <summary>Whether what the leaf is short of counts on a level.</summary>
    public bool Counts(int level) => (counting & (1 << level)) != 0;

    /// <summary>Whether anything can be got on a level, bounded by the sum.</summary>
    public bool IsBySum(int level) => Counts(level) && mostOfOne[level] > 0 && isBySum[level];

    /// <summary>Whether anything can be got on a level, bounded by the count.</summary>
    public bool IsByCount(int level) => Counts(level) && mostOfOne[level] > 0 && !isBySum[level];

    /// <summary>What is needed besides what is decided.</summary>
    public long NeedAt(int level) => open[level];

    /// <summary>The most that one open pair brings.</summary>
    public long MostOfOne(int level) => mostOfOne[level];

    /// <summary>What a pair brings, no more than is needed.</summary>
    public long GainOf(CandidatePair pair, int level) => Math.Min(pair.Gain, open[level]);

    /// <summary>What is short by the bound, and what really is.</summary>
    /// <param name="isGiven">By pair of the problem, whether it is given.</param>
    /// <param name="level">The level.</param>
    public (long Bound, long Real) Short(bool[] isGiven, int level)
    {
        var (count, whole, capped) = (0, 0L, 0L);
        foreach (var pair in Open)
        {
            if (!isGiven[pair] || !problem.Pairs[pair].CountsAt(level))
                continue;
            count++;
            whole += problem.Pairs[pair].Gain;
            capped += GainOf(problem.Pairs[pair], level);
        }
        var bound = isBySum[level] ? open[level] - capped : Math.Max(0, open[level] - (count * mostOfOne[level]));
        return (bound, Math.Max(0, open[level] - whole));
    }
}
