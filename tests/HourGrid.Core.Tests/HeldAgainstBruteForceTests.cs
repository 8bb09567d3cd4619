using CsCheck;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Tests.Plain;

namespace HourGrid.Core.Tests;

/// <summary>What a timetable put by goes against, and how it survives: each against plain lists of all timetables.</summary>
public sealed class HeldAgainstBruteForceTests
{
    /// <summary>A timetable that some of the rules may go against: one of the ask with all of it lifted.</summary>
    private static readonly Gen<(UniversityCatalogue Catalogue, Ask Ask, PlainTimetable? Held)> Held = Gen.Select(
        DrawnWorld.All,
        Gen.Int[0, 1_000_000],
        (world, pick) =>
        {
            var (catalogue, ask) = world;
            var free = BruteForce.Timetables(catalogue, PlainChanges.Loosened(ask, PlainChanges.Paths(ask)));
            return (catalogue, ask, free.Count == 0 ? null : free[pick % free.Count]);
        }
    );

    [Fact]
    public void It_breaks_just_the_rules_that_alone_would_not_let_it_be() =>
        Held.Sample(
            (catalogue, ask, held) =>
            {
                if (held is null)
                    return;
                var found = Of(catalogue, ask, held);
                Assert.True(found.IsExact);
                Assert.True(found.IsTimetable);
                var all = PlainChanges.Paths(ask);
                bool Allows(params string[] rules) =>
                    Has(catalogue, PlainChanges.Loosened(ask, [.. all.Except(rules)]), held);
                string[] keptBlocks =
                [
                    .. all.Where(path => path.StartsWith("timeBlocks", StringComparison.Ordinal) && Allows(path)),
                ];
                var expected = all.Where(path =>
                    path.StartsWith("breaks", StringComparison.Ordinal) ? !Allows([path, .. keptBlocks])
                    : IsRule(path) ? !Allows(path)
                    : Lacks(ask, path, held)
                );
                Assert.Equal(expected, found.Broken.Select(rule => rule.Path));
                Assert.Equal(Has(catalogue, ask, held), found.Holds);
            },
            iter: Draws.Of(300)
        );

    [Fact]
    public void It_is_a_timetable_of_the_ask_with_what_stands_against_it_lifted() =>
        Held.Sample(
            (catalogue, ask, held) =>
            {
                if (held is not null)
                    Assert.True(Has(catalogue, Of(catalogue, ask, held).Fitting, held));
            },
            iter: Draws.Of(300)
        );

    [Fact]
    public void What_the_ask_does_not_want_is_told_and_taken_along() =>
        Held.Sample(
            (catalogue, ask, held) =>
            {
                if (held is not { Taken: [var first, ..] })
                    return;
                var unwanted = ask with
                {
                    EitherOr = [],
                    Wanted = [.. ask.Wanted.Where(wanted => wanted.Course != first.Course)],
                };
                var found = Of(catalogue, unwanted, held);
                Assert.Contains(first.Course, found.NotAsked);
                Assert.False(found.Holds);
                Assert.True(Has(catalogue, found.Fitting, held));
            },
            iter: Draws.Of(100)
        );

    /// <summary>Another section in the place of one: what does not go together any more is that course, and no other.</summary>
    [Fact]
    public void The_courses_whose_sections_do_not_go_together_are_named() =>
        Held.Select(Gen.Int[0, 1_000_000])
            .Sample(
                (drawn, pick) =>
                {
                    var (catalogue, ask, held) = drawn;
                    if (held is null)
                        return;
                    var changed = held.Taken[pick % held.Taken.Count];
                    var offered = SectionsOf(catalogue, ask, changed.Course);
                    var numbers = Numbers(held);
                    numbers.Remove(changed.Bundle[pick % changed.Bundle.Count].Number);
                    numbers.Add(offered[pick % offered.Count].Number);
                    var bare = new Ask
                    {
                        Term = ask.Term,
                        Wanted = [],
                        Seats = SeatsAdmitted.Any,
                        Campus = new() { RespectTravel = false },
                    };
                    var term = catalogue.Terms.Single(one => one.Id == ask.Term);
                    var expected = held
                        .Taken.Select(taken => taken.Course)
                        .Where(course =>
                        {
                            var own = SectionsOf(catalogue, ask, course).Where(one => numbers.Contains(one.Number));
                            var bundles = BruteForce.Bundles(catalogue, term, bare, new() { Course = course });
                            return bundles.All(bundle => Keys.Of(bundle) != Keys.Of(own));
                        });
                    var found = BrokenRules.Of(catalogue.SnapshotOf(ask.Term)!, ask, numbers);
                    Assert.Equal(expected, found.NotWhole);
                },
                iter: Draws.Of(500)
            );

    [Fact]
    public void What_is_gone_is_named() =>
        Held.Sample(
            (catalogue, ask, held) =>
            {
                if (held is null)
                    return;
                var gone = held.Sections.First();
                var less = catalogue with
                {
                    Courses =
                    [
                        .. catalogue.Courses.Select(course =>
                            course with
                            {
                                Sections = [.. course.Sections.Where(section => section.Number != gone.Number)],
                            }
                        ),
                    ],
                };
                var free = ask with { Wanted = [.. ask.Wanted.Select(one => one with { Keep = [], RuleOut = [] })] };
                var found = Of(less, free, held);
                Assert.Equal([gone.Number], found.Gone);
                Assert.False(found.IsTimetable);
            },
            iter: Draws.Of(100)
        );

