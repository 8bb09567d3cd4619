using CsCheck;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Measuring;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Tests.Plain;

namespace HourGrid.Core.Tests;

/// <summary>The best timetables and week shapes are those of a plain sort of all of them.</summary>
public sealed class BestAgainstBruteForceTests
{
    private const int Cases = 4000;

    private static readonly Gen<(
        (UniversityCatalogue Catalogue, Ask Ask) World,
        int Offset,
        int Count,
        bool NothingMatters
    )> Drawn = Gen.Select(DrawnWorld.All, Gen.Int[0, 3], Gen.OneOf(1, 3, 20, 500), Gen.Int[0, 3].Select(i => i == 0));

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void The_best_are_the_first_of_all_sorted(bool byShape) =>
        Drawn.Sample(
            (world, offset, count, nothingMatters) =>
            {
                var (catalogue, ask) = world;
                if (nothingMatters)
                    ask = ask with { Weights = NoWeights };
                var expected = byShape
                    ? PlainRanking.SortedShapes(catalogue, ask)
                    : PlainRanking.Sorted(catalogue, ask);
                var best = Best.Of(Problem.Compile(catalogue.SnapshotOf(ask.Term)!, ask), count, offset, byShape);
                Assert.True(best.IsExact);
                Assert.Equal(
                    expected
                        .Skip(offset)
                        .Take(count)
                        .Select((one, i) => $"{offset + i + 1}: {one.Score} {one.Timetable.Key}"),
                    best.Timetables.Select(one => $"{one.Rank}: {one.Score} {Keys.Of(one.Timetable)}")
                );
                // The measures come from the tables of ranking; those taken of the timetable itself are the same.
                var measures = new Measures(ask);
                Assert.All(best.Timetables, one => Assert.Equal(measures.Of(one.Timetable), one.Measures));
            },
            iter: Cases
        );

    /// <summary>With no weight all scores are 0, and the order is that of the registration numbers.</summary>
    private static readonly Weights NoWeights = new()
    {
        ClassDays = 0,
        Idle = 0,
        Moves = 0,
        Soft = 0,
        BreaksMissed = 0,
        Wanted = 0,
    };
}
