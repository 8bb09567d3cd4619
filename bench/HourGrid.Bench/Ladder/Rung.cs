using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Bench.Ladder;

/// <summary>One made instance.</summary>
/// <param name="Name">What it is called in the table.</param>
/// <param name="Snapshot">Its catalogue.</param>
/// <param name="Ask">Its ask.</param>
internal sealed record Rung(string Name, CatalogueSnapshot Snapshot, Ask Ask)
{
    /// <summary>The whole catalogue of a university that has these courses and no more, with the names it needs.</summary>
    public UniversityCatalogue Catalogue =>
        new(
            "The ladder",
            Rungs.CampusesByName,
            CourseMaker.TravelBetween,
            [CourseMaker.Term],
            [.. Snapshot.Courses.Select(offered => offered.Course with { Title = $"Course {offered.Course.Number}" })]
        );
}

/// <summary>The made instances, from small to too large.</summary>
internal static class Rungs
{
    public static readonly IReadOnlyList<Campus> CampusesByName =
    [
        .. CourseMaker.Campuses.Select(id => new Campus(id, id.Value)),
    ];

    private static readonly TimeBlock Shift = new(
        WeekdaySet.Of(Weekday.Tuesday),
        new(new(8 * 60), new(10 * 60)),
        Strength.Cannot,
        WeekSet.All,
        "Shift"
    );

    private static readonly Break Lunch = new(
        WeekdaySet.Of(Weekday.Monday, Weekday.Tuesday, Weekday.Wednesday, Weekday.Thursday, Weekday.Friday),
        new(new(11 * 60 + 30), new(14 * 60)),
        40,
        Strength.Cannot
    );

    private static readonly TimeBlock Evening = new(
        WeekdaySet.Of(Weekday.Monday, Weekday.Thursday),
        new(new(17 * 60), new(20 * 60)),
        Strength.RatherNot,
        WeekSet.All,
        "Evenings"
    );

    public static IReadOnlyList<Rung> All { get; } =
    [
        S(),
        M("M"),
        L("L"),
        Lec(),
        Irr(),
        Xl(),
        NothingConflicts(),
        NoSolution(),
        Ruled(M("M, days"), days: true),
        Ruled(M("M, choices"), days: false),
        Ruled(L("L, days"), days: true),
        Ruled(L("L, choices"), days: false),
        Requirement(),
    ];

    public static Rung Get(string name) => All.Single(rung => rung.Name == name);

    private static Rung S() => Made("S", 5, 11, (make, i) => make.Of(i, 3, 6, 0, isLinked: i % 2 == 0));

    private static Rung M(string name) =>
        Made(name, 6, 39, (make, i) => make.Of(i, 5, 8 + i % 3, 0, isLinked: false));

    private static Rung L(string name) =>
        Made(name, 7, 36, (make, i) => make.Of(i, 5, 11, 2, isLinked: false), atHome: 85);

    private static Rung Lec() => Made("LEC", 8, 41, (make, i) => make.Lectures(i, 40));

    private static Rung Irr() => Made("IRR", 6, 51, (make, i) => make.Irregular(i, 60));

    private static Rung Xl() => Made("XL", 8, 61, (make, i) => make.Of(i, 10, 8, 4, isLinked: i % 4 == 3));

    /// <summary>Four musts, and one more requirement: one of sixty courses.</summary>
    private static Rung Requirement()
    {
        var rung = Made("one of 60", 64, 91, (make, i) => make.Of(i, 4, i < 4 ? 6 : 3, 0, isLinked: i % 3 == 0));
        return rung with
        {
            Ask = rung.Ask with
            {
                Wanted =
                [
                    .. rung.Ask.Wanted.Select((one, i) => i < 4 ? one : one with { Role = CourseRole.SetAside }),
                ],
                EitherOr =
                [
                    new([.. rung.Ask.Wanted.Skip(4).Select(one => one.Course)], 1, 1) { Label = "Requirement" },
                ],
            },
        };
    }

    private static Rung NothingConflicts() => Made("nothing conflicts", 12, 71, (make, i) => make.InWeek(i, 40));

    private static Rung NoSolution() =>
        Made("no solution", 7, 81, (make, i) => i < 2 ? make.AtOneTime(i, 40) : make.Of(i, 5, 6, 3, isLinked: false));

    private static Rung Made(
        string name,
        int courses,
        ulong seed,
        Func<CourseMaker, int, Course> course,
        int atHome = 60
    )
    {
        var make = new CourseMaker(new Dice(seed), atHome);
        var all = Enumerable.Range(0, courses).Select(i => course(make, i)).ToArray();
        return new(
            name,
            new(CourseMaker.Term, CampusesByName, CourseMaker.Travel, all),
            new()
            {
                Term = CourseMaker.Term.Id,
                Wanted = [.. all.Select(one => new WantedCourse { Course = one.Id })],
                Seats = SeatsAdmitted.Any,
            }
        );
    }

    /// <summary>The same with every rule that looks at days and hours, or with those that look at courses.</summary>
    private static Rung Ruled(Rung rung, bool days)
    {
        var wanted = rung.Ask.Wanted;
        return rung with
        {
            Ask = days
                ? rung.Ask with
                {
                    TimeBlocks = [Shift, Evening],
                    Breaks = [Lunch],
                    DayLimits = new()
                    {
                        MaxMinutesPerDay = 420,
                        MaxStretchMinutes = 360,
                        LatestEnd = new Minute(19 * 60),
                    },
                    Campus = new() { Preferred = CourseMaker.Campuses[0] },
                }
                : rung.Ask with
                {
                    Wanted = [.. wanted.Select((one, i) => i == 3 ? one with { Role = CourseRole.IfItFits } : one)],
                    EitherOr = [new([wanted[0].Course, wanted[1].Course, wanted[2].Course], 2, 2)],
                    Credits = new(Credits.Of(12), Credits.Of(20)),
                },
        };
    }
}
