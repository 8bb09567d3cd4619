using CsCheck;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Tests.Plain;

namespace HourGrid.Core.Tests;

/// <summary>The nearest week where there is none: the best timetable of all that the ways out give.</summary>
public sealed class NearestWeekAgainstBruteForceTests
{
    [Fact]
    public void It_is_the_best_of_those_that_go_against_the_fewest_rules() =>
        DrawnWorld
            .All.Where(world => BruteForce.Timetables(world.Catalogue, world.Ask).Count == 0)
            .Sample(
                (catalogue, ask) =>
                {
                    var snapshot = catalogue.SnapshotOf(ask.Term)!;
                    var nearest = NearestWeeks.Of(snapshot, ask);
                    var ways = WhyNone.Of(snapshot, ask)!.WaysOut;
                    if (ways.Count == 0)
                    {
                        Assert.Null(nearest);
                        return;
                    }
                    Assert.True(nearest!.IsExact);
                    var all = ways.SelectMany(way =>
                        {
                            var paths = way.Rules.Select(rule => rule.Path).ToArray();
                            return PlainRanking
                                .Sorted(catalogue, Without(ask, paths))
                                .Select(one => (one.Score, Numbers: Numbers(one.Timetable), Paths: paths));
                        })
                        .ToList();
                    var best = all.Where(one => one.Score == all.Min(other => other.Score))
                        .MinBy(one => one.Numbers, StringComparer.Ordinal);
                    Assert.Equal(best.Score, nearest.Score);
                    Assert.Equal(
                        best.Numbers,
                        string.Join(' ', nearest.Timetable!.Sections.Select(section => section.Number.Value))
                    );
                    Assert.Equal(best.Paths, nearest.Broken.Select(rule => rule.Path));
                    Assert.ProperSuperset(
                        nearest.Marked.ToHashSet(),
                        nearest.Timetable.Sections.Select(section => section.Number).Append(new("none")).ToHashSet()
                    );
                },
                iter: Draws.Of(500)
            );

    [Fact]
    public void What_goes_against_a_rule_is_marked()
    {
        var term = new Term(new("T"), "", new(2027, 1, 11), new(2027, 4, 30), [], []);
        CampusId[] campuses = [new("A"), new("B")];
        Course Meeting(string id, int campus, int hour) =>
            new()
            {
                Id = new(id),
                Subject = "C",
                Number = id,
                Title = id,
                Credits = CreditRange.Of(Credits.Of(3)),
                Sections =
                [
                    new()
                    {
                        Number = new(id),
                        Label = "",
                        Term = term.Id,
                        Component = "lecture",
                        Campus = campuses[campus],
                        Seats = new(10, 0, 0, 0),
                        Patterns =
                        [
                            new(
                                WeekdaySet.Of(Weekday.Monday),
                                new(new(hour * 60), new(hour * 60 + 60)),
                                "",
                                campuses[campus],
                                term.Start,
                                term.End,
                                1
                            ),
                        ],
                    },
                ],
            };
        var snapshot = new CatalogueSnapshot(
            term,
            [.. campuses.Select(id => new Campus(id, id.Value))],
            new([new(campuses[0], campuses[1], 20)]),
            [Meeting("X", 0, 9), Meeting("Y", 1, 10), Meeting("Z", 1, 14)]
        );
        var ask = new Ask
        {
            Term = term.Id,
            Wanted = [.. new[] { "X", "Y", "Z" }.Select(id => new WantedCourse { Course = new(id) })],
        };
        var byTravel = NearestWeeks.Of(snapshot, ask)!;
        Assert.Equal(["campus.respectTravel"], byTravel.Broken.Select(rule => rule.Path));
        Assert.Equal(["X", "Y"], byTravel.Marked.Select(number => number.Value).Order(StringComparer.Ordinal));

        var byHours = NearestWeeks.Of(
            snapshot,
            ask with
            {
                Campus = new() { RespectTravel = false },
                TimeBlocks =
                [
                    new(
                        WeekdaySet.Of(Weekday.Monday),
                        new(new(14 * 60), new(15 * 60)),
                        Strength.Cannot,
                        WeekSet.All,
                        ""
                    ),
                ],
            }
        )!;
        Assert.Equal(["timeBlocks[0]"], byHours.Broken.Select(rule => rule.Path));
        Assert.Equal(["Z"], byHours.Marked.Select(number => number.Value));
    }

    [Fact]
    public void Where_there_is_a_timetable_there_is_nothing_nearer() =>
        DrawnWorld
            .All.Where(world => BruteForce.Timetables(world.Catalogue, world.Ask).Count > 0)
            .Sample(
                (catalogue, ask) => Assert.Null(NearestWeeks.Of(catalogue.SnapshotOf(ask.Term)!, ask)),
                iter: Draws.Of(100)
            );

    /// <summary>A must that is left out still counts as a course in play.</summary>
    private static Ask Without(Ask ask, string[] paths)
    {
        var without = PlainChanges.Without(ask, paths);
        return without with
        {
            Wanted =
            [
                .. without.Wanted.Select(
                    (wanted, i) =>
                        paths.Contains($"wanted[{i}]")
                        && ask.Wanted[i].Role == CourseRole.Must
                        && !ask.EitherOr.Any(choice => choice.Courses.Contains(wanted.Course))
                            ? wanted with
                            {
                                Role = CourseRole.IfItFits,
                            }
                            : wanted
                ),
            ],
        };
    }

    private static string Numbers(PlainTimetable timetable) =>
        string.Join(' ', timetable.Sections.Select(section => section.Number.Value).Order(StringComparer.Ordinal));
}
