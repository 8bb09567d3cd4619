using CsCheck;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Tests.Plain;

namespace HourGrid.Core.Tests;

/// <summary>Bundles, counts and look-alikes agree with the plain definitions on everything drawn.</summary>
public sealed class CountsAgainstBruteForceTests
{
    private const int Cases = 4000;

    [Fact]
    public void Bundles_are_those_of_the_definition() =>
        DrawnWorld.All.Sample(
            (catalogue, ask) =>
            {
                var snapshot = catalogue.SnapshotOf(ask.Term)!;
                var problem = Problem.Compile(snapshot, ask);
                foreach (var course in problem.Courses)
                    Assert.Equal(
                        BruteForce
                            .Bundles(catalogue, snapshot.Term, ask, course.Wanted)
                            .Select(Keys.Of)
                            .Order(StringComparer.Ordinal),
                        course
                            .Bundles.Select(bundle => Keys.Of(bundle.Sections.Select(section => section.Section)))
                            .Order(StringComparer.Ordinal)
                    );
            },
            iter: Draws.Of(Cases)
        );

    [Fact]
    public void Counts_are_those_of_the_definition() =>
        DrawnWorld.All.Sample(
            (catalogue, ask) =>
            {
                var snapshot = catalogue.SnapshotOf(ask.Term)!;
                var expected = BruteForce.Timetables(catalogue, ask);
                var problem = Problem.Compile(snapshot, ask);
                var count = Counts.Of(problem);
                Assert.True(count.IsExact);
                Assert.Equal((UInt128)expected.Count, count.Total.Timetables);
                var shapes = expected.Select(one => BruteForce.WeekShape(snapshot.Term, one)).Distinct().Count();
                Assert.Equal((UInt128)shapes, count.Total.WeekShapes);
            },
            iter: Draws.Of(Cases)
        );

    /// <summary>Each week shape leads to just the timetables that have it, the best first.</summary>
    [Fact]
    public void Look_alikes_are_the_timetables_of_one_week_shape() =>
        DrawnWorld.All.Sample(
            (catalogue, ask) =>
            {
                var snapshot = catalogue.SnapshotOf(ask.Term)!;
                var byShape = BruteForce
                    .Timetables(catalogue, ask)
                    .GroupBy(one => BruteForce.WeekShape(snapshot.Term, one))
                    .ToDictionary(shape => shape.Key, shape => shape.Select(one => one.Key).ToArray());
                var problem = Problem.Compile(snapshot, ask);
                var same = new SameShape(problem);
                foreach (var best in Best.Of(problem, 20, byShape: true).Timetables)
                {
                    var expected = byShape[BruteForce.WeekShape(snapshot.Term, Keys.Plain(best.Timetable))];
                    Assert.Equal((UInt128)expected.Length, same.Count(best.Timetable));
                    var likes = same.Best(best.Timetable, expected.Length + 1);
                    Assert.True(likes.IsExact);
                    Assert.Equal(
                        expected.Order(StringComparer.Ordinal),
                        likes.Timetables.Select(one => Keys.Of(one.Timetable)).Order(StringComparer.Ordinal)
                    );
                    Assert.Equal(Keys.Of(best.Timetable), Keys.Of(likes.Timetables[0].Timetable));
                    Assert.Equal(
                        likes.Timetables.Select(one => one.Score).Order(),
                        likes.Timetables.Select(one => one.Score)
                    );
                    var sections = best.Timetable.Sections.Select(section => section.Number).ToHashSet();
                    Assert.Equal(Keys.Of(best.Timetable), Keys.Of(same.Find(sections)!));
                    sections.Remove(sections.First());
                    Assert.Null(
                        same.Find(sections) is { } less && Keys.Of(less) == Keys.Of(best.Timetable) ? less : null
                    );
                }
            },
            iter: Draws.Of(Cases / 4)
        );

    [Fact]
    public void The_drawn_worlds_hold_few_many_and_no_timetables()
    {
        var counts = new List<UInt128>();
        DrawnWorld.All.Sample(
            (catalogue, ask) =>
            {
                var count = Counts.Of(Problem.Compile(catalogue.SnapshotOf(ask.Term)!, ask));
                lock (counts)
                    counts.Add(count.Total.Timetables);
            },
            iter: Draws.Of(Cases / 4)
        );
        // Were they nearly all empty, the comparisons above would show little.
        var (none, some, many) = (
            counts.Count(count => count == 0),
            counts.Count(count => count > 0),
            counts.Count(count => count > 20)
        );
        Assert.True(
            none > counts.Count / 20 && some > counts.Count / 4 && many > counts.Count / 100,
            $"Of {counts.Count}: {none} with none, {some} with some, {many} with many."
        );
    }
}
