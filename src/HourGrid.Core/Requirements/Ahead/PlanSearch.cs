using HourGrid.Core.Requirements.Assigning;
using HourGrid.Core.Work;

namespace HourGrid.Core.Requirements.Ahead;

/// <summary>
/// Whether the programme can be complete within so many terms: depth first over which courses are planned. A leaf that is
/// short is given one course after the other, or none more; a course that is planned decides which set of courses comes before
/// it. What is left is given up where not even all of it is enough, or where it is more than the terms hold.
/// </summary>
internal sealed class PlanSearch
{
    private readonly PlanProblem problem;
    private readonly int terms;
    private readonly long maximum;
    private readonly FirstTerm first;
    private readonly WorkLimit limit;
    private readonly uint[] offered;
    private readonly int[] earliest;
    private readonly ILookup<int, int> candidatesOfLeaf;
    private bool isCut;

    private PlanSearch(PlanProblem problem, int terms, FirstTerm first, WorkLimit limit)
    {
        (this.problem, this.terms, this.first, this.limit) = (problem, terms, first, limit);
        maximum = problem.Question.Maximum?.Hundredths ?? long.MaxValue / 64;
        offered =
        [
            .. problem.Courses.Select(
                (course, place) =>
                    place == first.With ? course.Offered & 1
                    : place == first.Without ? course.Offered & ~1u
                    : course.Offered
            ),
        ];
        earliest = EarliestTerms();
        candidatesOfLeaf = problem.Candidates.ToLookup(pair => pair.Leaf, pair => pair.Course);
    }

    /// <summary>By term, the courses in it; null where there is no such plan.</summary>
    /// <param name="problem">What can be planned.</param>
    /// <param name="terms">Within how many terms.</param>
    /// <param name="first">What is asked of the first term.</param>
    /// <param name="limit">How long it may take.</param>
    /// <param name="isExact">False where time ran out before a plan was found or excluded.</param>
    public static IReadOnlyList<IReadOnlyList<int>>? Find(
        PlanProblem problem,
        int terms,
        FirstTerm first,
        WorkLimit limit,
        out bool isExact
    )
    {
        var search = new PlanSearch(problem, terms, first, limit);
        isExact = true;
        var planned = problem.None;
        if (first.With is { } with)
        {
            if (search.earliest[with] >= terms)
                return null;
            planned = planned.With(with);
        }
        var unreachable = CourseSet.Of(
            problem.Courses.Count,
            Enumerable.Range(0, problem.Courses.Count).Where(course => search.earliest[course] >= terms)
        );
        var plan = search.Go(new(planned, unreachable, new CourseSet?[problem.Courses.Count]));
        isExact = !search.isCut;
        return plan;
    }

    private IReadOnlyList<IReadOnlyList<int>>? Go(Node node)
    {
        if (limit.IsOver())
            isCut = true;
        if (isCut || WithBeside(node) is not { } settled)
            return null;
        if (Undecided(settled) is { } course)
            return Decide(settled, course);
        return !Fits(settled) ? null : GoOn(settled);
    }

    /// <summary>Adds what must stand beside or before what is planned.</summary>
    private Node? WithBeside(Node node)
    {
        var planned = node.Planned;
        for (var isChanged = true; isChanged; )
        {
            isChanged = false;
            foreach (var course in planned.Places())
            {
                var needed = problem.Courses[course].Beside;
                if (needed.Meets(node.Excluded))
                    return null;
                if (needed.IsWithin(planned))
                    continue;
                planned = planned.Or(needed);
                isChanged = true;
            }
        }
        return node with { Planned = planned };
    }

    private static int? Undecided(Node node) =>
        node.Planned.Places().Select(place => (int?)place).FirstOrDefault(place => node.Before[place!.Value] is null);

    /// <summary>Decides what comes before a course: sets that add least first.</summary>
    private IReadOnlyList<IReadOnlyList<int>>? Decide(Node node, int course)
    {
        foreach (
            var set in problem
                .Courses[course]
                .Before.Where(set => !set.Meets(node.Excluded) && !set[course])
                .OrderBy(set => set.Without(node.Planned).Places().Count())
        )
        {
            var before = (CourseSet?[])node.Before.Clone();
            before[course] = set;
            if (Go(node with { Planned = node.Planned.Or(set), Before = before }) is { } plan)
                return plan;
        }
        return null;
    }

    /// <summary>Whether what is planned can fit into the terms as far as credits and chains tell.</summary>
    private bool Fits(Node node)
    {
        var credits = node.Planned.Places().Sum(place => (long)problem.Courses[place].Credits);
        return credits <= maximum * terms && !problem.CreditsWith(node.Planned).Any(NeedsMore);

        bool NeedsMore(AssignmentProblem pool) =>
            AssignmentSearch.LeastShort(pool, limit) is { IsExact: true } least
            && least.Short.All > (maximum * terms) - credits;
    }

