using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Core.Records;

namespace HourGrid.Core.Requirements.Ahead;

/// <summary>What stands against a course where a plan has it: one of the records nested here.</summary>
public abstract record PlanFinding
{
    private PlanFinding() { }

    /// <summary>What must come before has not by then.</summary>
    /// <param name="Missing">The sets of conditions each of which would be enough, the smallest first.</param>
    public sealed record Before(IReadOnlyList<IReadOnlyList<Prerequisite>> Missing) : PlanFinding;

    /// <summary>What must be taken beside it or before is not.</summary>
    /// <param name="Missing">Those courses.</param>
    public sealed record Beside(IReadOnlyList<CourseId> Missing) : PlanFinding;

    /// <summary>It is not offered in this term.</summary>
    public sealed record NotOffered : PlanFinding;

    /// <summary>It is usually not offered in the season of that term.</summary>
    /// <param name="Usually">The seasons in which it usually is; none for never.</param>
    public sealed record NotUsuallyOffered(IReadOnlyList<string> Usually) : PlanFinding;

    /// <summary>It counts already, and taking it again brings nothing.</summary>
    public sealed record CountsAlready : PlanFinding;

    /// <summary>It stands in the plan before.</summary>
    /// <param name="Term">Where.</param>
    public sealed record Twice(TermId Term) : PlanFinding;

    /// <summary>With it the term has more credits than may be taken.</summary>
    /// <param name="Maximum">So many may be.</param>
    public sealed record OverMaximum(Credits Maximum) : PlanFinding;

    /// <summary>The catalogue does not have it.</summary>
    public sealed record Unknown : PlanFinding;
}

/// <summary>A term of a plan, checked.</summary>
/// <param name="Term">The term.</param>
/// <param name="Entries">What stands in it, with what stands against each.</param>
/// <param name="Credits">The least its courses carry, with what the record has planned for it.</param>
/// <param name="IsOver">Whether that is more than may be taken.</param>
public sealed record CheckedTerm(
    AheadTerm Term,
    IReadOnlyList<(PlannedEntry Entry, IReadOnlyList<PlanFinding> Findings)> Entries,
    TotalCredits Credits,
    bool IsOver
);

/// <summary>Checks what a student put into terms ahead.</summary>
public static class PlanChecks
{
    /// <summary>Every term with what stands against its courses.</summary>
    /// <param name="question">Whose programme and record, from which term on.</param>
    /// <param name="terms">The terms.</param>
    /// <param name="plan">The plan; what stands in other terms is left aside.</param>
    public static IReadOnlyList<CheckedTerm> Of(
        TermsAheadQuestion question,
        IReadOnlyList<AheadTerm> terms,
        AheadPlan plan
    )
    {
        ArgumentNullException.ThrowIfNull(question);
        ArgumentNullException.ThrowIfNull(terms);
        ArgumentNullException.ThrowIfNull(plan);
        var numberOf = terms.ToDictionary(term => term.Id, term => term.Number);
        var prior = new PriorCourses(question);
        var courses = question.Courses.Catalogue.ToDictionary(course => course.Id);
        // What the record has registered for these terms is planned, too.
        var planned = plan
            .Entries.Where(entry => numberOf.ContainsKey(entry.Term))
            .Select(entry => (entry.Course, Number: numberOf[entry.Term]))
            .Concat(
                question
                    .Record.Taken.Where(one => one.Status == TakenStatus.Planned)
                    .Select(one => (Course: (CourseId?)one.Course, Number: numberOf.GetValueOrDefault(one.Term, 1)))
            )
            .Where(one => one.Course is not null)
            .ToLookup(one => one.Course!.Value, one => one.Number);
        return
        [
            .. terms.Select(term =>
            {
                PlannedEntry[] entries = [.. plan.Entries.Where(entry => entry.Term == term.Id)];
                var registered = question
                    .Record.Taken.Where(one =>
                        one.Status is TakenStatus.Planned or TakenStatus.UnderWay && one.Term == term.Id
                    )
                    .Sum(one => (long)one.Credits.Hundredths);
                var credits = registered + entries.Sum(CreditsOf);
                long CreditsUpTo(int last) => registered + entries.Take(last + 1).Sum(CreditsOf);
                return new CheckedTerm(
                    term,
                    [.. entries.Select((entry, i) => (entry, Findings(entry, term, CreditsUpTo(i))))],
                    new(credits),
                    question.Maximum is { } maximum && credits > maximum.Hundredths
                );
            }),
        ];

        long CreditsOf(PlannedEntry entry) =>
            entry.Course is { } course
                ? courses.GetValueOrDefault(course)?.Credits.Min.Hundredths ?? 0
                : LeafNeed.Courses.DefaultEach.Hundredths;

        IReadOnlyList<PlanFinding> Findings(PlannedEntry entry, AheadTerm term, long creditsWithIt)
        {
            IEnumerable<PlanFinding> ofCourse =
                entry.Course is not { } id ? []
                : courses.TryGetValue(id, out var course) ? FindingsOf(course, entry, term)
                : [new PlanFinding.Unknown()];
            return question.Maximum is { } maximum && creditsWithIt > maximum.Hundredths
                ? [.. ofCourse, new PlanFinding.OverMaximum(maximum)]
                : [.. ofCourse];
        }

        IEnumerable<PlanFinding> FindingsOf(Course course, PlannedEntry entry, AheadTerm term)
        {
            if (!prior.MayPlan(course.Id))
                yield return new PlanFinding.CountsAlready();
            var before = plan
                .Entries.TakeWhile(other => other != entry)
                .Where(other => other.Course == course.Id && numberOf.ContainsKey(other.Term))
                .ToArray();
            if (before.Length > 0)
                yield return new PlanFinding.Twice(before[0].Term);
            if (!question.Cycle.Offers(course, term.Number))
                yield return term.Number == 1
                    ? new PlanFinding.NotOffered()
                    : new PlanFinding.NotUsuallyOffered(course.UsuallyOffered ?? []);
            if (
                course.Prerequisites is { } tree
                && MinimalSets.Of(tree, leaf => IsMet(leaf, term.Number)) is var missing
                && missing is not [{ Count: 0 }]
            )
                yield return new PlanFinding.Before(missing);
            CourseId[] beside =
            [
                .. course.Corequisites.Where(other =>
                    !prior.Has(other) && !planned[other].Any(number => number <= term.Number)
                ),
            ];
            if (beside.Length > 0)
                yield return new PlanFinding.Beside(beside);
        }

        bool IsMet(Prerequisite leaf, int number) =>
            prior.Meets(leaf)
            || (leaf is Prerequisite.CourseTaken taken && planned[taken.Course].Any(other => other < number));
    }
}
