using CsCheck;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Tests.Drawn;

namespace HourGrid.Core.Tests;

/// <summary>Seats that change in a catalogue that is there, against a catalogue made anew with them.</summary>
public sealed class NewerSeatsTests
{
    private static readonly Gen<(bool IsNewer, SeatFigures Seats)[]> Changes = Gen.Select(
        Gen.Bool,
        DrawnWorld.Seats,
        (isNewer, seats) => (isNewer, seats)
    ).Array[40];

    [Fact]
    public void A_snapshot_with_newer_seats_is_that_of_a_catalogue_which_has_them() =>
        Gen.Select(DrawnWorld.All, Changes)
            .Sample(
                (world, changes) =>
                {
                    var (catalogue, ask) = world;
                    var before = catalogue.SnapshotOf(ask.Term)!;
                    var seats = Newer(before, changes);
                    var with = before.With(seats);
                    var anew = With(catalogue, ask.Term, seats).SnapshotOf(ask.Term)!;
                    Assert.Equal(Said(anew), Said(with));
                    // What was there is not touched.
                    Assert.Equal(Said(catalogue.SnapshotOf(ask.Term)!), Said(before));
                    foreach (var section in with.Courses.SelectMany(course => course.Sections))
                        Assert.Contains(with.Find(section.Number), with.CourseOf(section.Number)!.Sections);
                },
                iter: Draws.Of(1500)
            );

    [Fact]
    public void Asks_have_the_same_counts_while_no_section_changes_between_free_and_full()
    {
        var (same, others) = (0, 0);
        Gen.Select(DrawnWorld.All, Changes)
            .Sample(
                (world, changes) =>
                {
                    var (catalogue, ask) = world;
                    var before = catalogue.SnapshotOf(ask.Term)!;
                    var after = before.With(Newer(before, changes));
                    if (
                        AnswerBasis.OfCounts(before, ask).SectionFacts
                        == AnswerBasis.OfCounts(after, ask).SectionFacts
                    )
                    {
                        Interlocked.Increment(ref same);
                        Assert.Equal(CountOf(before), CountOf(after));
                    }
                    else
                        Interlocked.Increment(ref others);

                    string CountOf(CatalogueSnapshot snapshot)
                    {
                        return $"{Counts.Of(Problem.Compile(snapshot, ask))}";
                    }
                },
                iter: Draws.Of(1500)
            );
        Assert.True(same > 100 && others > 100, $"Of those drawn {same} had the same basis, and {others} another.");
    }

    private static Dictionary<RegistrationNumber, SeatFigures> Newer(
        CatalogueSnapshot snapshot,
        (bool IsNewer, SeatFigures Seats)[] changes
    ) =>
        snapshot
            .Courses.SelectMany(course => course.Sections)
            .Zip(changes)
            .Where(pair => pair.Second.IsNewer)
            .ToDictionary(pair => pair.First.Number, pair => pair.Second.Seats);

    private static UniversityCatalogue With(
        UniversityCatalogue catalogue,
        TermId term,
        Dictionary<RegistrationNumber, SeatFigures> seats
    ) =>
        catalogue with
        {
            Courses =
            [
                .. catalogue.Courses.Select(course =>
                    course with
                    {
                        Sections =
                        [
                            .. course.Sections.Select(section =>
                                section.Term == term && seats.TryGetValue(section.Number, out var figures)
                                    ? section with
                                    {
                                        Seats = figures,
                                    }
                                    : section
                            ),
                        ],
                    }
                ),
            ],
        };

    private static string[] Said(CatalogueSnapshot snapshot) =>
        [
            .. snapshot.Courses.SelectMany(course =>
                course
                    .Sections.Select(section =>
                        $"{course.Course.Id} {section.Number} {section.Section.Seats} {section.FreeSeats} {section.FreeWaitlistPlaces} {section.Meetings.Count}"
                    )
                    .Concat(
                        course.Course.Sections.Select(section => $"{section.Term} {section.Number} {section.Seats}")
                    )
            ),
        ];
}
