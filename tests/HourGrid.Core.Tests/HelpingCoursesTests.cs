using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Tests.Plain;

namespace HourGrid.Core.Tests;

/// <summary>What a term offers for a programme, held against an audit with each course planned besides.</summary>
public sealed class HelpingCoursesTests
{
    private static readonly TermId Term = new("2027SP");

    [Fact]
    public void Courses_that_help_are_those_with_which_the_best_of_all_assignments_is_less_short()
    {
        var (some, none) = (0, 0);
        for (var draw = 0; draw < Draws.Of(1_500); draw++)
        {
            var drawn = new DrawnProgramme(new Random(draw), mostCourses: 7, mostLeaves: 5).Draw().WithTerms(Term);
            if (new PlainAudit(drawn.Programme, drawn.Everything, drawn.Catalogue).Assignments > 500)
                continue;
            var question = new EligibilityQuestion(
                drawn.Record,
                Term,
                new Dictionary<TermId, DateOnly> { [Term] = new(2027, 1, 11) }
            );
            var before = ShortOf(drawn, null);
            var expected = drawn
                .Catalogue.Where(course => course.Sections.Any(section => section.Status != SectionStatus.Cancelled))
                .Select(course => (course.Id.Value, After: ShortOf(drawn, course.Id)))
                .Where(one => one.After < before)
                .OrderBy(one => one.After)
                .ThenBy(one => one.Value, StringComparer.Ordinal)
                .ToArray();
            var helping = HelpingCourses.Of(drawn.Programme, new(drawn.Catalogue), question);
            Assert.Equal(expected, helping.Select(one => (one.Course.Value, one.ShortAfter.Value)));
            foreach (var one in helping)
            {
                var course = drawn.Catalogue.Single(other => other.Id == one.Course);
                var findings = CourseEligibility.Of(question, course).Findings;
                Assert.Equal(findings.All(finding => finding is EligibilityFinding.Corequisite), one.IsEligible);
                Assert.Equal(
                    drawn
                        .Programme.Leaves.Where(leaf => leaf.From.Admits(CourseTraits.Of(course)))
                        .Select(leaf => leaf.Id),
                    one.Leaves.Select(leaf => leaf.Id)
                );
            }
            some += helping.Count > 0 ? 1 : 0;
            none += helping.Count == 0 ? 1 : 0;
        }
        Assert.True(some > Draws.Of(1_500) / 5, $"{some} with some");
        Assert.True(none > Draws.Of(1_500) / 20, $"{none} with none");
    }

    private static decimal ShortOf(DrawnProgramme drawn, CourseId? planned) =>
        new PlainAudit(
            drawn.Programme,
            planned is not { } course
                ? drawn.Record
                : drawn.Record with
                {
                    Taken = [.. drawn.Record.Taken, new(course, Term, default, null, TakenStatus.Planned)],
                },
            drawn.Catalogue
        )
            .Best()
            .Short[0];
}
