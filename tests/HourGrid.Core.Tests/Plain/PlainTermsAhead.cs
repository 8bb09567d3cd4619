using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements;

namespace HourGrid.Core.Tests.Plain;

/// <summary>The end in sight as its definition reads: every way to put courses into terms.</summary>
internal sealed class PlainTermsAhead
{
    private readonly Programme programme;
    private readonly StudentRecord record;
    private readonly IReadOnlyList<Course> catalogue;
    private readonly TermId term;
    private readonly IReadOnlyList<string> seasons;
    private readonly string? season;
    private readonly decimal? maximum;
    private readonly Course[] courses;
    private readonly Dictionary<int, bool> isComplete = [];

    public PlainTermsAhead(
        Programme programme,
        StudentRecord record,
        IReadOnlyList<Course> catalogue,
        TermId term,
        IReadOnlyList<string> seasons,
        string? season,
        decimal? maximum
    )
    {
        this.programme = programme;
        this.record = record with { Taken = [.. record.Taken.Where(one => one.Status != TakenStatus.Planned)] };
        this.catalogue = catalogue;
        (this.term, this.seasons, this.season, this.maximum) = (term, seasons, season, maximum);
        courses = [.. catalogue.Where(MayPlan)];
    }

    /// <summary>The least number of terms up to some; with a course in the first term, or not in it.</summary>
    public int? Least(int most, CourseId? with = null, CourseId? without = null)
    {
        for (var terms = with is null ? 0 : 1; terms <= most; terms++)
            if (
                (maximum is not { } max || terms * max >= programme.Credits.Value - Had())
                && Go(1, 0, terms, [], with, without)
            )
                return terms;
        return null;
    }

    /// <summary>Whether prerequisites hold in the first term, and a plan may hold the course.</summary>
    public bool CanBegin(CourseId course) =>
        courses.FirstOrDefault(one => one.Id == course) is { } found && Holds(found.Prerequisites, 0);

    /// <summary>What is wrong with a plan; null for nothing.</summary>
    public string? Wrong(IReadOnlyList<IReadOnlyList<CourseId>> plan)
    {
        var done = 0;
        for (var number = 1; number <= plan.Count; number++)
        {
            var set = 0;
            foreach (var id in plan[number - 1])
            {
                var place = Array.FindIndex(courses, course => course.Id == id);
                if (place < 0)
                    return $"{id} may not be planned";
                if ((done & (1 << place)) != 0 || (set & (1 << place)) != 0)
                    return $"{id} twice";
                set |= 1 << place;
            }
            if (!IsAllowed(number, done, set))
                return $"term {number}";
            done |= set;
        }
        return IsComplete(done) ? null : "not complete";
    }

    private bool Go(int number, int done, int terms, HashSet<(int, int)> seen, CourseId? with, CourseId? without)
    {
        if (number > terms)
            return IsComplete(done);
        if (!seen.Add((number, done)))
            return false;
        for (var set = 0; set < 1 << courses.Length; set++)
        {
            if ((set & done) != 0)
                continue;
            if (number == 1 && (with is { } one && !Has(set, one) || without is { } other && Has(set, other)))
                continue;
            // A course asked for in the first term stands there alone.
            if (IsAllowed(number, done, set) && Go(number + 1, done | set, terms, seen, with, without))
                return true;
        }
        return false;
    }

    private bool Has(int set, CourseId course) =>
        courses.Index().Any(one => (set >> one.Index & 1) != 0 && one.Item.Id == course);

    private bool IsAllowed(int number, int done, int set)
    {
        var credits = 0m;
        for (var i = 0; i < courses.Length; i++)
        {
            if ((set >> i & 1) == 0)
                continue;
            credits += courses[i].Credits.Min.Value;
            if (!IsOffered(courses[i], number) || !Holds(courses[i].Prerequisites, done))
                return false;
            foreach (var beside in courses[i].Corequisites)
                if (!Condition(beside, null, done | set))
                    return false;
        }
        return maximum is not { } max || credits <= max;
    }

