using System.Numerics;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>Whether a root has any timetable. Remembers the states that have none. For one thread.</summary>
internal sealed unsafe class Feasibility : IDisposable
{
    /// <summary>Words of failed states that are remembered, at most, for each level: 8 MB.</summary>
    private const int MostWords = 1 << 20;

    private readonly StateStep step;
    private readonly StateLayer[] failed;
    private readonly int[] first;
    private readonly int levels;
    private readonly Deadline deadline;
    private readonly long[] workOf;

    public Feasibility(Problem problem, WorkLimit limit)
    {
        deadline = new(limit);
        Problem = problem;
        step = new StateStep(problem);
        first = problem.Layout.First;
        levels = problem.Levels.Count;
        workOf = [.. Enumerable.Range(0, levels).Select(problem.WordsOfLevel)];
        failed =
        [
            .. Enumerable
                .Range(0, levels)
                .Select(level => new StateLayer(
                    level,
                    first[level],
                    problem.Layout.WordCount,
                    MostWords,
                    expected: 0
                )),
        ];
    }

    public Problem Problem { get; }

    /// <summary>Whether there is a timetable with these rules lifted.</summary>
    /// <exception cref="OperationCanceledException">The limit was over before it was known.</exception>
    public bool Has(Lifted lifted)
    {
        if (deadline.HasPassedNow())
            throw new OperationCanceledException();
        var root = Root.Of(Problem, lifted);
        if (root.IsDead)
            return false;
        fixed (ulong* state = root.State)
            return Complete(0, state, nothingSoFar: true);
    }

    public void Dispose()
    {
        step.Dispose();
        foreach (var layer in failed)
            layer.Release();
    }

    /// <param name="level">The level that chooses next.</param>
    /// <param name="state">The state.</param>
    /// <param name="nothingSoFar">Whether every course so far was left out; leaving out all is not a timetable.</param>
    private bool Complete(int level, ulong* state, bool nothingSoFar)
    {
        if (level == levels)
            return !nothingSoFar;
        // What fails after leaving everything out may succeed after taking something.
        if (!nothingSoFar && IsKnown(level, state))
            return false;
        if (deadline.HasPassedAfter(workOf[level]))
            throw new OperationCanceledException();
        var next = step.Scratch(level + 1);
        var options = Problem.Levels[level].Options;
        for (var word = first[level]; word < first[level + 1]; word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
            if (
                step.Choose(level, option, state, next)
                && Complete(level + 1, next, nothingSoFar && options[option].IsAbsent)
            )
                return true;
        }
        if (!nothingSoFar)
            Remember(level, state);
        return false;
    }

    private bool IsKnown(int level, ulong* state)
    {
        Write(level, state);
        return failed[level].Knows();
    }

    private void Remember(int level, ulong* state)
    {
        Write(level, state);
        failed[level].Keep();
    }

    private void Write(int level, ulong* state)
    {
        var room = failed[level].Room();
        for (var word = first[level]; word < Problem.Layout.WordCount; word++)
            room[word] = state[word];
        step.Normalize(level, room);
    }
}
