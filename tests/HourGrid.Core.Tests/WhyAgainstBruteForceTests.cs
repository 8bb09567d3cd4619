using CsCheck;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Tests.Plain;

namespace HourGrid.Core.Tests;

/// <summary>Why there is none: the smallest set is one, and the ways out are those that plain counts find.</summary>
public sealed class WhyAgainstBruteForceTests
{
    private static readonly Gen<(UniversityCatalogue Catalogue, Ask Ask)> Hopeless = DrawnWorld.All.Where(world =>
        BruteForce.Timetables(world.Catalogue, world.Ask).Count == 0
    );

    private static bool Has(UniversityCatalogue catalogue, Ask ask) =>
        BruteForce.Timetables(catalogue, ask).Count > 0;

    [Fact]
    public void It_is_asked_only_where_there_is_none() =>
        DrawnWorld.All.Sample(
            (catalogue, ask) =>
                Assert.Equal(Has(catalogue, ask), WhyNone.Of(catalogue.SnapshotOf(ask.Term)!, ask) is null),
            iter: Draws.Of(500)
        );

    [Fact]
    public void The_set_cannot_live_together_and_any_part_of_it_can() =>
        Hopeless.Sample(
            (catalogue, ask) =>
            {
                var why = WhyNone.Of(catalogue.SnapshotOf(ask.Term)!, ask)!;
                Assert.True(why.IsExact);
                var all = PlainChanges.Paths(ask);
                var together = why.Together.Select(rule => rule.Path).ToList();
                if (!Has(catalogue, PlainChanges.Loosened(ask, all)))
                {
                    Assert.True(together.Count <= 1);
                    return;
                }
                var lifted = all.Except(together).ToList();
                Assert.False(Has(catalogue, PlainChanges.Loosened(ask, lifted)));
                foreach (var one in together)
                    Assert.True(Has(catalogue, PlainChanges.Loosened(ask, [.. lifted, one])), one);
            },
            iter: Draws.Of(600)
        );

    [Fact]
    public void The_ways_out_are_all_there_are() =>
        Hopeless.Sample(
            (catalogue, ask) =>
            {
                var why = WhyNone.Of(catalogue.SnapshotOf(ask.Term)!, ask)!;
                var all = PlainChanges.Paths(ask);
                var singles = Counted(catalogue, ask, all.Select(path => new[] { path }));
                var expected = singles.Length > 0 ? singles : Counted(catalogue, ask, Pairs(all));
                Assert.Equal(
                    expected,
                    why.WaysOut.Select(way =>
                            $"{string.Join(" ", way.Rules.Select(rule => rule.Path).Order(StringComparer.Ordinal))}: {way.Timetables}"
                        )
                        .Order(StringComparer.Ordinal)
                );
            },
            iter: Draws.Of(400)
        );

    private static IEnumerable<string[]> Pairs(List<string> all) =>
        all.SelectMany((one, i) => all.Skip(i + 1).Select(other => new[] { one, other }));

    private static string[] Counted(UniversityCatalogue catalogue, Ask ask, IEnumerable<string[]> changes) =>
        [
            .. changes
                .Select(paths =>
                    (paths, count: BruteForce.Timetables(catalogue, PlainChanges.Without(ask, paths)).Count)
                )
                .Where(pair => pair.count > 0)
                .Select(pair => $"{string.Join(" ", pair.paths.Order(StringComparer.Ordinal))}: {pair.count}")
                .Order(StringComparer.Ordinal),
        ];
}
