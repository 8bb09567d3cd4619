using CsCheck;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
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
                var measures = new TimetableMeasurer(catalogue.SnapshotOf(ask.Term)!, ask);
                foreach (var one in best.Timetables)
                {
                    var plain = PlainMeasures.Of(catalogue, ask, Keys.Plain(one.Timetable));
                    Assert.Equal(plain, Figures(measures.Of(one.Timetable)));
                    Assert.Equal(plain, Figures(one.Measures));
                }
            },
            iter: Draws.Of(2000)
        );

    /// <summary>By its name, as the plain ones.</summary>
    private static Dictionary<string, long?> Figures(WeekMeasures measures) =>
        MeasureList.All.ToDictionary(measure => measure.Name, measure => (long?)measures[measure]);
}
