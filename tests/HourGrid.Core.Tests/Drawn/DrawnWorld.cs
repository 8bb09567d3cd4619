using CsCheck;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Tests.Drawn;

/// <summary>Small catalogues and asks drawn at random, dense with everything that can go wrong together.</summary>
internal static class DrawnWorld
{
    private static readonly CampusId[] CampusIds = [new("A"), new("B"), new("C")];
    private static readonly string[] Instructors = ["Vey", "Tarn", "Loam"];
    private static readonly DateOnly Start = new(2027, 1, 13);
    private static readonly DateOnly End = new(2027, 2, 26);

    private static readonly Term Term = new(new("T"), "Term", Start, End, [], []);

    private static readonly Gen<CampusId?> Campus = Gen.Frequency(
        (4, Gen.OneOf(CampusIds).Select(campus => (CampusId?)campus)),
        (1, Gen.Const((CampusId?)null))
    );

    private static readonly Gen<MinuteInterval> Hours = Gen.Select(
        Gen.Int[0, 40],
        Gen.OneOf(50, 60, 75, 110),
        (step, length) => new MinuteInterval(new(8 * 60 + step * 15), new(8 * 60 + step * 15 + length))
    );

    private static readonly Gen<WeekdaySet> Days = Gen.OneOf<WeekdaySet>(
        WeekdaySet.Of(Weekday.Monday),
        WeekdaySet.Of(Weekday.Tuesday),
        WeekdaySet.Of(Weekday.Wednesday),
        WeekdaySet.Of(Weekday.Friday),
        WeekdaySet.Of(Weekday.Monday, Weekday.Wednesday),
        WeekdaySet.Of(Weekday.Monday, Weekday.Saturday)
    );

    private static readonly Gen<(DateOnly From, DateOnly To)> Dates = Gen.OneOf(
        (Start, End),
        (Start, End),
        (Start, new DateOnly(2027, 2, 2)),
        (new DateOnly(2027, 2, 3), End),
        (new DateOnly(2027, 1, 20), new DateOnly(2027, 1, 20))
    );

    private static readonly Gen<MeetingPattern> Pattern = Gen.Select(
        Days,
        Hours,
        Campus,
        Dates,
        Gen.OneOf(1, 1, 2),
        (days, time, campus, dates, stride) =>
            new MeetingPattern(days, time, "", campus, dates.From, dates.To, stride)
    );

    private static readonly Gen<SeatFigures> Seats = Gen.Select(
        Gen.Int[8, 12],
        Gen.Int[5, 11],
        Gen.Int[0, 2],
        Gen.Int[0, 2],
        (capacity, enrolled, places, waiting) => new SeatFigures(capacity, enrolled, places, waiting)
    );

    private static readonly Gen<Section> Section = Gen.Select(
        Gen.OneOf("lecture", "lecture", "lecture", "lecture", "lab", "lab", "recitation"),
        Gen.OneOf("", "", "", "", "studio"),
        Gen.OneOf(DeliveryMode.InPerson, DeliveryMode.InPerson, DeliveryMode.InPerson, DeliveryMode.Hybrid),
        Gen.Select(Campus, Gen.OneOf(Instructors), Seats),
        Gen.OneOf(
            SectionStatus.Open,
            SectionStatus.Open,
            SectionStatus.Open,
            SectionStatus.Open,
            SectionStatus.Open,
            SectionStatus.Open,
            SectionStatus.Closed,
            SectionStatus.Cancelled
        ),
        Gen.OneOf<string?>(null, null, null, "pool"),
        Pattern.List[0, 2],
        (component, arrangement, mode, place, status, pool, patterns) =>
            new Section
            {
                Number = new("?"),
                Label = "",
                Term = Term.Id,
                Component = component,
                Arrangement = arrangement,
                Mode = mode,
                Campus = place.Item1,
                Instructors = [place.Item2],
                Seats = place.Item3,
                Status = status,
                SeatsShared = pool,
                Patterns = patterns,
            }
    );

    // Links are drawn as pairs of places in the list; those within one component are left out, as the format does.
    private static Gen<Course> CourseOf(int index) =>
        Gen.Select(
            Section.List[3, 10],
            Gen.Select(Gen.Int[0, 9], Gen.Int[0, 9]).List[0, 3],
            (sections, links) =>
                new Course
                {
                    Id = new($"C{index}"),
                    Subject = "C",
                    Number = $"{index}",
                    Title = "",
                    Credits = CreditRange.Of(Credits.Of(3)),
                    Sections =
                    [
                        .. sections.Select(
                            (section, i) =>
                                section with
                                {
                                    Number = Number(index, i),
                                    LinkedTo =
                                    [
                                        .. links
                                            .Where(link => link.Item1 == i && link.Item2 < sections.Count)
                                            .Where(link => sections[link.Item2].Component != section.Component)
                                            .Select(link => Number(index, link.Item2)),
                                    ],
                                }
                        ),
                    ],
                }
        );

