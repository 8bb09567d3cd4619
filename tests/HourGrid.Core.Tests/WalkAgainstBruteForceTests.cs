using CsCheck;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
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
                foreach (var wanted in ask.Wanted)
                {
                    var found = BundleFinder.Find(
                        snapshot.Find(wanted.Course)!,
                        ask,
                        wanted,
                        ConflictRule.Of(snapshot, ask)
                    );
                    Assert.Equal(
                        BruteForce
                            .Bundles(catalogue, snapshot.Term, ask, wanted)
                            .Select(Key)
                            .Order(StringComparer.Ordinal),
                        found
                            .Select(bundle => Key(bundle.Sections.Select(section => section.Section)))
                            .Order(StringComparer.Ordinal)
                    );
                }
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
                var walk = new TimetableWalk(Problem.Compile(snapshot, ask));

                Assert.Equal((UInt128)expected.Count, walk.Total.Timetables);
                var shapes = expected.Select(one => BruteForce.WeekShape(snapshot.Term, one)).Distinct().Count();
                Assert.Equal((UInt128)shapes, walk.Total.WeekShapes);

                var walked = Enumerable.Range(0, expected.Count).Select(i => walk.At((UInt128)i)).ToList();
                Assert.Equal(
                    expected.Select(one => Key(one.SelectMany(bundle => bundle))).Order(StringComparer.Ordinal),
                    walked.Select(one => Key(one.Timetable)).Order(StringComparer.Ordinal)
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
                    Assert.Single(alike.Select(one => ShapeOf(snapshot.Term, one.Timetable)).Distinct());
                    Assert.All(alike, one => Assert.Equal(shape.ShapeNumber, one.ShapeNumber));
                    Assert.Equal(alike.Count, alike.Select(one => Key(one.Timetable)).Distinct().Count());
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
                var walk = new TimetableWalk(Problem.Compile(catalogue.SnapshotOf(ask.Term)!, ask));
                lock (counts)
                    counts.Add(walk.Total.Timetables);
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

    private static string ShapeOf(Term term, Timetable timetable) =>
        BruteForce.WeekShape(
            term,
            [.. timetable.Bundles.Select(bundle => bundle.Sections.Select(section => section.Section).ToList())]
        );

    private static string Key(Timetable timetable) => Key(timetable.Sections.Select(section => section.Section));

    private static string Key(IEnumerable<Section> sections) =>
        string.Join(" ", sections.Select(section => section.Number.Value).Order(StringComparer.Ordinal));
}
