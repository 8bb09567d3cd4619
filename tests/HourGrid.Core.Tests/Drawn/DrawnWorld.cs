using CsCheck;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Measures;

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

    public static readonly Gen<SeatFigures> Seats = Gen.Select(
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
        Gen.Select(Campus, Gen.OneOf(Instructors), Seats, Gen.OneOf<decimal?>(null, null, null, null, 1m, 2.5m)),
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
                Credits = place.Item4 is { } credits ? Credits.Of(credits) : null,
                Status = status,
                SeatsShared = pool,
                // Meetings of one section may overlap. Two at the very same time on two campuses have no order, and so
                // no number of campus moves: the definition leaves that open.
                Patterns = [.. patterns.DistinctBy(pattern => pattern.Time.Start)],
            }
    );

    // Links are drawn as pairs of places in the list; those within one component are left out, as the format does.
    private static Gen<Course> CourseOf(int index) =>
        Gen.Select(
            Section.List[3, 10],
            Gen.Select(Gen.Int[0, 9], Gen.Int[0, 9]).List[0, 3],
            Gen.OneOf(1.5m, 2m, 3m, 4m),
            (sections, links, credits) =>
                new Course
                {
                    Id = new($"C{index}"),
                    Subject = "C",
                    Number = $"{index}",
                    Title = "",
                    Credits = new(Credits.Of(credits), Credits.Of(credits + 1)),
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

    private static readonly Gen<Strength> AnyStrength = Gen.OneOf(Strength.Cannot, Strength.RatherNot);

    private static readonly Gen<TimeBlock> Block = Gen.Select(
        Days,
        Hours,
        AnyStrength,
        Gen.OneOf<WeekSet>(WeekSet.All, WeekSet.All, WeekSet.Of(1, 2, 3), WeekSet.Of(2)),
        (days, time, strength, weeks) => new TimeBlock(days, time, strength, weeks, "")
    );

    private static readonly Gen<Break> Break = Gen.Select(
        Days,
        Gen.OneOf(9 * 60, 11 * 60, 12 * 60 + 30),
        Gen.OneOf(60, 120, 180),
        Gen.OneOf(20, 40, 60),
        AnyStrength,
        (days, from, length, minutes, strength) =>
            new Break(days, new(new(from), new(from + length)), minutes, strength)
    );

    private static readonly Gen<DayLimits> Limits = Gen.Select(
        Gen.OneOf<int?>(null, null, null, null, 525),
        Gen.OneOf<int?>(null, null, null, null, 1020),
        Gen.OneOf<WeekdaySet>(default, default, WeekdaySet.Of(Weekday.Saturday)),
        Gen.OneOf(0, 0, 0, 15),
        Gen.Select(
            Gen.OneOf<int?>(null, null, null, null, null, null, 0, 1, 2, 3),
            Gen.OneOf<int?>(null, null, null, null, null, null, 60, 120, 200),
            Gen.OneOf<int?>(null, null, null, null, null, null, 75, 130, 240),
            Gen.OneOf<int?>(null, null, null, null, null, null, 800, 960, 1150)
        ),
        (earliest, latest, off, between, most) =>
            new DayLimits
            {
                EarliestStart = earliest is { } start ? new Minute(start) : null,
                LatestEnd = latest is { } end ? new Minute(end) : null,
                DaysOff = off,
                MinutesBetween = between,
                MaxDays = most.Item1,
                MaxMinutesPerDay = most.Item2,
                MaxStretchMinutes = most.Item3,
                RestMinutes = most.Item4,
            }
    );

    private static readonly Gen<int> Weight = Gen.OneOf(0, 0, 20, 60, 100);

    private static readonly Gen<Weights> AllWeights = Each([.. MeasureList.Weighed.Select(_ => Weight)])
        .Select(drawn =>
            MeasureList
                .Weighed.Zip(drawn)
                .Aggregate(new Weights(), (weights, one) => weights.With(one.First.Weight!, one.Second))
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
            Gen.OneOf(
                CourseRole.Must,
                CourseRole.Must,
                CourseRole.Must,
                CourseRole.Must,
                CourseRole.IfItFits,
                CourseRole.IfItFits,
                CourseRole.SetAside
            ),
            Sometimes([.. course.Sections.Select(section => section.Number)]),
            Sometimes([.. course.Sections.Select(section => section.Number)]),
            Sometimes(Instructors),
            Sometimes(DeliveryMode.InPerson, DeliveryMode.Hybrid),
            Gen.Select(
                Sometimes(CampusIds),
                Gen.Frequency(
                    (24, Gen.Const((SeatsAdmitted?)null)),
                    (1, Gen.OneOf<SeatsAdmitted?>(SeatsAdmitted.Open, SeatsAdmitted.Waitlist, SeatsAdmitted.Any))
                )
            ),
            (role, keep, ruleOut, instructors, modes, limits) =>
                new WantedCourse
                {
                    Course = course.Id,
                    Role = role,
                    Keep = keep,
                    RuleOut = ruleOut,
                    Instructors = instructors,
                    Modes = modes,
                    Campuses = limits.Item1,
                    Seats = limits.Item2,
                }
        );

    private static Gen<IReadOnlyList<EitherOr>> EitherOrOf(Course[] courses) =>
        courses.Length < 2
            ? Gen.Const<IReadOnlyList<EitherOr>>([])
            : Gen.Select(
                Gen.Int[0, 4],
                Gen.Int[2, courses.Length],
                Gen.Int[0, 2],
                Gen.Int[0, 2],
                (often, count, min, more) =>
                    (IReadOnlyList<EitherOr>)(
                        often > 0
                            ? []
                            : [new EitherOr([.. courses.Take(count).Select(course => course.Id)], min, min + more)]
                    )
            );

    private static readonly Gen<CreditBounds> Bounds = Gen.OneOf<CreditBounds>(
        default,
        default,
        default,
        default,
        default,
        default,
        new CreditBounds(Credits.Of(4), null),
        new CreditBounds(null, Credits.Of(6)),
        new CreditBounds(Credits.Of(3), Credits.Of(7.5m))
    );

    private static Gen<Ask> AskOf(Course[] courses) =>
        Gen.Select(
            Each([.. courses.Select(WantedOf)]),
            Gen.Select(Block.List[0, 1], Break.List[0, 1]),
            Limits,
            Gen.Select(Sometimes(CampusIds), Gen.Bool, Gen.OneOf(false, false, false, false, true), Gen.Bool),
            Gen.OneOf(
                SeatsAdmitted.Any,
                SeatsAdmitted.Any,
                SeatsAdmitted.Any,
                SeatsAdmitted.Waitlist,
                SeatsAdmitted.Open
            ),
            Sometimes([.. courses.SelectMany(course => course.Sections).Select(section => section.Number)]),
            Gen.Select(EitherOrOf(courses), Bounds, AllWeights),
            (wanted, rules, limits, campus, seats, registered, rest) =>
                new Ask
                {
                    Term = Term.Id,
                    Wanted = wanted,
                    EitherOr = rest.Item1,
                    Credits = rest.Item2,
                    TimeBlocks = rules.Item1,
                    Breaks = rules.Item2,
                    DayLimits = limits,
                    Campus = new()
                    {
                        Allowed = campus.Item1,
                        RespectTravel = campus.Item2,
                        OnePerDay = campus.Item3,
                        Preferred = campus.Item4 ? CampusIds[0] : null,
                    },
                    Seats = seats,
                    Registered = registered,
                    Weights = rest.Item3,
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
