using CsCheck;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Tests.Plain;

namespace HourGrid.Core.Tests;

/// <summary>Bundles, counts and the walk agree with the plain definitions on everything drawn.</summary>
public sealed class WalkAgainstBruteForceTests
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
            iter: Cases
        );

    [Fact]
    public void Counts_and_the_walk_are_those_of_the_definition() =>
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

                var walk = new TimetableWalk(problem);
                Assert.Equal(count.Total.Timetables, walk.Total.Timetables);
                var walked = Enumerable.Range(0, expected.Count).Select(i => walk.At((UInt128)i)).ToList();
                Assert.Equal(
                    expected.Select(one => one.Key).Order(StringComparer.Ordinal),
                    walked.Select(one => Keys.Of(one.Timetable)).Order(StringComparer.Ordinal)
                );
            },
            iter: Cases
        );

    [Fact]
    public void Look_alikes_follow_one_another_and_every_number_leads_back_to_itself() =>
        DrawnWorld.All.Sample(
            (catalogue, ask) =>
            {
                var snapshot = catalogue.SnapshotOf(ask.Term)!;
                var walk = new TimetableWalk(Problem.Compile(snapshot, ask));
                var shapes = walk.Shapes(0, (int)walk.Total.WeekShapes + 5);
                Assert.Equal(walk.Total.WeekShapes, (UInt128)shapes.Count);

                UInt128 next = 0;
                foreach (var shape in shapes)
                {
                    Assert.Equal(next, shape.Number);
                    var alike = Enumerable
                        .Range(0, (int)shape.Alike)
                        .Select(i => walk.At(shape.Number + (UInt128)i))
                        .ToList();
                    Assert.Single(
                        alike.Select(one => BruteForce.WeekShape(snapshot.Term, Keys.Plain(one.Timetable))).Distinct()
                    );
                    Assert.All(alike, one => Assert.Equal(shape.ShapeNumber, one.ShapeNumber));
                    Assert.Equal(alike.Count, alike.Select(one => Keys.Of(one.Timetable)).Distinct().Count());
                    foreach (var one in alike)
                        Assert.Equal(
                            one.Number,
                            walk.Nearest([.. one.Timetable.Sections.Select(section => section.Number)])!.Number
                        );
                    next += shape.Alike;
                }
                Assert.Equal(walk.Total.Timetables, next);
            },
            iter: Cases / 4
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
            iter: Cases / 4
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
