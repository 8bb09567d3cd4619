using CsCheck;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;

namespace HourGrid.Core.Tests;

/// <summary>
/// Counts of courses with more different hours than a word has bits, several sections at some of them: the ways of
/// counting last levels as sets, each against a plain loop over all hours.
/// </summary>
public sealed class WideLevelsTests
{
    /// <summary>Hours of a course: two meetings a week, and how many sections have just these.</summary>
    private sealed record Hours(Weekday First, Weekday Second, int Start, int Length, int Sections)
    {
        public bool MeetsWith(Hours other) =>
            (First == other.First || First == other.Second || Second == other.First || Second == other.Second)
            && Start < other.Start + other.Length
            && other.Start < Start + Length;
    }

    private static Gen<Hours[]> Course(int fewest, int most, int mostSections) =>
        Gen.Select(
                Gen.Int[0, 2],
                Gen.Int[2, 4],
                Gen.Int[0, 120],
                Gen.Int[0, 2].Select(i => new[] { 50, 75, 110 }[i]),
                Gen.Int[1, mostSections],
                (first, second, start, length, sections) =>
                    new Hours((Weekday)first, (Weekday)second, 480 + 5 * start, length, sections)
            )
            .Array[fewest, most]
            .Select(all => all.DistinctBy(hours => hours with { Sections = 0 }).ToArray());

    [Theory]
    [InlineData(3, 66, 140, 1)]
    [InlineData(3, 66, 140, 3)]
    [InlineData(3, 130, 200, 3)]
    [InlineData(3, 66, 100, 5)]
    [InlineData(3, 20, 60, 1)]
    [InlineData(3, 20, 60, 3)]
    [InlineData(3, 20, 60, 9)]
    [InlineData(4, 10, 90, 3)]
    [InlineData(4, 10, 60, 1)]
    public void Counts_are_those_of_a_plain_loop(int courses, int fewest, int most, int mostSections) =>
        Course(fewest, most, mostSections)
            .Array[courses]
            .Sample(
                drawn =>
                {
                    var problem = Problem.Compile(Snapshot(drawn), Made.Ask(courses));
                    var expected = Plainly(drawn, 0, []);
                    Assert.Equal(expected, Counts.Of(problem).Total);
                    var standings = Standings.Of(problem);
                    Assert.Equal(expected.Timetables, standings.Total);
                    foreach (var course in Enumerable.Range(0, courses))
                        Assert.Equal(expected.Timetables, SumOf(standings, course));
                },
                iter: 8
            );

    [Theory]
    [InlineData(3, 66, 90, 1, 2, 2)]
    [InlineData(3, 20, 60, 3, 2, 3)]
    [InlineData(4, 10, 40, 1, 1, 3)]
    [InlineData(4, 10, 40, 5, 3, 3)]
    [InlineData(4, 60, 80, 2, 2, 2)]
    public void So_they_are_where_courses_may_be_left_out_and_credits_are_bounded(
        int courses,
        int fewest,
        int most,
        int mostSections,
        int fewestTaken,
        int mostTaken
    ) =>
        Gen.Select(Course(fewest, most, mostSections).Array[courses], Gen.Bool.Array[courses])
            .Sample(
                (drawn, musts) =>
                {
                    var ask = Made.Ask(courses);
                    ask = ask with
                    {
                        Wanted =
                        [
                            .. ask.Wanted.Zip(
                                musts,
                                (one, must) => one with { Role = must ? CourseRole.Must : CourseRole.IfItFits }
                            ),
                        ],
                        Credits = new(Credits.Of(3 * fewestTaken), Credits.Of(3 * mostTaken)),
                    };
                    var problem = Problem.Compile(Snapshot(drawn), ask);
                    var expected = Plainly(drawn, 0, [], musts, fewestTaken, mostTaken);
                    Assert.Equal(expected, Counts.Of(problem).Total);
                    var standings = Standings.Of(problem);
                    Assert.Equal(expected.Timetables, standings.Total);
                    // What every section stands in, where one of the course is taken: the timetables that take it.
                    foreach (var course in Enumerable.Range(0, courses).Where(course => !musts[course]))
                    {
                        var without = Plainly(
                            [.. drawn.Where((_, i) => i != course)],
                            0,
                            [],
                            [.. musts.Where((_, i) => i != course)],
                            fewestTaken,
                            mostTaken
                        );
                        Assert.Equal(expected.Timetables - without.Timetables, SumOf(standings, course));
                    }
                },
                iter: 6
            );

    private static UInt128 SumOf(StandingsAnswer standings, int course) =>
        standings
            .Sections.Where(one => one.Key.Value.StartsWith($"{course}-", StringComparison.Ordinal))
            .Aggregate(UInt128.Zero, (sum, one) => sum + one.Value);

    /// <param name="courses">The hours of each course.</param>
    /// <param name="course">The course that chooses next.</param>
    /// <param name="chosen">The hours chosen.</param>
    /// <param name="musts">Whether a course must be taken; all where nothing is given.</param>
    /// <param name="fewest">The fewest courses taken.</param>
    /// <param name="most">The most courses taken.</param>
    private static Count128 Plainly(
        Hours[][] courses,
        int course,
        Hours[] chosen,
        bool[]? musts = null,
        int fewest = 0,
        int most = int.MaxValue
    )
    {
        if (course == courses.Length)
            return chosen.Length >= fewest && chosen.Length <= most ? new(1, 1) : default;
        var (timetables, shapes) =
            musts is null || musts[course] ? default : Plainly(courses, course + 1, chosen, musts, fewest, most);
        foreach (var hours in courses[course])
            if (!chosen.Any(hours.MeetsWith))
            {
                var below = Plainly(courses, course + 1, [.. chosen, hours], musts, fewest, most);
                timetables += below.Timetables * (UInt128)hours.Sections;
                shapes += below.WeekShapes;
            }
        return new(timetables, shapes);
    }

    private static CatalogueSnapshot Snapshot(Hours[][] courses) =>
        Made.Snapshot(
            courses.Select(
                (all, course) =>
                    all.SelectMany(
                        (hours, i) =>
                            Enumerable
                                .Range(0, hours.Sections)
                                .Select(copy =>
                                    Made.Section(
                                        $"{course}-{i}-{copy}",
                                        Made.Weekly(
                                            hours.Start,
                                            hours.Start + hours.Length,
                                            hours.First,
                                            hours.Second
                                        )
                                    )
                                )
                    )
            )
        );
}
