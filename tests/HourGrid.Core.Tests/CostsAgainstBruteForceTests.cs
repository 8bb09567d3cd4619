using CsCheck;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Rules;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Tests.Plain;

namespace HourGrid.Core.Tests;

/// <summary>What each rule costs is the difference of two plain counts.</summary>
public sealed class CostsAgainstBruteForceTests
{
    [Fact]
    public void Every_rule_costs_what_the_definition_says() =>
        DrawnWorld.All.Sample(
            (catalogue, ask) =>
            {
                var costs = RuleCosts.Of(catalogue.SnapshotOf(ask.Term)!, ask);
                Assert.True(costs.IsExact);
                var with = BruteForce.Timetables(catalogue, ask).Count;
                Assert.Equal(
                    PlainChanges
                        .Paths(ask)
                        .Select(path =>
                            $"{path} {BruteForce.Timetables(catalogue, PlainChanges.Without(ask, path)).Count - with}"
                        ),
                    costs.Costs.Where(cost => cost.Rule.IsHard).Select(cost => $"{cost.Rule.Path} {cost.Cost}")
                );
                Assert.All(costs.Costs.Where(cost => !cost.Rule.IsHard), cost => Assert.Equal(0, cost.Cost));
            },
            iter: Draws.Of(1500)
        );

    [Fact]
    public void A_rule_is_lifted_from_an_ask_as_its_path_says() =>
        DrawnWorld.All.Sample(
            (catalogue, ask) =>
            {
                var snapshot = catalogue.SnapshotOf(ask.Term)!;
                foreach (var rule in RuleList.Of(ask).Where(rule => rule.IsHard))
                    Assert.Equal(
                        (UInt128)BruteForce.Timetables(catalogue, PlainChanges.Without(ask, rule.Path)).Count,
                        Counts.Of(Problem.Compile(snapshot, rule.Without(ask))).Total.Timetables
                    );
            },
            iter: Draws.Of(300)
        );

    [Fact]
    public void What_if_counts_the_ask_with_the_addition() =>
        DrawnWorld.All.Sample(
            (catalogue, ask) =>
            {
                var snapshot = catalogue.SnapshotOf(ask.Term)!;
                var rest = ask with { Wanted = [.. ask.Wanted.Skip(1)], EitherOr = [] };
                var added = ask.Wanted[0].Course;
                var with = rest with { Wanted = [.. rest.Wanted, new() { Course = added }] };
                Assert.Equal(
                    (UInt128)BruteForce.Timetables(catalogue, with).Count,
                    WhatIf.WithCourse(snapshot, rest, added).Total.Timetables
                );
                var section = snapshot.Find(added)!.Sections[0].Number;
                var hours = new TimeBlock(
                    WeekdaySet.Of(Weekday.Monday, Weekday.Tuesday),
                    new(new(9 * 60), new(12 * 60)),
                    Strength.Cannot,
                    WeekSet.Of(1, 2),
                    ""
                );
                Assert.Equal(
                    (UInt128)
                        BruteForce.Timetables(catalogue, ask with { TimeBlocks = [.. ask.TimeBlocks, hours] }).Count,
                    WhatIf.WithTimeBlock(snapshot, ask, hours).Total.Timetables
                );
                var kept = rest with { Wanted = [.. rest.Wanted, new() { Course = added, Keep = [section] }] };
                Assert.Equal(
                    (UInt128)BruteForce.Timetables(catalogue, kept).Count,
                    WhatIf.WithSection(snapshot, rest, section).Total.Timetables
                );
            },
            iter: Draws.Of(500)
        );
}