    [Fact]
    public void A_full_section_is_replaced_by_the_nearest_that_has_seats() =>
        Held.Sample(
            (catalogue, ask, held) =>
            {
                if (held is null)
                    return;
                var numbers = Numbers(held);
                var fitting = Of(catalogue, ask, held).Fitting;
                var found = Survival.Of(catalogue.SnapshotOf(ask.Term)!, fitting, numbers);
                Assert.Equal(numbers.Order(), found.Select(one => one.Section.Number).Order());
                foreach (var one in found)
                    Assert.Equal(Plain(catalogue, fitting, held, one.Section.Section), Say(one));
            },
            iter: Draws.Of(200)
        );

    [Fact]
    public void The_most_urgent_section_comes_first() =>
        Held.Sample(
            (catalogue, ask, held) =>
            {
                if (held is null)
                    return;
                var fitting = Of(catalogue, ask, held).Fitting;
                var found = Survival.Of(catalogue.SnapshotOf(ask.Term)!, fitting, Numbers(held));
                foreach (var (one, next) in found.Zip(found.Skip(1)))
                {
                    Assert.False(one.IsRegistered && !next.IsRegistered);
                    if (one.IsRegistered == next.IsRegistered)
                        Assert.True(one.IsAtRisk || !next.IsAtRisk);
                    if (one.IsRegistered == next.IsRegistered && one.IsAtRisk == next.IsAtRisk)
                        Assert.True(
                            one.Rescue < next.Rescue
                                || (one.Rescue == next.Rescue && one.Section.FreeSeats <= next.Section.FreeSeats)
                        );
                }
            },
            iter: Draws.Of(100)
        );

    private static BrokenAnswer Of(UniversityCatalogue catalogue, Ask ask, PlainTimetable held) =>
        BrokenRules.Of(catalogue.SnapshotOf(ask.Term)!, ask, Numbers(held));

    private static HashSet<RegistrationNumber> Numbers(PlainTimetable held) =>
        [.. held.Sections.Select(section => section.Number)];

    private static bool Has(UniversityCatalogue catalogue, Ask ask, PlainTimetable held) =>
        BruteForce.Timetables(catalogue, ask).Any(one => one.Key == held.Key);

    private static List<Section> SectionsOf(UniversityCatalogue catalogue, Ask ask, CourseId course) =>
        [.. catalogue.Courses.Single(one => one.Id == course).Sections.Where(section => section.Term == ask.Term)];

    private static bool IsRule(string path) =>
        !path.StartsWith("eitherOr", StringComparison.Ordinal)
        && !(path.StartsWith("wanted[", StringComparison.Ordinal) && path.EndsWith(']'));

    private static bool Lacks(Ask ask, string path, PlainTimetable held)
    {
        var index = int.Parse(path[(path.IndexOf('[', StringComparison.Ordinal) + 1)..^1]);
        if (path.StartsWith("eitherOr", StringComparison.Ordinal))
        {
            var choice = ask.EitherOr[index];
            var taken = held.Taken.Count(one => choice.Courses.Contains(one.Course));
            return taken < choice.Min || taken > choice.Max;
        }
        var wanted = ask.Wanted[index];
        return wanted.Role == CourseRole.Must
            && !ask.EitherOr.Any(choice => choice.Courses.Contains(wanted.Course))
            && held.Taken.All(one => one.Course != wanted.Course);
    }

    /// <summary>From all timetables without what fills or has no seat: the fewest courses changed, then the best.</summary>
    private static string Plain(UniversityCatalogue catalogue, Ask ask, PlainTimetable held, Section filled)
    {
        bool FillsToo(Section section) =>
            section.Number == filled.Number
            || (
                filled.SeatsShared is not null
                && section.SeatsShared == filled.SeatsShared
                && !ask.Registered.Contains(section.Number)
            );
        var filling = catalogue
            .Courses.SelectMany(course => course.Sections)
            .Where(FillsToo)
            .Select(section => section.Number)
            .ToHashSet();
        var released = ask with
        {
            Wanted =
            [
                .. ask.Wanted.Select(wanted =>
                    wanted with
                    {
                        Keep = [.. wanted.Keep.Where(number => !filling.Contains(number))],
                    }
                ),
            ],
        };
        var left = PlainRanking
            .Sorted(catalogue, released)
            .Select(one => one.Timetable)
            .Where(one =>
                one.Sections.All(section =>
                    !filling.Contains(section.Number)
                    && (
                        held.Sections.Contains(section)
                        || ask.Registered.Contains(section.Number)
                        || PlainRanking.FreeSeats(catalogue, section) > 0
                    )
                )
            )
            .ToList();
        if (left.Count == 0)
            return "None";
        var nearest = left.MinBy(one => Changed(ask, held, one).Count)!;
        var changed = Changed(ask, held, nearest);
        var own = held.Taken.Single(taken => taken.Bundle.Contains(filled)).Course;
        var rescue = changed is [var only] && only == own ? "StraightSwap" : "OtherTimetable";
        return $"{rescue} {nearest.Key}";
    }

    private static List<CourseId> Changed(Ask ask, PlainTimetable one, PlainTimetable other) =>
        [.. ask.Wanted.Select(wanted => wanted.Course).Where(course => Of(one, course) != Of(other, course))];

    private static string Of(PlainTimetable timetable, CourseId course) =>
        Keys.Of(timetable.Taken.Where(taken => taken.Course == course).SelectMany(taken => taken.Bundle));

    private static string Say(SectionSurvival one) =>
        one.Instead is null ? "None" : $"{one.Rescue} {Keys.Of(one.Instead)}";
}
