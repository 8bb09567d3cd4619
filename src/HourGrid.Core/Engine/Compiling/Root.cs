using HourGrid.Core.Asking;

namespace HourGrid.Core.Engine.Compiling;

/// <summary>A state before anything is chosen, with some wishes lifted.</summary>
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
        isDead |= !SetLanes(problem, lifted, state);
        return new(state, isDead, holdsNothing && !isDead && KeepsLanesWithNothing(problem, state));
    }

    /// <summary>A state that has every witness that one of some roots has, and of every lane the most that one has left.</summary>
    public static ulong[] Loosest(Problem problem, IReadOnlyList<Root> roots)
    {
        var layout = problem.Layout;
        var loosest = (ulong[])roots[0].State.Clone();
        foreach (var root in roots.Skip(1))
        {
            for (var word = 0; word < layout.LanesAt; word++)
                loosest[word] |= root.State[word];
            for (var lane = 0; lane < problem.Lanes.Count; lane++)
            {
                var (word, shift, width) = layout.LanePlace(lane);
                var mask = (1UL << width) - 1 << shift;
                ref var most = ref loosest[layout.LanesAt + word];
                most = most & ~mask | Math.Max(most & mask, root.State[layout.LanesAt + word] & mask);
            }
        }
        return loosest;
    }

    private static (bool MayBeTaken, bool MayBeLeftOut) Roles(Problem problem, CoursePlay course, Lifted lifted)
    {
        var eitherOr = Wishes.EitherOrOf(problem.Ask, course.Wanted);
        var isLifted = IsLifted(WishKind.Course, course.Index);
        var choiceLifted = eitherOr is { } choice && IsLifted(WishKind.EitherOr, choice);
        if (lifted.MayLeaveOut)
            return (true, isLifted || eitherOr is not null || course.Wanted.Role != CourseRole.Must);
        if (isLifted)
            return (false, true);
        if (eitherOr is not null && !choiceLifted)
            return (true, true);
        return (course.Wanted.Role != CourseRole.SetAside, course.Wanted.Role != CourseRole.Must);

        bool IsLifted(WishKind kind, int index)
        {
            for (var id = 0; id < lifted.Wishes.Length; id++)
                if (lifted.Wishes[id] && problem.Wishes[id].Kind == kind && problem.Wishes[id].Index == index)
                    return true;
            return false;
        }
    }

    private static bool SetWitnesses(Problem problem, Lifted lifted, ulong[] state)
    {
        var alive = true;
        for (var rule = 0; rule < problem.Rules.Count; rule++)
        {
            var any = false;
            var witnesses = problem.Rules[rule].Witnesses;
            for (var witness = 0; witness < witnesses.Count; witness++)
            {
                if (!lifted.All(witnesses[witness].Blocked))
                    continue;
                var (word, shift) = problem.Layout.WitnessPlace(rule, witness);
                state[word] |= 1UL << shift;
                any = true;
            }
            alive &= any;
        }
        return alive;
    }

    private static bool SetLanes(Problem problem, Lifted lifted, ulong[] state)
    {
        var alive = true;
        for (var lane = 0; lane < problem.Lanes.Count; lane++)
        {
            var (word, shift, width) = problem.Layout.LanePlace(lane);
            var limit = lifted.Wishes[problem.Lanes[lane].Wish]
                ? problem.Lanes[lane].MostAdded
                : Math.Min(problem.Lanes[lane].Limit, problem.Lanes[lane].MostAdded);
            alive &= limit >= 0;
            state[problem.Layout.LanesAt + word] |= 1UL << (shift + width) | (ulong)Math.Max(0, limit) << shift;
        }
        return alive;
    }

    private static bool KeepsLanesWithNothing(Problem problem, ulong[] state)
    {
        var lanes = state.AsSpan(problem.Layout.LanesAt).ToArray();
        for (var level = 0; level < problem.Levels.Count; level++)
        {
            var absent = problem.Levels[level].Options.Count - 1;
            for (var word = 0; word < lanes.Length; word++)
            {
                lanes[word] -= problem.AddsOf(level, absent)[word];
                if ((lanes[word] & problem.Layout.Guards[word]) != problem.Layout.Guards[word])
                    return false;
            }
        }
        return true;
    }
}