    private bool IsOffered(Course course, int number)
    {
        if (number == 1)
            return course.Sections.Any(section => section.Term == term && section.Status != SectionStatus.Cancelled);
        if (course.UsuallyOffered is null)
            return true;
        if (course.UsuallyOffered.Count == 0)
            return false;
        var at = season is null ? -1 : seasons.ToList().IndexOf(season);
        return at < 0 || course.UsuallyOffered.Contains(seasons[(at + number - 1) % seasons.Count]);
    }

    private bool Holds(Prerequisite? tree, int done) =>
        tree switch
        {
            null => true,
            Prerequisite.All all => all.Of.All(one => Holds(one, done)),
            Prerequisite.Any any => any.Of.Any(one => Holds(one, done)),
            Prerequisite.CourseTaken taken => Condition(taken.Course, taken.MinGrade, done),
            Prerequisite.ExamTaken exam => record.Exams.Any(one =>
                one.Exam == exam.Exam && one.Score >= (exam.MinScore ?? -1)
            ),
            _ => throw new InvalidOperationException(),
        };

    private bool Condition(CourseId course, string? minGrade, int done) =>
        Has(done, course)
        || FromOutside(course)
        || record.Taken.Any(one =>
            one.Course == course
            && (
                one.Status == TakenStatus.UnderWay
                || (
                    Counts(one)
                    && (
                        minGrade is null
                        || (Grades.TryParse(minGrade, out var least) && Grades.Meets(one.Grade!.Value, least))
                    )
                )
            )
        );

    private static bool Counts(TakenCourse one) =>
        one.Status == TakenStatus.Completed && one.Grade is { } grade && grade is not (Grade.F or Grade.Withdrawn);

    private bool FromOutside(CourseId course) =>
        record.Exams.Any(exam => exam.CountsAs.Contains(course)) || record.Transfer.Any(one => one.As == course);

    private bool MayPlan(Course course)
    {
        if (
            FromOutside(course.Id)
            || record.Taken.Any(one => one.Course == course.Id && one.Status == TakenStatus.UnderWay)
        )
            return false;
        var passed = record
            .Taken.Where(one => one.Course == course.Id && Counts(one))
            .Select(one => one.Grade!.Value)
            .ToArray();
        return passed.Length == 0
            || Minimums(course.Id).Any(minimum => passed.All(grade => !Grades.Meets(grade, minimum)));
    }

    private IEnumerable<Grade> Minimums(CourseId course)
    {
        var traits = catalogue.Single(one => one.Id == course);
        foreach (var leaf in programme.Leaves)
            if (leaf.MinGrade is { } least && leaf.From.Admits(CourseTraits.Of(traits)))
                yield return least;
        foreach (var text in catalogue.SelectMany(one => MinimumsIn(one.Prerequisites, course)))
            if (Grades.TryParse(text, out var minimum))
                yield return minimum;
    }

    private static IEnumerable<string> MinimumsIn(Prerequisite? tree, CourseId course) =>
        tree switch
        {
            Prerequisite.All all => all.Of.SelectMany(one => MinimumsIn(one, course)),
            Prerequisite.Any any => any.Of.SelectMany(one => MinimumsIn(one, course)),
            Prerequisite.CourseTaken { MinGrade: { } text } taken when taken.Course == course => [text],
            _ => [],
        };

    private decimal Had()
    {
        var plain = new PlainAudit(programme, record, catalogue);
        return plain.Total(0) + plain.Total(1);
    }

    private bool IsComplete(int done)
    {
        if (!isComplete.TryGetValue(done, out var known))
        {
            var planned = courses.Where((_, i) => (done >> i & 1) != 0);
            var with = record with
            {
                Taken =
                [
                    .. record.Taken,
                    .. planned.Select(course => new TakenCourse(course.Id, term, default, null, TakenStatus.Planned)),
                ],
            };
            isComplete[done] = known = new PlainAudit(programme, with, catalogue).Best().Short[0] == 0;
        }
        return known;
    }
}
