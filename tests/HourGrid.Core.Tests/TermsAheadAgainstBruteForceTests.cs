using HourGrid.Core.Catalogue;
using HourGrid.Core.Requirements.Ahead;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Tests.Plain;

namespace HourGrid.Core.Tests;

/// <summary>The end in sight and what waiting costs, held against every way to put courses into terms.</summary>
public sealed class TermsAheadAgainstBruteForceTests
{
    private const int Terms = 4;
    private static readonly TermId First = new("2027SP");

    [Fact]
    public void The_least_number_of_terms_and_what_waiting_costs_are_those_of_all_plans()
    {
        var found = new Dictionary<string, int>();
        for (var draw = 0; draw < Draws.Of(4_000); draw++)
        {
            var random = new Random(draw);
            var drawn = new DrawnProgramme(random, mostCourses: 8, mostLeaves: 5).Draw().WithTerms(First);
            // What every subset of a plan leaves short is looked at: no more assignments than that allows.
            if (new PlainAudit(drawn.Programme, drawn.Everything, drawn.Catalogue).Assignments > 300)
                continue;
            decimal? maximum = random.Next(4) == 0 ? null : random.Next(3, 12);
            string? season = random.Next(6) == 0 ? null : "autumn";
            var plain = new PlainTermsAhead(
                drawn.Programme,
                drawn.Record,
                drawn.Catalogue,
                First,
                ["spring", "autumn"],
                season,
                maximum
            );
            CourseId[] helping = [.. drawn.Catalogue.Select(course => course.Id).Take(3)];
            var answer = TermsAhead.Of(
                new(drawn.Programme, drawn.Record, new(drawn.Catalogue), new(First, season, ["spring", "autumn"]))
                {
                    Terms = Terms,
                    Maximum = maximum is { } credits ? Credits.Of(credits) : null,
                },
                helping,
                TimeSpan.FromMinutes(1)
            );
            Assert.True(answer.IsExact, $"draw {draw}");
            Assert.True(plain.Least(Terms) == answer.Terms, $"draw {draw}: {plain.Least(Terms)} but {answer.Terms}");
            Assert.Equal(answer.Terms, answer.Plan?.Count);
            Assert.True(
                answer.Plan is null || plain.Wrong(answer.Plan) is null,
                $"draw {draw}: {plain.Wrong(answer.Plan ?? [])}"
            );
            foreach (var one in answer.Waiting)
            {
                Assert.True(plain.CanBegin(one.Course), $"draw {draw}: {one.Course}");
                Assert.True(
                    plain.Least(Terms, with: one.Course) == one.Now,
                    $"draw {draw}: {one}, now {plain.Least(Terms, with: one.Course)}"
                );
                Assert.True(
                    plain.Least(Terms, without: one.Course) == one.Later,
                    $"draw {draw}: {one}, later {plain.Least(Terms, without: one.Course)}"
                );
                Count(
                    one.Now < one.Later ? "waiting costs"
                    : one.Now > one.Later ? "now costs"
                    : "no matter"
                );
            }
            Count(answer.Terms is { } terms ? $"{terms} terms" : "none");
        }
        foreach (
            var kind in new[]
            {
                "waiting costs",
                "now costs",
                "no matter",
                "0 terms",
                "1 terms",
                "2 terms",
                "3 terms",
                "4 terms",
                "none",
            }
        )
            Assert.True(found.GetValueOrDefault(kind) >= 5, $"{kind}: {found.GetValueOrDefault(kind)}");

        void Count(string kind) => found[kind] = found.GetValueOrDefault(kind) + 1;
    }
}
