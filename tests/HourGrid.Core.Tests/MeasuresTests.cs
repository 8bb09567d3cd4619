using CsCheck;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Measures;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Tests.Plain;

namespace HourGrid.Core.Tests;

public sealed class MeasuresTests
{
    private static readonly WeekdaySet Daily = WeekdaySet.Of(Weekdays.All);

    private static readonly Break[] SoftBreaks =
    [
        new(Daily, new(new(11 * 60), new(14 * 60)), 40, Strength.RatherNot),
        new(WeekdaySet.Of(Weekday.Monday), new(new(9 * 60), new(10 * 60)), 60, Strength.RatherNot),
    ];

    [Fact]
    public void They_are_those_of_the_definition() =>
        DrawnWorld.All.Sample(
            (catalogue, drawn) =>
            {
                var ask = drawn with
                {
                    Breaks = SoftBreaks,
                    Campus = drawn.Campus with { Preferred = catalogue.Campuses[0].Id },
                };
                var best = Best.Of(Problem.Compile(catalogue.SnapshotOf(ask.Term)!, ask), 20, byShape: true);
                var measures = new TimetableMeasurer(ask);
                foreach (var one in best.Timetables)
                {
                    var plain = PlainMeasures.Of(catalogue, ask, Keys.Plain(one.Timetable));
                    Assert.Equal(plain, Say(measures.Of(one.Timetable)));
                }
            },
            iter: Draws.Of(2000)
        );

    [Fact]
    public void Taken_courses_and_seats_to_spare_are_counted()
    {
        var all = DrawnWorld.All.Where(pair =>
            Counts.Of(Problem.Compile(pair.Catalogue.SnapshotOf(pair.Ask.Term)!, pair.Ask)).Total.Timetables > 0
        );
        all.Sample(
            (catalogue, ask) =>
            {
                var problem = Problem.Compile(catalogue.SnapshotOf(ask.Term)!, ask);
                var timetable = Best.Of(problem, 1).Timetables[0].Timetable;
                var measured = new TimetableMeasurer(ask).Of(timetable);
                Assert.Equal(timetable.Bundles.Count, measured.WantedTaken);
                Assert.Equal(timetable.Sections.Min(section => section.FreeSeats), measured.SeatsToSpare);
            },
            iter: Draws.Of(200)
        );
    }

    private static string Say(WeekMeasures measures) =>
        measures.EarliestStart is not { } start || measures.LatestEnd is not { } end
            ? "no hours"
            : string.Join(
                " ",
                measures.ClassDays,
                measures.IdleMinutes,
                start.Value,
                end.Value,
                measures.LongestDay,
                measures.LongestStretch,
                measures.CampusMovesTenths,
                measures.SoftMinutes,
                measures.BreaksMissed,
                measures.AwayMinutes
            );
}
