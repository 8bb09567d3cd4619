using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Core.Requirements.Assigning;

namespace HourGrid.Core.Requirements.Ahead;

/// <summary>What can be planned, and when the programme is complete.</summary>
internal sealed class PlanProblem
{
    private readonly AssignmentProblem whole;
    private readonly int[] placeOfCourse;
    private readonly IReadOnlyList<AssignmentProblem> creditsByPool;

    /// <param name="question">What is asked.</param>
    /// <param name="kept">Courses of which more will be asked than of their like.</param>
    public PlanProblem(TermsAheadQuestion question, IReadOnlyCollection<CourseId> kept)
    {
        Question = question;
        Prior = new(question);
        var possible = question.Courses.Catalogue.Where(course => Prior.MayPlan(course.Id)).ToArray();
        whole = new(
            question.Programme,
            question.Courses,
            CountedEntries.Of(Prior.Record, question.Courses, possible.Select(course => course.Id))
        );
        var useful = Useful(possible);
        Courses = Build(useful, [.. kept]);
        var placeOf = Courses.Index().ToDictionary(one => one.Item.Id, one => one.Index);
        placeOfCourse = [.. whole.Courses.Select(course => placeOf.GetValueOrDefault(course, -1))];
        creditsByPool = [.. question.Programme.Leaves.Select(leaf => leaf.Counting).Distinct().Select(InCredits)];
    }

    public TermsAheadQuestion Question { get; }

    public PriorCourses Prior { get; }

    /// <summary>Courses that a plan may hold and that can be of use.</summary>
    public IReadOnlyList<PlannedCourse> Courses { get; }

    /// <summary>No course.</summary>
    public CourseSet None => CourseSet.Of(Courses.Count, []);

    /// <summary>Which courses bring a leaf something, with the leaf; a plan's only.</summary>
    public IEnumerable<(int Leaf, int Course)> Candidates =>
        whole
            .Pairs.Where(pair => IsOfPlan(pair) && pair.Gain > 0 && placeOfCourse[pair.Course] >= 0)
            .Select(pair => (pair.Leaf, placeOfCourse[pair.Course]));

    /// <summary>The programme with these courses planned.</summary>
    public AssignmentProblem With(CourseSet planned) => whole.Where(pair => IsHad(pair, planned));

    /// <summary>
    /// For each pool, the programme of its leaves alone, what one course is reckoned at being the least that one carries:
    /// what it is short of is no more than the credits that are still to be planned.
    /// </summary>
    public IEnumerable<AssignmentProblem> CreditsWith(CourseSet planned) =>
        creditsByPool.Select(pool => pool.Where(pair => IsHad(pair, planned)));

    private bool IsHad(CandidatePair pair, CourseSet planned) =>
        !IsOfPlan(pair) || (placeOfCourse[pair.Course] is var place and >= 0 && planned[place]);

    // The record's own planned courses are left out, so that what is planned is the plan's.
    private static bool IsOfPlan(CandidatePair pair) => pair.Status == (int)CountedStatus.Planned;

    /// <summary>Courses that qualify for a leaf, and what must come before those or beside them.</summary>
    private Dictionary<CourseId, Course> Useful(Course[] possible)
    {
        var byId = possible.ToDictionary(course => course.Id);
        var useful = new Dictionary<CourseId, Course>();
        var waiting = new Queue<CourseId>(
            whole
                .Pairs.Where(pair => IsOfPlan(pair) && pair.Gain > 0)
                .Select(pair => whole.Courses[pair.Course])
                .Distinct()
        );
        while (waiting.TryDequeue(out var id))
            if (byId.TryGetValue(id, out var course) && useful.TryAdd(id, course))
                foreach (var needed in SetsBefore(course).SelectMany(set => set).Concat(Beside(course)))
                    waiting.Enqueue(needed);
        return useful;
    }

