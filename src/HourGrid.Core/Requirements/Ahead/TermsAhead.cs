using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Core.Work;

namespace HourGrid.Core.Requirements.Ahead;

/// <summary>The least number of terms until a programme is complete, and what it costs to leave a course for later.</summary>
public static class TermsAhead
{
    /// <summary>How long the least number of terms may take, and as long again what waiting costs.</summary>
    public static TimeSpan Budget { get; } = TimeSpan.FromSeconds(2);

    /// <summary>Looks for them, with what the courses that help in the first term cost if they wait.</summary>
    /// <param name="question">Whose programme, from which term on.</param>
    /// <param name="eligibility">Whose record, for the first term.</param>
    /// <param name="budget">How long each of the parts may take; null for <see cref="Budget"/>.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <exception cref="OperationCanceledException">It was stopped.</exception>
    public static TermsAheadAnswer Of(
        TermsAheadQuestion question,
        EligibilityQuestion eligibility,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        ArgumentNullException.ThrowIfNull(question);
        ArgumentNullException.ThrowIfNull(eligibility);
        // The record's own planned courses are left out here, too: what they help is not done yet.
        var helping = HelpingCourses.Of(
            question.Programme,
            question.Courses,
            eligibility with
            {
                Record = PriorCourses.WithoutPlanned(question.Record),
            },
            budget,
            cancellation
        );
        return Of(question, [.. helping.Select(help => help.Course)], budget, cancellation);
    }

    /// <summary>Looks for them.</summary>
    /// <param name="question">Whose programme, from which term on.</param>
    /// <param name="helping">Courses of the first term that help, in their order.</param>
    /// <param name="budget">How long each of the two parts may take; null for <see cref="Budget"/>.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <exception cref="OperationCanceledException">It was stopped.</exception>
    public static TermsAheadAnswer Of(
        TermsAheadQuestion question,
        IReadOnlyList<CourseId> helping,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        ArgumentNullException.ThrowIfNull(question);
        ArgumentNullException.ThrowIfNull(helping);
        var problem = new PlanProblem(question, helping);
        var limit = new WorkLimit(budget ?? Budget, cancellation);
        var least = Least(problem, 0, default, limit);
        cancellation.ThrowIfCancellationRequested();
        var plan = least.Plan;
        var costs = new WorkLimit(budget ?? Budget, cancellation);
        var waiting = new List<CostOfWaiting>();
        var nowOfAlike = new Dictionary<string, Found>();
        foreach (var id in helping)
        {
            var place = problem.Courses.Index().FirstOrDefault(one => one.Item.Id == id, (-1, null!)).Index;
            if (place < 0 || !problem.Courses[place].Before.Any(set => set.IsEmpty))
                continue;
            var from = least.Terms ?? question.Terms + 1;
            var isFirst = plan is { Count: > 0 } && plan[0].Contains(place);
            // The plan that is known answers one of the two.
            var now = isFirst || (plan is not null && CanJoin(problem, plan, place)) ? least : Now(place, from);
            var later = plan is not null && !isFirst ? least : Least(problem, from, new(null, place), costs);
            waiting.Add(new(id, now.Terms, later.Terms, now.IsExact && later.IsExact));
        }
        cancellation.ThrowIfCancellationRequested();

        return new(
            least.Terms,
            least.IsExact && waiting.All(one => one.IsExact),
            plan?.Select(term =>
                    (IReadOnlyList<CourseId>)
                        [
                            .. term.Select(place => problem.Courses[place].Id)
                                .OrderBy(id => id.Value, StringComparer.Ordinal),
                        ]
                )
                .ToArray(),
            waiting
        );

        // Courses that are alike in all that matters have the same answer.
        Found Now(int place, int from)
        {
            if (problem.Courses[place].Alike is not { } alike)
                return Least(problem, from, new(place, null), costs);
            if (!nowOfAlike.TryGetValue(alike, out var known))
                nowOfAlike[alike] = known = Least(problem, from, new(place, null), costs);
            return known;
        }
    }

    /// <summary>
    /// Whether a course can stand in the first term of a plan besides: there is room for it, and what must stand beside it is
    /// there; or it can take the place of one that is like it.
    /// </summary>
    private static bool CanJoin(PlanProblem problem, IReadOnlyList<IReadOnlyList<int>> plan, int place)
    {
        if (plan.Count == 0)
            return false;
        var course = problem.Courses[place];
        var first = plan[0];
        if (
            course.Alike is { } alike
            && first.Any(other => problem.Courses[other].Alike == alike)
            && !plan.Any(term => term.Contains(place))
        )
            return true;
        var credits = first.Sum(other => (long)problem.Courses[other].Credits) + course.Credits;
        return (course.Offered & 1) != 0
            && course.IsReachable
            && (problem.Question.Maximum is not { } maximum || credits <= maximum.Hundredths)
            && course.Beside.Places().All(other => other == place || first.Contains(other));
    }

    private static Found Least(PlanProblem problem, int from, FirstTerm first, WorkLimit limit)
    {
        var question = problem.Question;
        var open = question.Programme.Credits.Hundredths - problem.Prior.Credits;
        for (var terms = Math.Max(from, first.With is null ? 0 : 1); terms <= question.Terms; terms++)
        {
            // Free choice fills up what is left of the programme's credits.
            if (question.Maximum is { } maximum && (long)terms * maximum.Hundredths < open)
                continue;
            var plan = PlanSearch.Find(problem, terms, first, limit, out var isExact);
            if (plan is not null)
                return new(terms, true, plan);
            if (!isExact)
                return new(terms, false, null);
        }
        return new(null, true, null);
    }

    private sealed record Found(int? Terms, bool IsExact, IReadOnlyList<IReadOnlyList<int>>? Plan);
}
