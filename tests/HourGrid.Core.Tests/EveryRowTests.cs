using CsCheck;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
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
            iter: Draws.Of(1000)
        );

    /// <summary>More beginnings, endings and numbers in a row than are dealt with at a time.</summary>
    [Theory]
    [InlineData(3, 40, CourseRole.Must)]
    [InlineData(3, 40, CourseRole.IfItFits)]
    [InlineData(4, 15, CourseRole.IfItFits)]
    [InlineData(9, 3, CourseRole.Must)]
    [InlineData(10, 2, CourseRole.IfItFits)]
    [InlineData(1, 5000, CourseRole.IfItFits)]
    public void Where_nothing_conflicts_all_choices_are_rows(int courses, int sections, CourseRole role)
    {
        var problem = Problem.Compile(WithoutHours(courses, sections), Made.Ask(courses, role));
        var width = EveryRow.WidthOf(problem);
        var written = new HashSet<string>();
        var count = 0;
        EveryRow.Write(
            problem,
            rows =>
            {
                lock (written)
                    for (var from = 0; from < rows.Length; from += width, count++)
                    {
                        var row = rows.Slice(from, width);
                        Assert.All(row[courses..].ToArray(), number => Assert.Equal(EveryRow.NotTaken, number));
                        Assert.All(
                            row[..courses].ToArray(),
                            number => Assert.True(number < sections || number == EveryRow.NotTaken)
                        );
                        written.Add(string.Join(' ', row[..courses].ToArray()));
                    }
            }
        );
        var choices = role == CourseRole.Must ? sections : sections + 1;
        var all = (int)Math.Pow(choices, courses) - (role == CourseRole.Must ? 0 : 1);
        Assert.Equal((all, all), (count, written.Count));
    }

    private static CatalogueSnapshot WithoutHours(int courses, int sections) =>
        Made.Snapshot(
            Enumerable
                .Range(0, courses)
                .Select(course =>
                    Enumerable.Range(0, sections).Select(section => Made.Section($"{course:00}{section:0000}"))
                )
        );

    private static string Key(Problem problem, ReadOnlySpan<ushort> row)
    {
        var sections = new List<Section>();
        for (var course = 0; course < problem.Courses.Count; course++)
            if (row[course] != EveryRow.NotTaken)
                sections.AddRange(problem.Courses[course].Bundles[row[course]].Sections.Select(one => one.Section));
        return Keys.Of(sections);
    }
}
