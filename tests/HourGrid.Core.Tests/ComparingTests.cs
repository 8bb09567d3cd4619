using CsCheck;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Comparing;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Measures;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Timetables;

namespace HourGrid.Core.Tests;

/// <summary>Differences, and measures side by side.</summary>
public sealed class ComparingTests
{
    [Fact]
    public void Differences_are_the_sections_that_only_one_of_two_has() =>
        DrawnWorld.All.Sample(
            (catalogue, ask) =>
            {
                var best = Best.Of(Problem.Compile(catalogue.SnapshotOf(ask.Term)!, ask), 6).Timetables;
                foreach (var one in best)
                foreach (var other in best)
                {
                    var differences = Differences.Between(one.Timetable, other.Timetable);
                    Assert.Equal(
                        Numbers(one.Timetable).Except(Numbers(other.Timetable)).Order(),
                        differences
                            .SelectMany(difference => difference.First)
                            .Select(section => section.Number)
                            .Order()
                    );
                    Assert.Equal(
                        Numbers(other.Timetable).Except(Numbers(one.Timetable)).Order(),
                        differences
                            .SelectMany(difference => difference.Second)
                            .Select(section => section.Number)
                            .Order()
                    );
                    foreach (var difference in differences)
                        Assert.Equal(
                            Takes(one.Timetable, difference.Course) && Takes(other.Timetable, difference.Course),
                            difference.IsInBoth
                        );
                }
            },
            iter: Draws.Of(300)
        );

    [Fact]
    public void The_best_of_each_measure_is_marked_ties_and_equals_too()
    {
        var rows = MeasureRows.Of(
            [
                Figures(idle: 190, seats: 3, start: 570),
                Figures(idle: 100, seats: 5, start: 570),
                Figures(idle: 100, seats: 3, start: 600),
            ],
            Made.NoWeights.With("classDays", 10).With("idle", 20).With("laterStart", 90)
        );
        Assert.Equal(
            ["earliestStart", "idleMinutes", "classDays", "latestEnd"],
            rows.Take(4).Select(row => row.Measure.Name)
        );
        Assert.Equal([false, false, true], rows[0].Best);
        Assert.Equal([false, true, true], rows[1].Best);
        Assert.True(rows[2].IsEqual);
        Assert.Equal([false, false, false], rows[2].Best);
        Assert.Equal([false, true, false], rows.Single(row => row.Measure == SeatsToSpare.Measure).Best);
    }

    private static WeekMeasures Figures(int idle, int seats, int start) =>
        new(measure =>
            measure == IdleMinutes.Measure ? idle
            : measure == SeatsToSpare.Measure ? seats
            : measure == EarliestStart.Measure ? start
            : 4
        );

    private static IEnumerable<RegistrationNumber> Numbers(Timetable timetable) =>
        timetable.Sections.Select(section => section.Number);

    private static bool Takes(Timetable timetable, CourseId course) =>
        timetable.Bundles.Any(bundle => bundle.Course.Course.Id == course);
}