    private static readonly Gen<TimeBlock> Block = Gen.Select(
        Days,
        Hours,
        Gen.OneOf(Strength.Cannot, Strength.RatherNot),
        Gen.OneOf<WeekSet>(WeekSet.All, WeekSet.All, WeekSet.Of(1, 2, 3), WeekSet.Of(2)),
        (days, time, strength, weeks) => new TimeBlock(days, time, strength, weeks, "")
    );

    private static readonly Gen<DayLimits> Limits = Gen.Select(
        Gen.OneOf<int?>(null, null, 525),
        Gen.OneOf<int?>(null, null, 1020),
        Gen.OneOf<WeekdaySet>(default, default, WeekdaySet.Of(Weekday.Saturday)),
        Gen.OneOf(0, 0, 15),
        (earliest, latest, off, between) =>
            new DayLimits
            {
                EarliestStart = earliest is { } start ? new Minute(start) : null,
                LatestEnd = latest is { } end ? new Minute(end) : null,
                DaysOff = off,
                MinutesBetween = between,
            }
    );

    private static Gen<IReadOnlyList<T>> Sometimes<T>(params T[] one) =>
        Gen.Frequency(
            (24, Gen.Const<IReadOnlyList<T>>([])),
            (1, Gen.OneOf(one).Select(value => (IReadOnlyList<T>)[value]))
        );

    private static Gen<T[]> Each<T>(IReadOnlyList<Gen<T>> gens) =>
        gens.Aggregate(Gen.Const<T[]>([]), (all, next) => Gen.Select(all, next, (some, one) => (T[])[.. some, one]));

    private static Gen<WantedCourse> WantedOf(Course course) =>
        Gen.Select(
            Gen.OneOf(CourseRole.Must, CourseRole.Must, CourseRole.Must, CourseRole.SetAside),
            Sometimes([.. course.Sections.Select(section => section.Number)]),
            Sometimes([.. course.Sections.Select(section => section.Number)]),
            Sometimes(Instructors),
            Sometimes(DeliveryMode.InPerson, DeliveryMode.Hybrid),
            Sometimes(CampusIds),
            (role, keep, ruleOut, instructors, modes, campuses) =>
                new WantedCourse
                {
                    Course = course.Id,
                    Role = role,
                    Keep = keep,
                    RuleOut = ruleOut,
                    Instructors = instructors,
                    Modes = modes,
                    Campuses = campuses,
                }
        );

    private static Gen<Ask> AskOf(Course[] courses) =>
        Gen.Select(
            Each([.. courses.Select(WantedOf)]),
            Block.List[0, 1],
            Limits,
            Gen.Select(Sometimes(CampusIds), Gen.Bool),
            Gen.OneOf(SeatsRule.Any, SeatsRule.Any, SeatsRule.Any, SeatsRule.Waitlist, SeatsRule.Open),
            Sometimes([.. courses.SelectMany(course => course.Sections).Select(section => section.Number)]),
            (wanted, blocks, limits, campus, seats, registered) =>
                new Ask
                {
                    Term = Term.Id,
                    Wanted = wanted,
                    TimeBlocks = blocks,
                    DayLimits = limits,
                    Campus = new() { Allowed = campus.Item1, RespectTravel = campus.Item2 },
                    Seats = seats,
                    Registered = registered,
                }
        );

    public static Gen<(UniversityCatalogue Catalogue, Ask Ask)> All { get; } =
        from count in Gen.Int[1, 4]
        from courses in Each([.. Enumerable.Range(0, count).Select(CourseOf)])
        from minutes in Gen.Int[0, 30]
        from ask in AskOf(courses)
        select (
            new UniversityCatalogue(
                "Drawn",
                [.. CampusIds.Select(id => new Campus(id, id.Value))],
                [new(CampusIds[0], CampusIds[1], minutes), new(CampusIds[2], CampusIds[0], 20)],
                [Term],
                courses
            ),
            ask
        );

    private static RegistrationNumber Number(int course, int section) => new($"{course}{section:00}");
}
