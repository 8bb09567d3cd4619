using System.Numerics;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Counting;

/// <summary>
/// Counts week shapes where bundles of the same hours differ in credits and credits are bounded: then one week shape
/// has several options, and counts once if any of them keeps the bounds.
/// </summary>
/// <remarks>
/// A search over sets of states, as an automaton is made deterministic: the states of a set differ in what is left of
/// the sums, and in the options that stood beside one choice and not beside another. Rare, so it is plain and not fast.
/// </remarks>
internal sealed unsafe class ShapeSets
{
    private readonly StateStep step;
    private readonly Deadline deadline;

    private ShapeSets(StateStep step, WorkLimit limit)
    {
        this.step = step;
        deadline = new(limit);
    }

    /// <summary>Week shapes from a root; fewer than there are once the limit is over.</summary>
    public static UInt128 Count(Problem problem, Root root, WorkLimit limit)
    {
        if (root.IsDead)
            return 0;
        using var step = new StateStep(problem);
        var all = new ShapeSets(step, limit).Below(0, [root.State]);
        return root.HoldsNothing && all > 0 ? all - 1 : all;
    }

    private UInt128 Below(int level, List<ulong[]> states)
    {
        if (level == step.Problem.Levels.Count)
            return 1;
        UInt128 count = 0;
        foreach (var options in OptionsByShape(level, states))
        {
            if (deadline.HasPassed)
                break;
            var next = Next(level, states, options);
            if (next.Count > 0)
                count = checked(count + Below(level + 1, next));
        }
        return count;
    }

    private IEnumerable<IGrouping<int, int>> OptionsByShape(int level, List<ulong[]> states)
    {
        var first = step.Problem.Layout.First;
        var left = new List<int>();
        for (var word = first[level]; word < first[level + 1]; word++)
        for (var bits = states.Aggregate(0UL, (any, state) => any | state[word]); bits != 0; bits &= bits - 1)
            left.Add(((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits));
        return left.GroupBy(option => step.Problem.Levels[level].Options[option].Shape);
    }

    private List<ulong[]> Next(int level, List<ulong[]> states, IEnumerable<int> options)
    {
        var word = step.Problem.Layout.First[level];
        var found = new List<ulong[]>();
        foreach (var option in options)
        foreach (var state in states)
        {
            // Each is held against all that were found.
            if (deadline.HasPassedAfter((long)(found.Count + 2) * state.Length))
                return [];
            if ((state[word + option / 64] >> option & 1) == 0)
                continue;
            var next = new ulong[step.Problem.Layout.WordCount + 1];
            fixed (ulong* from = state)
            fixed (ulong* to = next)
            {
                if (!step.Choose(level, option, from, to))
                    continue;
                step.Normalize(level + 1, to);
            }
            if (!found.Exists(other => other.SequenceEqual(next)))
                found.Add(next);
        }
        return found;
    }
}
