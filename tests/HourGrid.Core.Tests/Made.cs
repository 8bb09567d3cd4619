using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Measures;

namespace HourGrid.Core.Tests;

/// <summary>Catalogues of plain courses, C0 and so on, each of one component, and asks for them.</summary>
internal static class Made
{
    public static readonly Term Term = new(new("T"), "Term", new(2027, 1, 11), new(2027, 5, 7), [], []);

    /// <summary>Weights with which nothing counts.</summary>
    public static readonly Weights NoWeights = MeasureList.Weighed.Aggregate(
        new Weights(),
        (weights, measure) => weights.With(measure.Weight!, 0)
    );

    public static CatalogueSnapshot Snapshot(IEnumerable<IEnumerable<Section>> sectionsOfCourses) =>
        new(Term, [], new([]), [.. sectionsOfCourses.Select((sections, i) => Course(i, sections))]);

    public static Course Course(int index, IEnumerable<Section> sections) =>
        new()
        {
            Id = new($"C{index}"),
            Subject = "C",
            Number = $"{index}",
            Title = "",
            Credits = CreditRange.Of(Credits.Of(3)),
            Sections = [.. sections],
        };

    public static Section Section(string number, params MeetingPattern[] patterns) =>
        new()
        {
            Number = new(number),
            Label = "",
            Term = Term.Id,
            Component = "lecture",
            Seats = new(10, 0, 0, 0),
            Patterns = patterns,
        };

    /// <summary>Hours of every week of the term.</summary>
    public static MeetingPattern Weekly(int start, int end, params IEnumerable<Weekday> days) =>
        new(WeekdaySet.Of(days), new(new(start), new(end)), "", null, Term.Start, Term.End, 1);

    public static Ask Ask(int courses, CourseRole role = CourseRole.Must) =>
        new()
        {
            Term = Term.Id,
            Wanted =
            [
                .. Enumerable.Range(0, courses).Select(i => new WantedCourse { Course = new($"C{i}"), Role = role }),
            ],
        };
}
