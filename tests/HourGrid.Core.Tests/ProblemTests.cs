using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;

namespace HourGrid.Core.Tests;

/// <summary>What is refused, what is stopped, and what large asks do.</summary>
public sealed class ProblemTests
{
    private static readonly Term Term = new(new("T"), "Term", new(2027, 1, 11), new(2027, 5, 7), [], []);

    /// <summary>Courses with so many lectures each, one an hour from 8:00 Monday on, so that some conflict.</summary>
    private static CatalogueSnapshot Lectures(int courses, int sections) =>
        new(
            Term,
            [],
            new([]),
            [
                .. Enumerable
                    .Range(0, courses)
                    .Select(course => new Course
                    {
                        Id = new($"C{course}"),
                        Subject = "C",
                        Number = $"{course}",
                        Title = "",
                        Credits = CreditRange.Of(Credits.Of(3)),
                        Sections =
                        [
                            .. Enumerable
                                .Range(0, sections)
                                .Select(section => new Section
                                {
                                    Number = new($"{course:00}{section:000}"),
                                    Label = "",
                                    Term = Term.Id,
                                    Component = "lecture",
                                    Seats = new(10, 0, 0, 0),
                                    Patterns = [Hour(section)],
                                }),
                        ],
                    }),
            ]
        );

    private static MeetingPattern Hour(int number)
    {
        var start = 8 * 60 + number % 12 * 60;
        var day = (Weekday)(number / 12 % Weekdays.PerWeek);
        return new(WeekdaySet.Of(day), new(new(start), new(start + 50)), "", null, Term.Start, Term.End, 1);
    }

    private static Ask All(int courses) =>
        new()
        {
            Term = Term.Id,
            Wanted = [.. Enumerable.Range(0, courses).Select(i => new WantedCourse { Course = new($"C{i}") })],
        };

    [Fact]
    public void An_ask_with_no_course_taken_has_no_timetable()
    {
        var walk = new TimetableWalk(Problem.Compile(Lectures(1, 1), All(0)));
        Assert.Equal(Tally.None, walk.Total);
        Assert.Null(walk.Nearest([]));
        Assert.Empty(walk.Shapes(0, 10));
    }

    [Fact]
    public void A_course_without_sections_leaves_none()
    {
        var walk = new TimetableWalk(Problem.Compile(Lectures(2, 0), All(2)));
        Assert.Equal(Tally.None, walk.Total);
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
        var walk = new TimetableWalk(Problem.Compile(new(Term, [], new([]), apart), All(12)));
        var expected = Enumerable.Repeat((UInt128)60, 12).Aggregate((product, hours) => product * hours);
        Assert.True(expected > ulong.MaxValue);
        Assert.Equal(new Tally(expected, expected), walk.Total);
        Assert.Equal(expected - 1, walk.At(expected - 1).Number);
    }

    [Fact]
    public void Courses_at_the_same_hours_share_them_out()
    {
        // n (n-1) … (n-k+1) ways to give k courses different ones of n hours.
        var walk = new TimetableWalk(Problem.Compile(Lectures(5, 24), All(5)));
        Assert.Equal((UInt128)(24 * 23 * 22 * 21 * 20), walk.Total.Timetables);
    }

    private static MeetingPattern InWeek(MeetingPattern pattern, int week) =>
        pattern with
        {
            From = Term.Start.AddDays(7 * week),
            To = Term.Start.AddDays(7 * week + 6),
        };

    [Fact]
    public void Counting_stops_when_cancelled()
    {
        using var cancelled = new CancellationTokenSource();
        cancelled.Cancel();
        Assert.Throws<OperationCanceledException>(() =>
            new TimetableWalk(Problem.Compile(Lectures(6, 60), All(6)), cancelled.Token)
        );
    }

    [Fact]
    public void The_walk_holds_on_to_what_it_can()
    {
        var snapshot = Lectures(3, 20);
        var before = new TimetableWalk(Problem.Compile(snapshot, All(3))).At(3000).Timetable;
        var held = before.Sections.Select(section => section.Number).ToArray();
        var block = new TimeBlock(
            WeekdaySet.Of(before.Sections[0].Meetings[0].Day),
            before.Sections[0].Meetings[0].Time,
            Strength.Cannot,
            WeekSet.All,
            ""
        );
        var after = new TimetableWalk(Problem.Compile(snapshot, All(3) with { TimeBlocks = [block] })).Nearest(held)!;
        var kept = after.Timetable.Sections.Select(section => section.Number).Intersect(held);
        Assert.Equal(2, kept.Count());
    }

    [Fact]
    public void More_courses_than_can_be_answered_are_refused_in_words()
    {
        var courses = Problem.MaxCoursesInPlay + 1;
        var refused = Assert.Throws<AskTooLargeException>(() => Problem.Compile(Lectures(courses, 1), All(courses)));
        Assert.Contains("Set some aside", refused.Message, StringComparison.Ordinal);
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
