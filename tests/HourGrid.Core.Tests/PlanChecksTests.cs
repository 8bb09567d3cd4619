using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements;
using HourGrid.Core.Requirements.Ahead;

namespace HourGrid.Core.Tests;

/// <summary>Terms ahead: which they are, and what stands against a course that is put into one.</summary>
public sealed class PlanChecksTests
{
    private static readonly Term Autumn = Of("2026AU", "Autumn 2026", "autumn", new(2026, 8, 31));
    private static readonly Term Spring = Of("2027SP", "Spring 2027", "spring", new(2027, 1, 11));
    private static readonly string[] Seasons = ["autumn", "spring"];

    private static readonly Course[] Courses =
    [
        Made("A 1", offeredNow: true),
        Made("B 2", usually: ["spring"], needs: new Prerequisite.CourseTaken(new("A 1"), "C")),
        Made("C 3", usually: ["autumn"], beside: "A 1"),
        Made("D 4", usually: []),
        Made("E 5"),
    ];

    [Fact]
    public void Terms_ahead_follow_the_cycle_and_are_named_after_the_last_of_their_season()
    {
        var ahead = AheadTerm.From([Autumn, Spring], Seasons, Spring.Id, 5);
        Assert.Equal(["2027SP", "2027AU", "2028SP", "2028AU", "2029SP"], ahead.Select(term => term.Id.Value));
        Assert.Equal("Autumn 2027", ahead[1].Name);
        Assert.Equal([1, 2, 3, 4, 5], ahead.Select(term => term.Number));
        Assert.Equal(ahead.Select(term => term.Start).Order(), ahead.Select(term => term.Start));
        // From the older one on the next is one that the catalogue has.
        Assert.Equal(
            ["2026AU", "2027SP", "2027AU"],
            AheadTerm.From([Autumn, Spring], Seasons, Autumn.Id, 3).Select(term => term.Id.Value)
        );
    }

    [Fact]
    public void Without_a_cycle_there_are_only_the_terms_of_the_catalogue()
    {
        Assert.Equal(
            ["2026AU", "2027SP"],
            AheadTerm.From([Autumn, Spring], [], Autumn.Id, 7).Select(term => term.Id.Value)
        );
        Assert.Equal(["2027SP"], AheadTerm.From([Autumn, Spring], [], Spring.Id, 7).Select(term => term.Id.Value));
    }

    [Fact]
    public void A_past_term_is_named_by_its_like()
    {
        Assert.Equal("Autumn 2024", AheadTerm.NameOf([Autumn, Spring], new("2024AU")));
        Assert.Equal("Spring 2027", AheadTerm.NameOf([Autumn, Spring], Spring.Id));
        Assert.Equal("X9", AheadTerm.NameOf([Autumn, Spring], new("X9")));
    }

    [Fact]
    public void A_course_says_what_stands_against_it_where_it_is()
    {
        // Its prerequisite stands in the same term: that is too late.
        Assert.IsType<PlanFinding.Before>(Single(("A 1", "2028SP"), ("B 2", "2028SP")));
        Assert.Empty(Findings(("A 1", "2027SP"), ("B 2", "2028SP")));
        Assert.Equal(
            ["spring"],
            Assert.IsType<PlanFinding.NotUsuallyOffered>(Single(("A 1", "2027SP"), ("B 2", "2027AU"))).Usually
        );
        // A corequisite may stand beside it.
        Assert.Empty(Findings(("A 1", "2027AU"), ("C 3", "2027AU")));
        Assert.Equal([new CourseId("A 1")], Assert.IsType<PlanFinding.Beside>(Single(("C 3", "2027AU"))).Missing);
        Assert.Empty(Assert.IsType<PlanFinding.NotUsuallyOffered>(Single(("D 4", "2027AU"))).Usually);
        Assert.IsType<PlanFinding.NotOffered>(Single(("E 5", "2027SP")));
        Assert.Equal(
            new TermId("2027AU"),
            Assert.IsType<PlanFinding.Twice>(Single(("E 5", "2027AU"), ("E 5", "2028SP"))).Term
        );
        Assert.IsType<PlanFinding.Unknown>(Single(("Z 9", "2027AU")));
    }

