using CsCheck;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Registration;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Tests.Plain;

namespace HourGrid.Core.Tests;

/// <summary>Timetables in the order of fewest changes, against a plain list of all, sorted.</summary>
public sealed class FewestChangesAgainstBruteForceTests
{
    [Fact]
    public void They_stand_in_the_order_of_changes_then_of_the_score() =>
        Gen.Select(DrawnWorld.All, Gen.Int[0, 1_000_000], Gen.Int[0, 7])
            .Sample(
                (world, pick, dropped) =>
                {
                    var (catalogue, ask) = world;
                    var all = PlainRanking.Sorted(catalogue, ask);
                    if (all.Count == 0)
                        return;
                    // What is held is some timetable, perhaps without one of its courses.
                    var held = all[pick % all.Count]
                        .Timetable.Taken.Where((_, at) => at != dropped)
                        .SelectMany(taken => taken.Bundle)
                        .Select(section => section.Number)
                        .ToHashSet();
                    var found = FewestChanges.Of(catalogue.SnapshotOf(ask.Term)!, ask, held, 20);
                    Assert.True(found.IsExact);
                    var expected = all.Index()
                        .Select(one =>
                            (
                                Changes: ask.Wanted.Count(wanted =>
                                    !Of(one.Item.Timetable, wanted.Course)
                                        .SetEquals(HeldOf(catalogue, ask.Term, held, wanted.Course))
                                ),
                                one.Index,
                                one.Item.Timetable.Key
                            )
                        )
                        .OrderBy(one => one.Changes)
                        .ThenBy(one => one.Index)
                        .Take(20);
                    Assert.Equal(
                        expected.Select(one => $"{one.Changes}: {one.Key}"),
                        found.Timetables.Select(one => $"{one.Changes}: {Keys.Of(one.Timetable.Timetable)}")
                    );
                },
                iter: Draws.Of(1000)
            );

    private static HashSet<RegistrationNumber> Of(PlainTimetable timetable, CourseId course) =>
        [
            .. timetable
                .Taken.Where(taken => taken.Course == course)
                .SelectMany(taken => taken.Bundle)
                .Select(section => section.Number),
        ];

    private static IEnumerable<RegistrationNumber> HeldOf(
        UniversityCatalogue catalogue,
        TermId term,
        HashSet<RegistrationNumber> held,
        CourseId course
    ) =>
        HeldCourse
            .Among(catalogue.SnapshotOf(term)!, held)
            .Where(one => one.Course == course)
            .SelectMany(one => one.Sections);
}