    private IReadOnlyList<IReadOnlyList<int>>? GoOn(Node node)
    {
        var with = problem.With(node.Planned);
        var found = AssignmentSearch.LeastShort(with, limit);
        if (found.Short.All == 0)
            return Schedule(node);
        if (!found.IsExact)
        {
            isCut = true;
            return null;
        }
        var all = CourseSet
            .Of(problem.Courses.Count, Enumerable.Range(0, problem.Courses.Count))
            .Without(node.Excluded);
        if (AssignmentSearch.LeastShort(problem.With(all), limit) is { IsExact: true, Short.All: > 0 })
            return null;
        var candidates = ToBranchOn(node, with.ShortOfNodes(found.Given)[0]);
        var excluded = node.Excluded;
        string? before = null;
        foreach (var course in candidates)
        {
            var alike = AlikeOf(course);
            // One that is like the one before, without which there was no plan, brings nothing else.
            if (
                (alike is null || alike != before)
                && Go(node with { Planned = node.Planned.With(course), Excluded = excluded }) is { } plan
            )
                return plan;
            before = alike;
            excluded = excluded.With(course);
            if (isCut)
                return null;
        }
        return candidates.Count == 0 ? null : Go(node with { Excluded = excluded });
    }

    /// <summary>Courses of which more is asked than of their like are like no other.</summary>
    private string? AlikeOf(int course) =>
        course == first.With || course == first.Without ? null : problem.Courses[course].Alike;

    /// <summary>The candidates of the leaf to branch on: one that is short, with fewest of them.</summary>
    private List<int> ToBranchOn(Node node, long[] shortOfNodes)
    {
        var tree = problem.With(node.Planned).Tree;
        var counts = Enumerable
            .Range(0, tree.Leaves.Count)
            .ToDictionary(
                leaf => leaf,
                leaf =>
                    candidatesOfLeaf[leaf].Where(course => !node.Planned[course] && !node.Excluded[course]).ToList()
            );
        var wanted = ShortLeaves(0).Where(leaf => counts[leaf].Count > 0).ToList();
        // None of those can be given more: others may take over what they have.
        if (wanted.Count == 0)
            wanted = [.. counts.Where(one => one.Value.Count > 0).Select(one => one.Key)];
        if (wanted.Count == 0)
            return [];
        var candidates = counts[wanted.MinBy(leaf => counts[leaf].Count)];
        var helped = candidates.ToDictionary(
            course => course,
            course => ShortLeaves(0).Count(leaf => candidatesOfLeaf[leaf].Contains(course))
        );
        return
        [
            .. candidates
                .OrderByDescending(course => helped[course])
                .ThenBy(course =>
                    problem.Courses[course].Before.Min(set => set.Without(node.Planned).Places().Count())
                )
                .ThenBy(course => earliest[course])
                .ThenBy(AlikeOf, StringComparer.Ordinal)
                .ThenBy(course => course),
        ];

        IEnumerable<int> ShortLeaves(int place)
        {
            if (shortOfNodes[place] == 0)
                return [];
            if (tree.LeafOf(place) is var leaf and >= 0)
                return [leaf];
            IEnumerable<int> parts = tree.ChildrenOf(place);
            if (tree.TakeOf(place) > 0)
                parts = parts.OrderBy(part => shortOfNodes[part]).Take(tree.TakeOf(place));
            return parts.SelectMany(ShortLeaves);
        }
    }

    private IReadOnlyList<int>[]? Schedule(Node node)
    {
        var places = node.Planned.Places().ToArray();
        if (places.Length > TermSchedule.MostCourses)
        {
            isCut = true;
            return null;
        }
        var at = places.Index().ToDictionary(one => one.Item, one => one.Index);
        var found = TermSchedule.Find(
            [
                .. places.Select(place => new ScheduledCourse(
                    problem.Courses[place].Credits,
                    offered[place],
                    Bits(node.Before[place]!.Value),
                    Bits(problem.Courses[place].Beside)
                )),
            ],
            terms,
            maximum,
            limit,
            out var isExact
        );
        isCut |= !isExact;
        return found?.Select(set => (IReadOnlyList<int>)[.. places.Where((_, i) => (set >> i & 1) != 0)]).ToArray();

        ulong Bits(CourseSet set) => set.Places().Aggregate(0UL, (bits, place) => bits | (1UL << at[place]));
    }

    /// <summary>The first term, from 0, in which each course could stand if credits were no matter; one beyond the last where in none.</summary>
    private int[] EarliestTerms()
    {
        var earliestOf = new int[problem.Courses.Count];
        // From below: courses that must stand beside each other begin together.
        for (var isChanged = true; isChanged; )
        {
            isChanged = false;
            for (var course = 0; course < earliestOf.Length; course++)
            {
                var planned = problem.Courses[course];
                var term =
                    !planned.IsReachable || planned.Credits > maximum
                        ? terms
                        : Math.Max(
                            planned.Before.Min(set =>
                                set.Places().Select(place => earliestOf[place] + 1).DefaultIfEmpty(0).Max()
                            ),
                            planned.Beside.Places().Select(place => earliestOf[place]).DefaultIfEmpty(0).Max()
                        );
                while (term < terms && (offered[course] >> term & 1) == 0)
                    term++;
                if (Math.Min(term, terms) <= earliestOf[course])
                    continue;
                earliestOf[course] = Math.Min(term, terms);
                isChanged = true;
            }
        }
        return earliestOf;
    }

    /// <summary>What is decided.</summary>
    /// <param name="Planned">Courses that the plan has.</param>
    /// <param name="Excluded">Courses that it has not.</param>
    /// <param name="Before">By course, the set that comes before it, once that is decided.</param>
    private sealed record Node(CourseSet Planned, CourseSet Excluded, CourseSet?[] Before);
}

/// <summary>What is asked of the first term.</summary>
/// <param name="With">A course that stands in it, by its place; null for none.</param>
/// <param name="Without">A course that does not.</param>
internal readonly record struct FirstTerm(int? With, int? Without);
