using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;

namespace HourGrid.Core.Tests;

/// <summary>What is refused, what is stopped, and what large asks do.</summary>
public sealed class ProblemTests
{
    private static readonly Term Term = Made.Term;

    /// <summary>Courses with so many lectures each, one an hour from 8:00 Monday on, so that some conflict.</summary>
    private static CatalogueSnapshot Lectures(int courses, int sections) =>
        Made.Snapshot(
            Enumerable
                .Range(0, courses)
                .Select(course =>
                    Enumerable
                        .Range(0, sections)
                        .Select(section => Made.Section($"{course:00}{section:000}", Hour(section)))
                )
        );

    private static MeetingPattern Hour(int number)
    {
        var start = 8 * 60 + number % 12 * 60;
        return Made.Weekly(start, start + 50, (Weekday)(number / 12 % Weekdays.PerWeek));
    }

    private static Ask All(int courses) => Made.Ask(courses);

    [Fact]
    public void An_ask_with_no_course_taken_has_no_timetable()
    {
        var problem = Problem.Compile(Lectures(1, 1), All(0));
        Assert.Equal(Count128.None, Counts.Of(problem).Total);
        Assert.Empty(Best.Of(problem, 10).Timetables);
        Assert.Null(new SameShape(problem).Find(new HashSet<RegistrationNumber>()));
    }

    [Fact]
    public void A_course_without_sections_leaves_none()
    {
        Assert.Equal(Count128.None, Counts.Of(Problem.Compile(Lectures(2, 0), All(2))).Total);
    }

    [Fact]
    public void Counts_outgrow_64_bits_and_stay_exact()
    {
        // Each course meets in a week of its own, so that any hour of one goes with any of the others.
        var apart = Lectures(12, 60)
            .Courses.Select(
                (offered, week) =>
                    offered.Course with
                    {
                        Sections =
                        [
                            .. offered.Course.Sections.Select(section =>
                                section with
                                {
                                    Patterns = [.. section.Patterns.Select(pattern => InWeek(pattern, week))],
                                }
                            ),
                        ],
                    }
            )
            .ToArray();
        var count = Counts.Of(Problem.Compile(new(Term, [], new([]), apart), All(12)));
        var expected = Enumerable.Repeat((UInt128)60, 12).Aggregate((product, hours) => product * hours);
        Assert.True(expected > ulong.MaxValue);
        Assert.Equal(new Count128(expected, expected), count.Total);
    }

    [Fact]
    public void Courses_at_the_same_hours_share_them_out()
    {
        // n (n-1) … (n-k+1) ways to give k courses different ones of n hours.
        var count = Counts.Of(Problem.Compile(Lectures(5, 24), All(5)));
        Assert.Equal((UInt128)(24 * 23 * 22 * 21 * 20), count.Total.Timetables);
    }

    private static MeetingPattern InWeek(MeetingPattern pattern, int week) =>
        pattern with
        {
            From = Term.Start.AddDays(7 * week),
            To = Term.Start.AddDays(7 * week + 6),
        };

    /// <summary>Far more than can be counted: what is known is said to be that, and an estimate is given.</summary>
    [Fact]
    public void Past_the_budget_a_count_is_the_least_there_is_and_estimated()
    {
        var problem = Problem.Compile(Lectures(14, 84), All(14));
        var count = Counts.Of(problem, TimeSpan.FromSeconds(4));
        // 84 · 83 · … · 71
        var expected = Enumerable.Range(71, 14).Aggregate(1.0, (product, hours) => product * hours);
        Assert.False(count.IsExact);
        Assert.True((double)count.Total.Timetables < expected);
        var estimate = count.Estimate!;
        Assert.InRange(
            estimate.Timetables / expected,
            1 - 6 * estimate.RelativeError - 0.01,
            1 + 6 * estimate.RelativeError + 0.01
        );
    }

    [Fact]
    public void About_how_many_there_are_is_told_without_counting()
    {
        var problem = Problem.Compile(Lectures(14, 84), All(14));
        var expected = Enumerable.Range(71, 14).Aggregate(1.0, (product, hours) => product * hours);
        var about = Counts.About(problem, TimeSpan.FromSeconds(4))!;
        Assert.InRange(
            about.Timetables / expected - 1,
            -6 * about.RelativeError - 0.001,
            6 * about.RelativeError + 0.001
        );
        // Good enough, it takes no more of its time.
        Assert.InRange(about.RelativeError, 0, 0.025);
        Assert.InRange(about.Samples, 1, 10_000);
        Assert.Null(Counts.About(problem, TimeSpan.Zero));
    }

