using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;

namespace HourGrid.Core.Tests;

/// <summary>
/// Answers whose time is up before they are whole, wherever that comes: what they say is so, and no more than they say.
/// </summary>
public sealed class CutShortTests
{
    private const int Courses = 5;

    /// <summary>Enough for every answer on any machine.</summary>
    private const int Enough = 60_000_000;

    /// <summary>From none to enough, in microseconds: where each cuts is the machine's, what holds is not.</summary>
    public static TheoryData<int> Budgets { get; } =
    [0, 50, 200, 500, 1000, 2000, 4000, 8000, 16_000, 40_000, Enough];

    private static readonly CatalogueSnapshot Snapshot = Made.Snapshot(
        Enumerable
            .Range(0, Courses)
            .Select(course =>
                Enumerable
                    .Range(0, 60)
                    .Select(section => Made.Section($"{course}{section:000}", Hours(course, section)))
            )
    );

    // Enough rules of every kind that none of the answers is known at once.
    private static readonly Ask Ask = Made.Ask(Courses) with
    {
        Breaks =
        [
            new(
                WeekdaySet.Of(Weekday.Monday, Weekday.Tuesday, Weekday.Wednesday),
                new(new(11 * 60), new(14 * 60)),
                60,
                Strength.Cannot
            ),
        ],
        TimeBlocks =
        [
            new(WeekdaySet.Of(Weekday.Thursday), new(new(15 * 60), new(18 * 60)), Strength.Cannot, WeekSet.All, ""),
            new(WeekdaySet.Of(Weekday.Friday), new(new(8 * 60), new(10 * 60)), Strength.RatherNot, WeekSet.All, ""),
        ],
        DayLimits = new() { MaxMinutesPerDay = 300, MaxStretchMinutes = 200 },
        Credits = new(Credits.Of(9), Credits.Of(15)),
        Wanted =
        [
            .. Made.Ask(Courses).Wanted.Select((one, i) => i == 3 ? one with { Role = CourseRole.IfItFits } : one),
        ],
    };

    private static readonly Problem Problem = Problem.Compile(Snapshot, Ask);
    private static readonly CountAnswer Count = Counts.Of(Problem);
    private static readonly BestAnswer Ranked = Best.Of(Problem, 300);
    private static readonly BestAnswer Shapes = Best.Of(Problem, 100, byShape: true);
    private static readonly StandingsAnswer Stands = Standings.Of(Problem);
    private static readonly CostsAnswer Costs = RuleCosts.Of(Snapshot, Ask);

    private static IReadOnlySet<RegistrationNumber> BestSections =>
        Ranked.Timetables[0].Timetable.Sections.Select(section => section.Number).ToHashSet();

    private static MeetingPattern[] Hours(int course, int section)
    {
        var start = 8 * 60 + (section * 7 + course * 3) % 20 * 30;
        var day = (section + course) % 4;
        return
        [
            Made.Weekly(start, start + 50, (Weekday)day),
            Made.Weekly(start, start + 50, (Weekday)(day + 1 + section % 2 * (day < 3 ? 1 : 0))),
        ];
    }

    [Theory]
    [MemberData(nameof(Budgets))]
    public void A_count_is_the_least_there_is(int microseconds)
    {
        var budget = TimeSpan.FromMicroseconds(microseconds);
        var count = Counts.Of(Problem, budget);
        AssertAtMost(Count, count);
        AssertCut(microseconds, count.IsExact);
        var block = new TimeBlock(
            WeekdaySet.Of(Weekday.Monday),
            new(new(480), new(600)),
            Strength.Cannot,
            WeekSet.All,
            ""
        );
        AssertAtMost(WhatIf.WithTimeBlock(Snapshot, Ask, block), WhatIf.WithTimeBlock(Snapshot, Ask, block, budget));
        var fit = Fits.Of(Snapshot, Ask, new("C3"), budget);
        var whole = Fits.Of(Snapshot, Ask, new("C3"));
        Assert.True(fit.IsExact ? fit.Timetables == whole.Timetables : fit.Timetables <= whole.Timetables);
    }

