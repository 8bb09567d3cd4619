using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Rules;
using HourGrid.Core.Timetables;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>The sections of a timetable put by, course by course, and asks of which it is the only answer.</summary>
internal sealed class HeldSections
{
    private readonly CatalogueSnapshot snapshot;
    private readonly Timetable timetable;

    public HeldSections(CatalogueSnapshot snapshot, IReadOnlySet<RegistrationNumber> sections)
    {
        this.snapshot = snapshot;
        timetable = Timetable.Of(snapshot, sections);
        Courses = [.. timetable.Bundles.Select(bundle => bundle.Course.Course.Id)];
    }

    /// <summary>The courses it takes, in the catalogue's order.</summary>
    public IReadOnlyList<CourseId> Courses { get; }

    /// <summary>An ask that holds no rule but that these sections are the ones taken.</summary>
    public Ask Bare(TermId term) =>
        new()
        {
            Term = term,
            Seats = SeatsAdmitted.Any,
            Campus = new() { RespectTravel = false },
            Wanted =
            [
                .. timetable.Bundles.Select(bundle => new WantedCourse
                {
                    Course = bundle.Course.Course.Id,
                    Keep = [.. bundle.Sections.Select(section => section.Number)],
                }),
            ],
        };

    /// <summary>The courses of which the sections are none of their bundles.</summary>
    public IEnumerable<CourseId> NotWhole =>
        from bundle in timetable.Bundles
        where WholeBundle.Of(bundle.Course, bundle.Sections.Select(section => section.Number).ToHashSet()) is null
        select bundle.Course.Course.Id;

    /// <summary>Whether a rule for courses is not met: a must, or enough of an either–or.</summary>
    public bool Lacks(Ask ask, Rule rule)
    {
        if (rule is EitherOrRule)
        {
            var choice = ask.EitherOr[rule.Index];
            var taken = choice.Courses.Count(Courses.Contains);
            return taken < choice.Min || taken > choice.Max;
        }
        return rule is CourseRule
            && ask.Wanted[rule.Index] is { Role: CourseRole.Must } wanted
            && EitherOrRule.Of(ask, wanted) is null
            && !Courses.Contains(wanted.Course);
    }

    /// <summary>The rules that it breaks, in the order of the ask, each held against it alone.</summary>
    /// <exception cref="OperationCanceledException">The limit was over before all were known.</exception>
    public HashSet<Rule> RulesBroken(Ask ask, WorkLimit limit)
    {
        if (Has(JustThese(ask), limit))
            return [];
        Rule[] rules = [.. RuleList.Of(ask).Where(rule => rule.IsHard && !IsOfCourses(rule))];
        var broken = new HashSet<Rule>();
        foreach (var rule in rules)
        {
            // Whether a break has room depends on the hours that are taken out: those the timetable keeps stay.
            bool Stays(Rule other) =>
                other.Equals(rule) || (rule is BreakRule && other is TimeBlockRule && !broken.Contains(other));
            if (!Has(JustThese(Lifted(ask, rules.Where(other => !Stays(other)))), limit))
                broken.Add(rule);
        }
        return broken;
    }

    /// <summary>The ask with what stands against the timetable lifted, and its courses taken.</summary>
    public Ask Fitting(Ask ask, IReadOnlyCollection<Rule> broken)
    {
        var lifted = Lifted(ask, broken.Where(rule => rule is not CourseRule));
        var known = lifted.Wanted.Select(wanted => wanted.Course).ToHashSet();
        return lifted with
        {
            Wanted =
            [
                .. lifted.Wanted.Select(wanted => WithRole(ask, lifted, wanted)),
                .. Courses
                    .Where(course => !known.Contains(course))
                    .Select(course => new WantedCourse { Course = course }),
            ],
        };
    }

    private WantedCourse WithRole(Ask ask, Ask lifted, WantedCourse wanted)
    {
        if (EitherOrRule.Of(lifted, wanted) is not null)
            return wanted;
        if (Courses.Contains(wanted.Course))
            return wanted.Role == CourseRole.SetAside ? wanted with { Role = CourseRole.Must } : wanted;
        // Not taken, and of no role that lets it be left out: a must, or one of a choice that no longer stands.
        return wanted.Role == CourseRole.Must || EitherOrRule.Of(ask, wanted) is not null
            ? wanted with
            {
                Role = CourseRole.SetAside,
            }
            : wanted;
    }

    /// <summary>The ask about the courses it takes alone, with every other section of theirs ruled out.</summary>
    private Ask JustThese(Ask ask) =>
        ask with
        {
            EitherOr = [],
            Wanted =
            [
                .. timetable.Bundles.Select(bundle =>
                {
                    var course = bundle.Course.Course.Id;
                    var wanted = ask.Wanted.FirstOrDefault(one => one.Course == course) ?? new() { Course = course };
                    var others = bundle.Course.Sections.Except(bundle.Sections).Select(section => section.Number);
                    return wanted with { Role = CourseRole.Must, RuleOut = [.. wanted.RuleOut.Union(others)] };
                }),
            ],
        };

    private bool Has(Ask ask, WorkLimit limit)
    {
        var problem = Problem.Compile(snapshot, ask, CompileScope.AskAlone, limit);
        using var feasibility = new Feasibility(problem, limit);
        return feasibility.Has(Compiling.Lifted.None(problem.Rules.Count));
    }

    private static bool IsOfCourses(Rule rule) => rule is CourseRule or EitherOrRule;

    /// <summary>The last of a list first: the places of those before it stay what they are.</summary>
    private static Ask Lifted(Ask ask, IEnumerable<Rule> rules) =>
        rules.Reverse().Aggregate(ask, (now, rule) => rule.Without(now));
}
