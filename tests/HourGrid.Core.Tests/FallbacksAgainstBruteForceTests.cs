using CsCheck;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Tests.Plain;

namespace HourGrid.Core.Tests;

/// <summary>Fallbacks are the nearest and best of a plain list; a spread is picked from the best.</summary>
public sealed class FallbacksAgainstBruteForceTests
{
    [Fact]
    public void A_fallback_changes_the_fewest_courses_and_is_the_best_of_those() =>
        DrawnWorld.All.Sample(
            (catalogue, ask) =>
            {
                var all = PlainRanking.Sorted(catalogue, ask);
                if (all.Count == 0)
                    return;
                var timetable = all[all.Count / 2].Timetable;
                var found = Fallbacks.Of(
                    catalogue.SnapshotOf(ask.Term)!,
                    ask,
                    [.. timetable.Sections.Select(section => section.Number)]
                );
                var expected = timetable
                    .Sections.OrderBy(section => section.Number.Value, StringComparer.Ordinal)
                    .Select(filled =>
                    {
                        var others = all.Where(one => !one.Timetable.Sections.Contains(filled)).ToList();
                        if (others.Count == 0)
                            return $"{filled.Number}: none";
                        var nearest = others.MinBy(one => Changed(ask, timetable, one.Timetable).Count);
                        return $"{filled.Number}: {nearest.Score} {nearest.Timetable.Key} ({string.Join(", ", Changed(ask, timetable, nearest.Timetable))})";
                    });
                Assert.Equal(
                    expected,
                    found.Select(one =>
                        one.Instead is null
                            ? $"{one.Section}: none"
                            : $"{one.Section}: {one.Score} {Keys.Of(one.Instead)} ({string.Join(", ", one.Changed)})"
                    )
                );
            },
            iter: Draws.Of(1500)
        );

    /// <summary>The courses, in the order of the ask, of which two timetables hold other sections.</summary>
    private static List<CourseId> Changed(Ask ask, PlainTimetable one, PlainTimetable other) =>
        [.. ask.Wanted.Select(wanted => wanted.Course).Where(course => Of(one, course) != Of(other, course))];

    private static string Of(PlainTimetable timetable, CourseId course) =>
        Keys.Of(timetable.Taken.Where(taken => taken.Course == course).SelectMany(taken => taken.Bundle));

    [Fact]
    public void A_spread_begins_with_the_best_and_holds_different_week_shapes() =>
        DrawnWorld.All.Sample(
            (catalogue, ask) =>
            {
                var shapes = PlainRanking.SortedShapes(catalogue, ask);
                var spread = Spread.Of(Problem.Compile(catalogue.SnapshotOf(ask.Term)!, ask), 4).Timetables;
                Assert.Equal(Math.Min(4, shapes.Count), spread.Count);
                foreach (var one in spread)
                    Assert.Equal(shapes[one.Rank - 1].Timetable.Key, Keys.Of(one.Timetable));
                Assert.Distinct(spread.Select(one => one.Rank));
                if (spread.Count > 0)
                    Assert.Equal(1, spread[0].Rank);
            },
            iter: Draws.Of(500)
        );
}