    [Theory]
    [MemberData(nameof(Budgets))]
    public void The_best_found_are_timetables_in_their_order(int microseconds)
    {
        var budget = TimeSpan.FromMicroseconds(microseconds);
        var ranked = Best.Of(Problem, 300, budget: budget);
        AssertNoBetter(Ranked, ranked);
        AssertCut(microseconds, ranked.IsExact);
        AssertNoBetter(Shapes, Best.Of(Problem, 100, byShape: true, budget: budget));
        var spread = Spread.Of(Problem, 5, budget);
        AssertCut(microseconds, spread.IsExact);
        if (spread.IsExact)
            Assert.Equal(
                Spread.Of(Problem, 5).Timetables.Select(one => one.Rank),
                spread.Timetables.Select(one => one.Rank)
            );
    }

    [Theory]
    [MemberData(nameof(Budgets))]
    public void Standings_costs_and_rows_say_no_more_than_they_know(int microseconds)
    {
        var budget = TimeSpan.FromMicroseconds(microseconds);
        var standings = Standings.Of(Problem, budget);
        foreach (var (section, timetables) in standings.Sections)
            Assert.True(
                standings.IsExact ? timetables == Stands.Sections[section] : timetables <= Stands.Sections[section]
            );
        AssertCut(microseconds, standings.IsExact);
        var costs = RuleCosts.Of(Snapshot, Ask, budget);
        AssertCut(microseconds, costs.IsExact);
        if (costs.IsExact)
            Assert.Equal(Costs.Costs.Select(one => one.Cost), costs.Costs.Select(one => one.Cost));
        // Where the count is known, what is found by then is the least that each costs.
        var least = RuleCosts.Of(Snapshot, Ask, budget, timetables: Count.Total.Timetables);
        Assert.All(
            least.Costs.Zip(Costs.Costs),
            pair => Assert.True(least.AreBounds && pair.First.Cost <= pair.Second.Cost)
        );
        var rows = 0L;
        var isWhole = EveryRow.Write(
            Problem,
            some => Interlocked.Add(ref rows, some.Length / EveryRow.WidthOf(Problem)),
            budget
        );
        AssertCut(microseconds, isWhole);
        Assert.True(isWhole ? (UInt128)rows == Count.Total.Timetables : (UInt128)rows <= Count.Total.Timetables);
    }

    [Theory]
    [MemberData(nameof(Budgets))]
    public void What_stands_beside_a_timetable_is_the_same_or_said_to_be_unsure(int microseconds)
    {
        var budget = TimeSpan.FromMicroseconds(microseconds);
        var fallbacks = Fallbacks.Of(Snapshot, Ask, BestSections);
        foreach (var (whole, cut) in fallbacks.Zip(Fallbacks.Of(Snapshot, Ask, BestSections, budget)))
            Assert.True(!cut.IsExact || (cut.Section, cut.Score) == (whole.Section, whole.Score));
        foreach (var cut in Survival.Of(Snapshot, Ask, BestSections, budget).Where(cut => cut.IsExact))
            Assert.Equal(
                Survival.Of(Snapshot, Ask, BestSections).Single(one => one.Section == cut.Section).Rescue,
                cut.Rescue
            );
        var nearest = Nearest.To(Snapshot, Ask, BestSections, budget);
        AssertCut(microseconds, nearest.IsExact);
        Assert.True(!nearest.IsExact || nearest.Changed.Count == 0);
        var timetable = Ranked.Timetables[0].Timetable;
        var alike = new SameShape(Problem).Best(timetable, 10, budget);
        Assert.NotEmpty(alike.Timetables);
        if (alike.IsExact)
            Assert.Equal(timetable.Sections, alike.Timetables[0].Timetable.Sections);
        var broken = BrokenRules.Of(Snapshot, Ask, BestSections, budget);
        AssertCut(microseconds, broken.IsExact);
        Assert.Equal(broken.IsExact, broken.Holds);
        Assert.Empty(broken.Broken);
        var why = WhyNone.Of(Snapshot, Ask, budget);
        Assert.True(why is null or { IsExact: false });
    }

