using HourGrid.Core.Asking;
using HourGrid.Core.Rules;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>A state before anything is chosen, with some rules lifted.</summary>
/// <param name="State">The state.</param>
/// <param name="IsDead">Whether no timetable can come of it: a level has no option, or a rule is broken already.</param>
/// <param name="HoldsNothing">Whether leaving every course out keeps every rule. That is not a timetable.</param>
internal sealed record Root(ulong[] State, bool IsDead, bool HoldsNothing)
{
    public static Root Of(Problem problem, Lifted lifted)
    {
        var layout = problem.Layout;
        var state = new ulong[layout.WordCount];
        var isDead = problem.Levels.Count == 0;
        var holdsNothing = !isDead;
        for (var level = 0; level < problem.Levels.Count; level++)
        {
            var any = false;
            var absent = false;
            var options = problem.Levels[level].Options;
            var (mayBeTaken, mayBeLeftOut) = Roles(problem, problem.Levels[level], lifted);
            for (var option = 0; option < options.Count; option++)
            {
                var admits = options[option].IsAbsent
                    ? mayBeLeftOut
                    : mayBeTaken && lifted.All(options[option].Against);
                if (!admits)
                    continue;
                any = true;
                absent |= options[option].IsAbsent;
                state[layout.First[level] + option / 64] |= 1UL << (option % 64);
            }
            isDead |= !any;
            holdsNothing &= absent;
        }
        isDead |= !SetWitnesses(problem, lifted, state);
        isDead |= !SetSums(problem, lifted, state);
        return new(state, isDead, holdsNothing && !isDead && KeepsSumsWithNothing(problem, state));
    }

    /// <summary>A state that has every witness that one of some roots has, and of every sum the most that one has left.</summary>
    public static ulong[] Loosest(Problem problem, IReadOnlyList<Root> roots)
    {
        var layout = problem.Layout;
        var loosest = (ulong[])roots[0].State.Clone();
        foreach (var root in roots.Skip(1))
        {
            for (var word = 0; word < layout.SumsAt; word++)
                loosest[word] |= root.State[word];
            for (var sum = 0; sum < problem.Sums.Count; sum++)
            {
                var (word, shift, width) = layout.SumPlace(sum);
                var mask = (1UL << width) - 1 << shift;
                ref var most = ref loosest[layout.SumsAt + word];
                most = most & ~mask | Math.Max(most & mask, root.State[layout.SumsAt + word] & mask);
            }
        }
        return loosest;
    }

    private static (bool MayBeTaken, bool MayBeLeftOut) Roles(Problem problem, CoursePlay course, Lifted lifted)
    {
        var eitherOr = EitherOrRule.Of(problem.Ask, course.Wanted);
        var isLifted = IsLifted<CourseRule>(course.Index);
        var choiceLifted = eitherOr is { } choice && IsLifted<EitherOrRule>(choice);
        if (lifted.MayLeaveOut)
            return (true, isLifted || eitherOr is not null || course.Wanted.Role != CourseRole.Must);
        if (isLifted)
            return (false, true);
        if (eitherOr is not null && !choiceLifted)
            return (true, true);
        return (course.Wanted.Role != CourseRole.SetAside, course.Wanted.Role != CourseRole.Must);

        bool IsLifted<T>(int index)
            where T : Rule
        {
            for (var id = 0; id < lifted.Rules.Length; id++)
                if (lifted.Rules[id] && problem.Rules[id] is T rule && rule.Index == index)
                    return true;
            return false;
        }
    }

    private static bool SetWitnesses(Problem problem, Lifted lifted, ulong[] state)
    {
        var alive = true;
        for (var set = 0; set < problem.WitnessSets.Count; set++)
        {
            var any = false;
            var witnesses = problem.WitnessSets[set].Witnesses;
            for (var witness = 0; witness < witnesses.Count; witness++)
            {
                if (!lifted.All(witnesses[witness].Blocked))
                    continue;
                var (word, shift) = problem.Layout.WitnessPlace(set, witness);
                state[word] |= 1UL << shift;
                any = true;
            }
            alive &= any;
        }
        return alive;
    }

    private static bool SetSums(Problem problem, Lifted lifted, ulong[] state)
    {
        var alive = true;
        for (var sum = 0; sum < problem.Sums.Count; sum++)
        {
            var (word, shift, width) = problem.Layout.SumPlace(sum);
            var limit = lifted.Rules[problem.Sums[sum].Rule]
                ? problem.Sums[sum].MostAdded
                : Math.Min(problem.Sums[sum].Limit, problem.Sums[sum].MostAdded);
            alive &= limit >= 0;
            state[problem.Layout.SumsAt + word] |= 1UL << (shift + width) | (ulong)Math.Max(0, limit) << shift;
        }
        return alive;
    }

    private static bool KeepsSumsWithNothing(Problem problem, ulong[] state)
    {
        var sums = state.AsSpan(problem.Layout.SumsAt).ToArray();
        for (var level = 0; level < problem.Levels.Count; level++)
        {
            var absent = problem.Levels[level].Options.Count - 1;
            for (var word = 0; word < sums.Length; word++)
            {
                sums[word] -= problem.AddsOf(level, absent)[word];
                if ((sums[word] & problem.Layout.Guards[word]) != problem.Layout.Guards[word])
                    return false;
            }
        }
        return true;
    }
}
