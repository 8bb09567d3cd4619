using CsCheck;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Measures;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Tests.Plain;

namespace HourGrid.Core.Tests;

/// <summary>The best timetables and week shapes are those of a plain sort of all of them.</summary>
public sealed class BestAgainstBruteForceTests
{
    private const int Cases = 4000;

    private static readonly Gen<(
        (UniversityCatalogue Catalogue, Ask Ask) World,
        int Offset,
        int Count,
        bool NothingMatters
    )> Drawn = Gen.Select(DrawnWorld.All, Gen.Int[0, 3], Gen.OneOf(1, 3, 20, 500), Gen.Int[0, 3].Select(i => i == 0));

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void The_best_are_the_first_of_all_sorted(bool byShape) =>
        Drawn.Sample(
            (world, offset, count, nothingMatters) =>
            {
                var (catalogue, ask) = world;
                if (nothingMatters)
                    ask = ask with { Weights = Made.NoWeights };
                var expected = byShape
                    ? PlainRanking.SortedShapes(catalogue, ask)
                    : PlainRanking.Sorted(catalogue, ask);
                var best = Best.Of(Problem.Compile(catalogue.SnapshotOf(ask.Term)!, ask), count, offset, byShape);
                Assert.True(best.IsExact);
                Assert.Equal(
                    expected
                        .Skip(offset)
                        .Take(count)
                        .Select((one, i) => $"{offset + i + 1}: {one.Score} {one.Timetable.Key}"),
                    best.Timetables.Select(one => $"{one.Rank}: {one.Score} {Keys.Of(one.Timetable)}")
                );
                // The measures come from the tables of ranking; those taken of the timetable itself are the same.
                var measures = new TimetableMeasurer(catalogue.SnapshotOf(ask.Term)!, ask);
                Assert.All(best.Timetables, one => Assert.Equal(measures.Of(one.Timetable), one.Measures));
            },
            iter: Draws.Of(Cases)
        );

    /// <summary>
    /// Bundles of the same hours that differ in credits and in free seats: the best of a week shape may not be the one
    /// that its seats promised, and must not stand among the best for that.
    /// </summary>
    [Fact]
    public void So_many_of_the_best_week_shapes_are_the_first_of_more()
    {
        var term = new Term(new("T"), "Term", new(2027, 1, 11), new(2027, 5, 7), [], []);
        Section Offered(string number, decimal credits, int seats, Weekday? day = null) =>
            new()
            {
                Number = new(number),
                Label = "",
                Term = term.Id,
                Component = "lecture",
                Credits = Credits.Of(credits),
                Seats = new(seats, 0, 0, 0),
                Patterns = day is { } its
                    ? [new(WeekdaySet.Of(its), new(new(600), new(660)), "", null, term.Start, term.End, 1)]
                    : [],
            };
        Course Of(string id, params Section[] sections) =>
            new()
            {
                Id = new(id),
                Subject = "C",
                Number = id,
                Title = "",
                Credits = CreditRange.Of(Credits.Of(4)),
                Sections = sections,
            };
        var snapshot = new CatalogueSnapshot(
            term,
            [],
            new([]),
            [
                Of("C0", Offered("003", 1.5m, 2), Offered("004", 2.5m, 0)),
                Of("C1", Offered("100", 2.5m, 5), Offered("101", 1.5m, 0), Offered("102", 2.5m, 0, Weekday.Friday)),
                Of("C2", Offered("201", 4, 2, Weekday.Monday), Offered("205", 4, 2, Weekday.Friday)),
            ]
        );
        var ask = new Ask
        {
            Term = term.Id,
            Seats = SeatsAdmitted.Any,
            Credits = new(Credits.Of(3), Credits.Of(7.5m)),
            Weights = Made
                .NoWeights.With("seats", 100)
                .With("wanted", 20)
                .With("earlierFinish", 60)
                .With("laterStart", 20),
            Wanted =
            [
                .. snapshot.Courses.Select(course => new WantedCourse
                {
                    Course = course.Course.Id,
                    Role = CourseRole.IfItFits,
                }),
            ],
        };
        var problem = Problem.Compile(snapshot, ask);
        string[] all = [.. Best.Of(problem, 500, byShape: true).Timetables.Select(one => Keys.Of(one.Timetable))];
        Assert.True(all.Length > 8);
        for (var count = 1; count < all.Length; count++)
            Assert.Equal(
                all.Take(count),
                Best.Of(problem, count, byShape: true).Timetables.Select(one => Keys.Of(one.Timetable))
            );
    }
}
