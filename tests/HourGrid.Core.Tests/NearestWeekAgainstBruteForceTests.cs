using CsCheck;
using HourGrid.Core.Asking;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Tests.Plain;

namespace HourGrid.Core.Tests;

/// <summary>The nearest week where there is none: the best timetable of all that the ways out give.</summary>
public sealed class NearestWeekAgainstBruteForceTests
{
    [Fact]
    public void It_is_the_best_of_those_that_go_against_the_fewest_wishes() =>
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
                            var paths = way.Wishes.Select(wish => wish.Path).ToArray();
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
                    Assert.Equal(best.Paths, nearest.Broken.Select(wish => wish.Path));
                    Assert.ProperSuperset(
                        nearest.Marked.ToHashSet(),
                        nearest.Timetable.Sections.Select(section => section.Number).Append(new("none")).ToHashSet()
                    );
                },
                iter: 500
            );

    [Fact]
    public void Where_there_is_a_timetable_there_is_nothing_nearer() =>
        DrawnWorld
            .All.Where(world => BruteForce.Timetables(world.Catalogue, world.Ask).Count > 0)
            .Sample(
                (catalogue, ask) => Assert.Null(NearestWeeks.Of(catalogue.SnapshotOf(ask.Term)!, ask)),
                iter: 100
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
