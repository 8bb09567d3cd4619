using CsCheck;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Tests.Plain;

namespace HourGrid.Core.Tests;

/// <summary>Every section stands in as many timetables as a plain list of them holds it.</summary>
public sealed class StandingsAgainstBruteForceTests
{
    [Fact]
    public void Every_section_stands_where_the_definition_says() =>
        DrawnWorld.All.Sample(
            (catalogue, ask) =>
            {
                var expected = BruteForce.Timetables(catalogue, ask);
                var standings = Standings.Of(Problem.Compile(catalogue.SnapshotOf(ask.Term)!, ask));
                Assert.True(standings.IsExact);
                Assert.Equal((UInt128)expected.Count, standings.Total);
                var sections = catalogue
                    .Courses.Where(course => ask.Wanted.Any(wanted => wanted.Course == course.Id))
                    .SelectMany(course => course.Sections)
                    .ToList();
                Assert.Equal(
                    sections.Select(section =>
                        $"{section.Number} {expected.Count(one => one.Sections.Contains(section))}"
                    ),
                    sections.Select(section => $"{section.Number} {standings.Sections[section.Number]}")
                );
            },
            iter: Draws.Of(4000)
        );
}
