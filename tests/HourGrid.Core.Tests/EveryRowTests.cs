using CsCheck;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Tests.Plain;

namespace HourGrid.Core.Tests;

/// <summary>The rows written out are all timetables, once each.</summary>
public sealed class EveryRowTests
{
    [Fact]
    public void Every_timetable_is_one_row() =>
        DrawnWorld.All.Sample(
            (catalogue, ask) =>
            {
                var problem = Problem.Compile(catalogue.SnapshotOf(ask.Term)!, ask);
                var width = EveryRow.WidthOf(problem);
                var written = new List<string>();
                Assert.True(
                    EveryRow.Write(
                        problem,
                        rows =>
                        {
                            // Rows come from several threads at the same time.
                            lock (written)
                                for (var from = 0; from < rows.Length; from += width)
                                    written.Add(Key(problem, rows.Slice(from, width)));
                        }
                    )
                );
                Assert.Equal(
                    BruteForce.Timetables(catalogue, ask).Select(one => one.Key).Order(StringComparer.Ordinal),
                    written.Order(StringComparer.Ordinal)
                );
            },
            iter: 1000
        );

    private static string Key(Problem problem, ReadOnlySpan<ushort> row)
    {
        var sections = new List<Catalogue.Section>();
        for (var course = 0; course < problem.Courses.Count; course++)
            if (row[course] != EveryRow.NotTaken)
                sections.AddRange(problem.Courses[course].Bundles[row[course]].Sections.Select(one => one.Section));
        return Keys.Of(sections);
    }
}