    [Fact]
    public void What_the_record_has_counts_as_had_and_is_not_planned_again()
    {
        var taken = new TakenCourse(new("A 1"), Autumn.Id, Credits.Of(3), Grade.B, TakenStatus.Completed);
        Assert.IsType<PlanFinding.CountsAlready>(Single([taken], ("A 1", "2027AU")));
        Assert.Empty(Findings([taken], ("B 2", "2028SP")));
        // A grade below what another course asks for is worth a second try, and is not enough meanwhile.
        var poor = taken with
        {
            Grade = Grade.D,
        };
        Assert.Empty(Findings([poor], ("A 1", "2027AU")));
        Assert.IsType<PlanFinding.Before>(Single([poor], ("B 2", "2028SP")));
        // What is registered for a term stands there, too.
        var registered = taken with
        {
            Term = Spring.Id,
            Grade = null,
            Status = TakenStatus.Planned,
        };
        Assert.Empty(Findings([registered], ("B 2", "2028SP")));
    }

    [Fact]
    public void A_term_over_the_maximum_says_so()
    {
        var terms = Check([], ("A 1", "2027AU"), ("B 2", "2027AU"), ("C 3", "2027AU"));
        Assert.Equal((9m, true), (terms[1].Credits.Value, terms[1].IsOver));
        Assert.Equal((0m, false), (terms[0].Credits.Value, terms[0].IsOver));
        // The course that puts it over says so itself.
        Assert.Equal(
            [false, false, true],
            terms[1].Entries.Select(entry => entry.Findings.Any(finding => finding is PlanFinding.OverMaximum))
        );
    }

    [Fact]
    public void The_reason_for_not_waiting_is_the_course_that_needs_it()
    {
        IReadOnlyList<IReadOnlyList<CourseId>> plan =
        [
            [new("A 1")],
            [],
            [new("B 2")],
        ];
        var reason = WaitingReason.Of(new("A 1"), plan, new(Courses));
        Assert.Equal(new CourseId("B 2"), reason.NeededBy);
        Assert.Equal(["spring"], reason.OfferedIn);
        Assert.Equal(
            (null, "spring"),
            (
                WaitingReason.Of(new("B 2"), plan, new(Courses)).NeededBy,
                WaitingReason.Of(new("B 2"), plan, new(Courses)).OfferedIn![0]
            )
        );
    }

    private static PlanFinding Single(params (string Course, string Term)[] entries) =>
        Assert.Single(Findings(entries));

    private static PlanFinding Single(TakenCourse[] taken, params (string Course, string Term)[] entries) =>
        Assert.Single(Findings(taken, entries));

    private static PlanFinding[] Findings(params (string Course, string Term)[] entries) => Findings([], entries);

    private static PlanFinding[] Findings(TakenCourse[] taken, params (string Course, string Term)[] entries) =>
        [.. Check(taken, entries).SelectMany(term => term.Entries).SelectMany(entry => entry.Findings)];

    private static IReadOnlyList<CheckedTerm> Check(
        TakenCourse[] taken,
        params (string Course, string Term)[] entries
    )
    {
        var record = new StudentRecord
        {
            Student = "S1",
            Name = "Made",
            Taken = taken,
        };
        var programme = new Programme("P", "Made", "", default, new Requirement.All("all", "Made", []));
        return PlanChecks.Of(
            new(programme, record, new(Courses), TermCycle.Of([Autumn, Spring], Seasons, Spring.Id))
            {
                Maximum = Credits.Of(8),
            },
            AheadTerm.From([Autumn, Spring], Seasons, Spring.Id, 5),
            new([.. entries.Select((entry, i) => new PlannedEntry($"{i}", new(entry.Term), new(entry.Course), null))])
        );
    }

    private static Term Of(string id, string name, string season, DateOnly start) =>
        new(new(id), name, start, start.AddDays(100), [], []) { Season = season };

    private static Course Made(
        string id,
        bool offeredNow = false,
        string[]? usually = null,
        Prerequisite? needs = null,
        string? beside = null
    ) =>
        new()
        {
            Id = new(id),
            Subject = id[..1],
            Number = id[2..],
            Title = id,
            Credits = CreditRange.Of(Credits.Of(3)),
            UsuallyOffered = usually,
            Prerequisites = needs,
            Corequisites = beside is null ? [] : [new(beside)],
            Sections = offeredNow
                ?
                [
                    new Section
                    {
                        Number = new("1"),
                        Label = "1",
                        Term = Spring.Id,
                        Component = "lecture",
                    },
                ]
                : [],
        };
}
