using CsCheck;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Tests.Drawn;

namespace HourGrid.Core.Tests;

/// <summary>Asks with one basis have the same answers, and hours that meet other classes make another basis.</summary>
public sealed class AnswerBasisTests
{
    /// <summary>How far the hours of an ask are moved, in minutes.</summary>
    private static readonly Gen<int> Moves = Gen.OneOf(-60, -15, -5, 5, 15, 60);

    [Fact]
    public void Asks_with_one_basis_have_the_same_answers()
    {
        var same = 0;
        Gen.Select(DrawnWorld.All, Moves, Moves)
            .Sample(
                (world, start, end) =>
                {
                    var (catalogue, ask) = world;
                    var snapshot = catalogue.SnapshotOf(ask.Term)!;
                    var moved = Moved(ask, start, end);
                    if (!IsOne(AnswerBasis.Of(snapshot, ask), AnswerBasis.Of(snapshot, moved)))
                        return;
                    Interlocked.Increment(ref same);
                    var (one, other) = (Problem.Compile(snapshot, ask), Problem.Compile(snapshot, moved));
                    Assert.Equal(Found(Best.Of(one, 50)), Found(Best.Of(other, 50)));
                    Assert.Equal(Found(Best.Of(one, 50, byShape: true)), Found(Best.Of(other, 50, byShape: true)));
                    AssertSameCounts(snapshot, ask, moved);
                },
                iter: Draws.Of(1500)
            );
        Assert.True(same > 100, $"Only {same} asks had the same basis as those drawn.");
    }

    [Fact]
    public void What_is_merely_preferred_makes_no_difference_to_counts()
    {
        var same = 0;
        Gen.Select(DrawnWorld.All, Moves, Moves)
            .Sample(
                (world, start, end) =>
                {
                    var (catalogue, ask) = world;
                    var snapshot = catalogue.SnapshotOf(ask.Term)!;
                    var preferred = Moved(ask, start, end) with
                    {
                        Weights = new Weights().With("idle", 100).With("moves", 0),
                        Breaks = [.. ask.Breaks.Select(one => IsHard(one.Strength) ? one : one with { Minutes = 5 })],
                    };
                    if (!IsOne(AnswerBasis.OfCounts(snapshot, ask), AnswerBasis.OfCounts(snapshot, preferred)))
                        return;
                    Interlocked.Increment(ref same);
                    AssertSameCounts(snapshot, ask, preferred);
                },
                iter: Draws.Of(1500)
            );
        Assert.True(same > 100, $"Only {same} asks had the same basis as those drawn.");
    }

    [Fact]
    public void Hours_that_meet_another_class_are_another_basis()
    {
        var snapshot = Made.Snapshot([
            [Made.Section("1", Made.Weekly(600, 650, Weekday.Monday))],
        ]);
        var wanted = Made.Ask(1);
        TimeBlock Taken(int from, int to, string label = "") =>
            new(WeekdaySet.Of(Weekday.Monday), new(new(from), new(to)), Strength.Cannot, WeekSet.All, label);
        AnswerBasis Of(Ask ask) => AnswerBasis.Of(snapshot, ask);
        Ask With(params TimeBlock[] blocks) => wanted with { TimeBlocks = blocks };

        // The class is from 10:00 to 10:50.
        Assert.True(IsOne(Of(With(Taken(480, 540))), Of(With(Taken(700, 760, "Shift")))));
        Assert.True(IsOne(Of(With(Taken(480, 601))), Of(With(Taken(649, 700)))));
        Assert.False(IsOne(Of(With(Taken(480, 600))), Of(With(Taken(480, 601)))));
        Assert.False(IsOne(Of(With(Taken(480, 540))), Of(With())));
        Assert.False(IsOne(Of(With(Taken(480, 540), Taken(480, 601))), Of(With(Taken(480, 601), Taken(480, 540)))));
        // A break must find its room among the hours that are taken, so there it matters where these are.
        var lunch = new Break(WeekdaySet.Of(Weekday.Monday), new(new(690), new(840)), 40, Strength.RatherNot);
        Assert.False(
            IsOne(
                Of(With(Taken(700, 760)) with { Breaks = [lunch] }),
                Of(With(Taken(700, 765)) with { Breaks = [lunch] })
            )
        );
        Assert.True(
            IsOne(
                Of(With(Taken(480, 540)) with { Breaks = [lunch] }),
                Of(With(Taken(480, 545)) with { Breaks = [lunch] })
            )
        );
        var early = wanted with { DayLimits = new() { EarliestStart = new Minute(600) } };
        Assert.True(IsOne(Of(early), Of(early with { DayLimits = new() { EarliestStart = new Minute(500) } })));
        Assert.False(IsOne(Of(early), Of(early with { DayLimits = new() { EarliestStart = new Minute(601) } })));
    }

    /// <summary>The same ask with its hours moved, its labels changed.</summary>
    private static Ask Moved(Ask ask, int start, int end) =>
        ask with
        {
            TimeBlocks =
            [
                .. ask.TimeBlocks.Select(block =>
                    IsHard(block.Strength) && block.Time.Start.Value + start < block.Time.End.Value + end
                        ? block with
                        {
                            Time = new(new(block.Time.Start.Value + start), new(block.Time.End.Value + end)),
                            Label = "Moved",
                        }
                        : block
                ),
            ],
            DayLimits = ask.DayLimits with
            {
                EarliestStart = ask.DayLimits.EarliestStart is { } earliest
                    ? new Minute(earliest.Value + start)
                    : null,
                LatestEnd = ask.DayLimits.LatestEnd is { } latest ? new Minute(latest.Value + end) : null,
            },
        };

    private static void AssertSameCounts(CatalogueSnapshot snapshot, Ask one, Ask other)
    {
        var (its, others) = (Problem.Compile(snapshot, one), Problem.Compile(snapshot, other));
        Assert.Equal(Counts.Of(its).Total, Counts.Of(others).Total);
        Assert.Equal(Standings.Of(its).Sections, Standings.Of(others).Sections);
        Assert.Equal(CostsByPath(snapshot, one), CostsByPath(snapshot, other));
    }

    private static Dictionary<string, Int128> CostsByPath(CatalogueSnapshot snapshot, Ask ask) =>
        RuleCosts.Of(snapshot, ask).Costs.ToDictionary(cost => cost.Rule.Path, cost => cost.Cost);

    private static (int, string)[] Found(BestAnswer best) =>
        [
            .. best.Timetables.Select(one =>
                (
                    one.Score,
                    string.Join(' ', one.Timetable.Sections.Select(section => section.Number.Value)) + one.Measures
                )
            ),
        ];

    private static bool IsOne(AnswerBasis one, AnswerBasis other) =>
        one.SectionFacts == other.SectionFacts && Formats(one.Ask) == Formats(other.Ask);

    /// <summary>Records compare lists by reference; as text they compare by what is in them.</summary>
    private static string Formats(Ask ask) => System.Text.Json.JsonSerializer.Serialize(ask);

    private static bool IsHard(Strength strength) => strength == Strength.Cannot;
}