    private List<PlannedCourse> Build(Dictionary<CourseId, Course> useful, HashSet<CourseId> more)
    {
        var needed = useful
            .Values.SelectMany(course => SetsBefore(course).SelectMany(set => set).Concat(Beside(course)))
            .ToHashSet();
        var leaves = whole.Pairs.Where(IsOfPlan).ToLookup(pair => whole.Courses[pair.Course]);
        // Of courses that are alike no more are kept than could be of use at once.
        var kept = useful
            .Values.OrderBy(course => course.Id.Value, StringComparer.Ordinal)
            .Select(course =>
                (Course: course, Alike: IsLikeOthers(course.Id) ? AlikeKey(course, leaves[course.Id]) : null)
            )
            .GroupBy(one => one.Alike ?? $"\n{one.Course.Id}")
            .SelectMany(alike =>
                alike.Where(
                    (one, i) => i < MostOfUse(leaves[alike.First().Course.Id]) || more.Contains(one.Course.Id)
                )
            )
            .ToArray();
        // Nothing depends on it, and it counts nowhere already, where it could not count twice.
        bool IsLikeOthers(CourseId course) => !needed.Contains(course) && !Prior.Has(course);

        var placeOf = kept.Index().ToDictionary(one => one.Item.Course.Id, one => one.Index);
        return
        [
            .. kept.Select(one =>
            {
                CourseSet[] before =
                [
                    .. SetsBefore(one.Course)
                        .Where(set => set.All(placeOf.ContainsKey))
                        .Select(set => CourseSet.Of(kept.Length, set.Select(course => placeOf[course]))),
                ];
                var beside = Beside(one.Course).ToArray();
                return new PlannedCourse(
                    one.Course.Id,
                    one.Course.Credits.Min.Hundredths,
                    OfferedIn(one.Course),
                    before,
                    CourseSet.Of(kept.Length, beside.Where(placeOf.ContainsKey).Select(course => placeOf[course]))
                )
                {
                    IsReachable = before.Length > 0 && beside.All(placeOf.ContainsKey),
                    Alike = one.Alike,
                };
            }),
        ];
    }

    private string AlikeKey(Course course, IEnumerable<CandidatePair> pairs) =>
        $"{OfferedIn(course)} {course.Credits.Min.Hundredths} "
        + string.Join(',', pairs.Select(pair => $"{pair.Leaf}:{pair.Gain}"))
        + $" {string.Join(',', Beside(course))} "
        + string.Join(';', SetsBefore(course).Select(set => string.Join(',', set)));

    private int MostOfUse(IEnumerable<CandidatePair> pairs) =>
        (int)
            Math.Min(
                int.MaxValue,
                pairs
                    .Where(pair => pair.Gain > 0)
                    .Sum(pair => (whole.Tree.Leaves[pair.Leaf].Need.Total.Hundredths + pair.Gain - 1) / pair.Gain) + 1
            );

    private uint OfferedIn(Course course)
    {
        var bits = 0u;
        for (var number = 1; number <= Question.Terms; number++)
            if (Question.Cycle.Offers(course, number))
                bits |= 1u << (number - 1);
        return bits;
    }

    /// <summary>Sets of courses one of which must come before; sets that need an exam are out of reach.</summary>
    private IEnumerable<IReadOnlyList<CourseId>> SetsBefore(Course course) =>
        course.Prerequisites is null
            ?
            [
                [],
            ]
            : MinimalSets
                .Of(course.Prerequisites, Prior.Meets)
                .Where(set => set.All(leaf => leaf is Prerequisite.CourseTaken))
                .Select(set =>
                    (IReadOnlyList<CourseId>)
                        [.. set.OfType<Prerequisite.CourseTaken>().Select(leaf => leaf.Course).Distinct()]
                );

    private IEnumerable<CourseId> Beside(Course course) => course.Corequisites.Where(other => !Prior.Has(other));

    private AssignmentProblem InCredits(string pool)
    {
        var least = new long[whole.Tree.Leaves.Count];
        Array.Fill(least, long.MaxValue);
        foreach (var (leaf, course) in Candidates)
            least[leaf] = Math.Min(least[leaf], Courses[course].Credits);
        return whole.Reckoned(
            [.. whole.Tree.Leaves.Select(leaf => leaf.Counting == pool)],
            // No course of the plan: then none of it will be planned for this leaf.
            [.. least.Select(credits => credits == long.MaxValue ? 0 : credits)]
        );
    }
}
