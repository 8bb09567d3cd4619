using HourGrid.Core.Requirements;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Tests.Plain;

namespace HourGrid.Core.Tests;

/// <summary>The audit of drawn programmes and records, held against looking at every assignment.</summary>
public sealed class AuditAgainstBruteForceTests
{
    /// <summary>More assignments than this are not looked at.</summary>
    private const double Most = 4_000;

    [Fact]
    public void Every_figure_is_that_of_the_best_of_all_assignments()
    {
        var (looked, contested, choices) = (0, 0, 0);
        for (var draw = 0; draw < Draws.Of(4_000); draw++)
        {
            var drawn = new DrawnProgramme(new Random(draw)).Draw();
            var plain = new PlainAudit(drawn.Programme, drawn.Record, drawn.Catalogue);
            if (plain.Assignments > Most)
                continue;
            looked++;
            var (shortage, pairs) = plain.Best();
            var answer = RequirementAudit.Of(drawn.Programme, drawn.Record, new(drawn.Catalogue));
            Assert.True(answer.IsExact, $"draw {draw}");
            decimal[] found =
            [
                answer.ShortWithPlanned.Value,
                answer.ShortWithUnderWay.Value,
                answer.ShortCompleted.Value,
            ];
            Assert.True(
                shortage.SequenceEqual(found),
                $"draw {draw}: {string.Join(' ', shortage)} but {string.Join(' ', found)}"
            );
            var leaves = answer.Nodes.Where(node => node.Requirement is Requirement.Leaf).ToArray();
            var given = leaves
                .SelectMany((leaf, place) => leaf.Courses.Select(course => (place, course.Value)))
                .ToArray();
            Assert.True(
                pairs.SequenceEqual(given),
                $"draw {draw}: {string.Join(' ', pairs)} but {string.Join(' ', given)}"
            );
            Assert.Equal(
                plain.States(pairs),
                answer.Nodes.Select(node => (node.Requirement.Id, node.State, node.ShortWithPlanned.Value))
            );
            Assert.Equal(plain.Total(0), answer.Completed.Value);
            Assert.Equal(plain.Total(1), answer.UnderWay.Value);
            Assert.Equal(plain.Total(2), answer.Planned.Value);
            Assert.Equal(plain.Unused(pairs), answer.Unused.Select(course => course.Value));
            contested += plain.Assignments > 200 ? 1 : 0;
            choices += answer.Nodes.Any(node => node.State == RequirementState.NotNeeded) ? 1 : 0;
        }
        Assert.True(looked > Draws.Of(4_000) * 0.6, $"{looked} looked at");
        Assert.True(contested > Draws.Of(4_000) * 0.1, $"{contested} contested");
        Assert.True(choices > Draws.Of(4_000) * 0.05, $"{choices} with something not needed");
    }
}