    [Fact]
    public void No_budget_at_all_is_an_answer_too()
    {
        var snapshot = Lectures(8, 60);
        var none = TimeSpan.Zero;
        Assert.False(Counts.Of(Problem.Compile(snapshot, All(8)), none).IsExact);
        Assert.False(Best.Of(Problem.Compile(snapshot, All(8)), 10, budget: none).IsExact);
        Assert.False(Standings.Of(Problem.Compile(snapshot, All(8)), none).IsExact);
        Assert.False(RuleCosts.Of(snapshot, All(8), none).IsExact);
        Assert.False(WhatIf.WithCourse(snapshot, All(7), new("C7"), none).IsExact);
        Assert.False(EveryRow.Write(Problem.Compile(snapshot, All(8)), _ => { }, none));
    }

    [Fact]
    public void The_largest_asks_are_answered_or_refused_in_words()
    {
        var snapshot = Lectures(20, 2000);
        var ask = All(20) with
        {
            TimeBlocks =
            [
                .. Enumerable
                    .Range(0, Ask.MaxRules)
                    .Select(i => new TimeBlock(
                        WeekdaySet.Of((Weekday)(i % Weekdays.PerWeek)),
                        new(new(20 * 60 + i % 60), new(21 * 60 + i % 60)),
                        Strength.Cannot,
                        WeekSet.Of(1 + i % 16),
                        ""
                    )),
            ],
        };
        var problem = Problem.Compile(snapshot, ask);
        var count = Counts.Of(problem, TimeSpan.FromMilliseconds(300));
        Assert.False(count.IsExact);
        Assert.False(Best.Of(problem, 5, budget: TimeSpan.FromMilliseconds(300)).IsExact);
    }

    [Fact]
    public void More_than_128_bits_are_refused_in_words()
    {
        // Sections without hours never conflict: 2,000 to the 13th.
        var snapshot = new CatalogueSnapshot(
            Term,
            [],
            new([]),
            [
                .. Lectures(13, 2000)
                    .Courses.Select(offered =>
                        offered.Course with
                        {
                            Sections = [.. offered.Course.Sections.Select(section => section with { Patterns = [] })],
                        }
                    ),
            ]
        );
        Assert.Throws<AskTooLargeException>(() => Counts.Of(Problem.Compile(snapshot, All(13))));
    }

    /// <summary>A break with more places to lie than a word has bits.</summary>
    [Fact]
    public void A_rule_with_very_many_witnesses_is_kept()
    {
        // Each course ends one of its two classes at a minute of its own, so that the break has as many places.
        Course At(int index, int sections, int from) =>
            Lectures(index + 1, 1).Courses[index].Course with
            {
                Sections =
                [
                    .. Enumerable
                        .Range(0, sections)
                        .Select(i =>
                            Lectures(1, 1).Courses[0].Course.Sections[0] with
                            {
                                Number = new($"{index}{i:000}"),
                                Patterns =
                                [
                                    new(
                                        WeekdaySet.Of(Weekday.Monday),
                                        new(new(from + i), new(from + i + 30)),
                                        "",
                                        null,
                                        Term.Start,
                                        Term.End,
                                        1
                                    ),
                                ],
                            }
                        ),
                ],
            };
        var snapshot = new CatalogueSnapshot(Term, [], new([]), [At(0, 100, 600), At(1, 100, 660)]);
        var ask = All(2) with
        {
            Breaks = [new(WeekdaySet.Of(Weekday.Monday), new(new(600), new(790)), 60, Strength.Cannot)],
        };
        var expected = 0;
        for (var one = 600; one < 700; one++)
        for (var other = 660; other < 760; other++)
        {
            var (first, second) = one <= other ? (one, other) : (other, one);
            var fits = first != second && second >= first + 30;
            var gaps = new[] { first - 600, second - first - 30, 790 - second - 30 };
            if (fits && gaps.Any(gap => gap >= 60))
                expected++;
        }
        Assert.Equal((UInt128)expected, Counts.Of(Problem.Compile(snapshot, ask)).Total.Timetables);
    }

