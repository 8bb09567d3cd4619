using System.Globalization;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Engine;

/// <summary>
/// A small catalogue, and an ask with rules of every form. A process that has just begun spends most of its first answer's
/// time on compiling code; after answering this, it goes into answering.
/// </summary>
public static class SmallWorld
{
    private const int Courses = 5;
    private const int Lectures = 8;
    private const int Labs = 4;
    private const int WithLabs = 3;

    private static readonly Term Term = new(new("T"), "", new(2027, 1, 11), new(2027, 4, 30), [], []);
    private static readonly CampusId[] Campuses = [new("A"), new("B")];

    /// <summary>The catalogue.</summary>
    public static CatalogueSnapshot Snapshot() =>
        new(
            Term,
            [.. Campuses.Select(id => new Campus(id, id.Value))],
            new([new(Campuses[0], Campuses[1], 20)]),
            [.. Enumerable.Range(0, Courses).Select(Course)]
        );

    /// <summary>The ask.</summary>
    public static Ask Ask() =>
        new()
        {
            Term = Term.Id,
            Wanted =
            [
                .. Enumerable
                    .Range(0, Courses)
                    .Select(i => new WantedCourse
                    {
                        Course = Id(i),
                        Role = i == 0 ? CourseRole.IfItFits : CourseRole.Must,
                    }),
            ],
            EitherOr = [new([Id(1), Id(2)], 1, 2)],
            Credits = new(Credits.Of(6), Credits.Of(12)),
            TimeBlocks =
            [
                new(WeekdaySet.Of(Weekday.Tuesday), Hours(8, 9), Strength.Cannot, WeekSet.All, ""),
                new(WeekdaySet.Of(Weekday.Friday), Hours(15, 18), Strength.RatherNot, WeekSet.All, ""),
            ],
            Breaks = [new(WeekdaySet.Of(Weekday.Monday, Weekday.Wednesday), Hours(11, 14), 30, Strength.Cannot)],
            DayLimits = new() { MaxMinutesPerDay = 420, MaxStretchMinutes = 300 },
            Campus = new() { Preferred = Campuses[0] },
            Seats = SeatsAdmitted.Any,
        };

    private static Course Course(int course) =>
        new()
        {
            Id = Id(course),
            Subject = "C",
            Number = course.ToString(CultureInfo.InvariantCulture),
            Title = "",
            Credits = CreditRange.Of(Credits.Of(3)),
            Sections =
            [
                .. Enumerable.Range(0, Lectures).Select(i => Section(course, "lecture", i)),
                .. Enumerable.Range(0, course == WithLabs ? Labs : 0).Select(i => Section(course, "lab", i)),
            ],
        };

    private static Section Section(int course, string component, int index)
    {
        var campus = Campuses[index % 2];
        var hour = 8 + (index * 7 + course * 3) % 11;
        var day = (Weekday)((index + course) % 5);
        return new()
        {
            Number = new($"{course} {component} {index}"),
            Label = "",
            Term = Term.Id,
            Component = component,
            Campus = campus,
            Seats = new(30, 0, 0, 0),
            Patterns = [new(WeekdaySet.Of(day), Hours(hour, hour + 1), "", campus, Term.Start, Term.End, 1)],
        };
    }

    private static CourseId Id(int course) => new($"C {course}");

    private static MinuteInterval Hours(int from, int to) => new(new(from * 60), new(to * 60));
}