    [Fact]
    public void Every_answer_stops_when_cancelled()
    {
        var stop = new CancellationToken(canceled: true);
        var same = new SameShape(Problem);
        var timetable = Ranked.Timetables[0].Timetable;
        Action[] answers =
        [
            () => Problem.Compile(Snapshot, Ask, cancellation: stop),
            () => Counts.Of(Problem, cancellation: stop),
            () => Counts.About(Problem, TimeSpan.FromMinutes(1), stop),
            () => Best.Of(Problem, 300, cancellation: stop),
            () => Best.Of(Problem, 300, byShape: true, cancellation: stop),
            () => Standings.Of(Problem, cancellation: stop),
            () => RuleCosts.Of(Snapshot, Ask, cancellation: stop),
            () => WhatIf.WithCourse(Snapshot, Ask, new("C3"), cancellation: stop),
            () => Fits.Of(Snapshot, Ask, new("C3"), cancellation: stop),
            () => WhyNone.Of(Snapshot, Ask, cancellation: stop),
            () => Fallbacks.Of(Snapshot, Ask, BestSections, cancellation: stop),
            () => Survival.Of(Snapshot, Ask, BestSections, cancellation: stop),
            () => Nearest.To(Snapshot, Ask, BestSections, cancellation: stop),
            () => BrokenRules.Of(Snapshot, Ask, BestSections, cancellation: stop),
            () => Spread.Of(Problem, 5, cancellation: stop),
            () => EveryRow.Write(Problem, _ => { }, cancellation: stop),
            () => same.Best(timetable, 10, cancellation: stop),
        ];
        Assert.All(answers, answer => Assert.ThrowsAny<OperationCanceledException>(answer));
    }

    /// <summary>After the token is cancelled each thread gives away no more than what it has written.</summary>
    [Fact]
    public void Rows_end_with_the_cancellation()
    {
        using var stop = new CancellationTokenSource();
        var after = 0;
        Assert.ThrowsAny<OperationCanceledException>(() =>
            EveryRow.Write(
                Problem,
                _ =>
                {
                    if (stop.IsCancellationRequested)
                        Interlocked.Increment(ref after);
                    stop.Cancel();
                },
                cancellation: stop.Token
            )
        );
        Assert.InRange(after, 0, 2 * Environment.ProcessorCount);
    }

    /// <summary>No time at all is never enough, and enough always is; in between it is as it comes.</summary>
    private static void AssertCut(int microseconds, bool isExact)
    {
        if (microseconds is 0 or Enough)
            Assert.Equal(microseconds == Enough, isExact);
    }

    private static void AssertAtMost(CountAnswer whole, CountAnswer cut)
    {
        Assert.True(whole.IsExact);
        Assert.True(cut.IsExact ? cut.Total == whole.Total : cut.Total.Timetables <= whole.Total.Timetables);
        Assert.True(cut.IsExact ? cut.Estimate is null : cut.Estimate is null or { Timetables: > 0 });
    }

    private static void AssertNoBetter(BestAnswer whole, BestAnswer cut)
    {
        if (cut.IsExact)
            Assert.Equal(whole.Timetables.Count, cut.Timetables.Count);
        foreach (var (best, found) in whole.Timetables.Zip(cut.Timetables))
        {
            Assert.Equal(best.Rank, found.Rank);
            Assert.True(cut.IsExact ? found.Score == best.Score : found.Score >= best.Score);
            Assert.True(
                BrokenRules
                    .Of(Snapshot, Ask, found.Timetable.Sections.Select(section => section.Number).ToHashSet())
                    .Holds
            );
        }
    }
}