    [Fact]
    public void Counting_stops_when_cancelled()
    {
        using var cancelled = new CancellationTokenSource();
        cancelled.Cancel();
        Assert.Throws<OperationCanceledException>(() =>
            Counts.Of(Problem.Compile(Lectures(6, 60), All(6)), cancellation: cancelled.Token)
        );
    }

    [Fact]
    public void Kept_sections_in_each_others_way_are_named_with_their_minutes()
    {
        var snapshot = Lectures(2, 20);
        var (one, other) = (snapshot.Courses[0].Sections[3], snapshot.Courses[1].Sections[3]);
        var ask = All(2) with
        {
            Wanted =
            [
                new() { Course = snapshot.Courses[0].Course.Id, Keep = [one.Number] },
                new() { Course = snapshot.Courses[1].Course.Id, Keep = [other.Number] },
            ],
        };
        Assert.Equal((UInt128)0, Counts.Of(Problem.Compile(snapshot, ask)).Total.Timetables);
        var clash = Assert.Single(KeptClashes.Of(snapshot, ask));
        var (a, b) = (one.Meetings[0].Time, other.Meetings[0].Time);
        Assert.Equal(a.MinutesShared(b), clash.Minutes);
        Assert.Equal((a.Start, a.End), (clash.From, clash.To));
        // Two kept sections of one course are a choice, and a choice is in nobody's way.
        var choice = ask.Wanted[1] with
        {
            Keep = [other.Number, snapshot.Courses[1].Sections[4].Number],
        };
        Assert.Empty(KeptClashes.Of(snapshot, ask with { Wanted = [ask.Wanted[0], choice] }));
    }

    [Fact]
    public void More_courses_than_can_be_answered_are_refused()
    {
        var courses = Problem.MaxCoursesTaken + 1;
        var refused = Assert.Throws<AskTooLargeException>(() => Problem.Compile(Lectures(courses, 1), All(courses)));
        Assert.Equal(
            (AskExcess.CoursesTaken, courses, Problem.MaxCoursesTaken),
            (refused.Excess, refused.Found, refused.Most)
        );
    }

    [Fact]
    public void An_either_or_is_reckoned_at_what_it_takes_and_bounded_for_itself()
    {
        // As many as one day has hours: each course has a section at another.
        var ask = All(Problem.MaxCoursesInPlay);
        var choice = ask with { EitherOr = [new([.. ask.Wanted.Select(one => one.Course)], 1, 1)] };
        Assert.Equal(
            (UInt128)Problem.MaxCoursesInPlay,
            Counts.Of(Problem.Compile(Lectures(Problem.MaxCoursesInPlay, 1), choice)).Total.Timetables
        );
        var more = All(Problem.MaxCoursesInPlay + 1);
        var refused = Assert.Throws<AskTooLargeException>(() =>
            Problem.Compile(
                Lectures(Problem.MaxCoursesInPlay + 1, 1),
                more with
                {
                    EitherOr = [new([.. more.Wanted.Select(one => one.Course)], 1, 1)],
                }
            )
        );
        Assert.Equal(
            (AskExcess.CoursesInPlay, Problem.MaxCoursesInPlay + 1, Problem.MaxCoursesInPlay),
            (refused.Excess, refused.Found, refused.Most)
        );
    }

    public static TheoryData<string, Ask> Refused =>
        new()
        {
            { "term", All(1) with { Term = new("X") } },
            { "wanted[0].course", All(1) with { Wanted = [new() { Course = new("Z9") }] } },
            { "wanted[0].keep[0]", All(1) with { Wanted = [new() { Course = new("C0"), Keep = [new("9")] }] } },
            { "wanted[0].ruleOut[0]", All(1) with { Wanted = [new() { Course = new("C0"), RuleOut = [new("9")] }] } },
            { "eitherOr[0].courses[1]", All(1) with { EitherOr = [new([new("C0"), new("C9")], 1, 1)] } },
        };

    [Theory]
    [MemberData(nameof(Refused), DisableDiscoveryEnumeration = true)]
    public void What_the_catalogue_does_not_have_is_refused_with_its_path(string path, Ask ask) =>
        Assert.Equal(path, Assert.Throws<AskRefusedException>(() => Problem.Compile(Lectures(1, 1), ask)).Path);
}
