using System.Globalization;
using HourGrid.Core.Catalogue;

namespace HourGrid.Bench.Ladder;

/// <summary>Makes courses that look like those of a university: standard hours, three campuses, labs and halves.</summary>
/// <param name="dice">What is left to chance.</param>
/// <param name="atHome">The share of courses on the first campus, in percent.</param>
internal sealed class CourseMaker(Dice dice, int atHome)
{
    public static readonly Term Term = new(new("T"), "Term", new(2027, 1, 11), new(2027, 4, 30), [], []);
    public static readonly CampusId[] Campuses = [new("HAR"), new("KLN"), new("RDG")];

    public static readonly Travel[] TravelBetween =
    [
        new(new("HAR"), new("KLN"), 20),
        new(new("KLN"), new("RDG"), 15),
        new(new("HAR"), new("RDG"), 30),
    ];

    public static readonly TravelTimes Travel = new(TravelBetween);

    private static readonly DateOnly HalfTime = new(2027, 3, 5);

    private static readonly (WeekdaySet Days, int Minutes, int[] Starts)[] LectureHours =
    [
        (WeekdaySet.Of(Weekday.Wednesday, Weekday.Friday), 50, [8, 9, 10, 11, 12, 13, 14, 15, 16, 17]),
        (WeekdaySet.Of(Weekday.Monday, Weekday.Wednesday), 75, [8, 9, 11, 12, 14, 15, 17]),
        (WeekdaySet.Of(Weekday.Tuesday, Weekday.Thursday), 75, [8, 9, 11, 12, 14, 15, 17, 18]),
    ];

    private int number = 10_000;

    /// <summary>A course of lectures alone.</summary>
    public Course Lectures(int index, int lectures) =>
        New(index, [.. Enumerable.Range(0, lectures).Select(_ => Lecture(Campus()))]);

    /// <summary>A course of lectures, labs and recitations, each lab linked to one of two lectures where asked.</summary>
    public Course Of(int index, int lectures, int labs, int recitations, bool isLinked)
    {
        var campus = Campus();
        var sections = new List<Section>();
        for (var i = 0; i < lectures; i++)
            sections.Add(Lecture(campus));
        for (var i = 0; i < labs; i++)
            sections.Add(
                Once("lab", dice.Percent(85) ? campus : Campus(), dice.Pick([50, 110])) with
                {
                    LinkedTo = isLinked ? [sections[i % lectures].Number] : [],
                }
            );
        for (var i = 0; i < recitations; i++)
            sections.Add(Once("recitation", campus, 50));
        return New(index, sections);
    }

    /// <summary>A course whose sections meet at any five minutes of the week.</summary>
    public Course Irregular(int index, int sections) =>
        New(
            index,
            [
                .. Enumerable
                    .Range(0, sections)
                    .Select(_ =>
                        Section(
                            "lecture",
                            Campus(),
                            [.. Enumerable.Range(0, 1 + dice.Below(2)).Select(_ => AnyTime())]
                        )
                    ),
            ]
        );

    /// <summary>A course that meets in a week of its own.</summary>
    public Course InWeek(int index, int sections) =>
        New(
            index,
            [
                .. Enumerable
                    .Range(0, sections)
                    .Select(_ => Lecture(Campus()))
                    .Select(section =>
                        section with
                        {
                            Patterns =
                            [
                                .. section.Patterns.Select(pattern =>
                                    pattern with
                                    {
                                        From = Term.Start.AddDays(7 * index),
                                        To = Term.Start.AddDays(7 * index + 6),
                                    }
                                ),
                            ],
                        }
                    ),
            ]
        );

    /// <summary>A course all of whose sections meet at the same hours.</summary>
    public Course AtOneTime(int index, int sections)
    {
        var pattern = Pattern(WeekdaySet.Of(Weekday.Monday), 10 * 60, 50, Campuses[0]);
        return New(index, [.. Enumerable.Range(0, sections).Select(_ => Section("lecture", Campuses[0], [pattern]))]);
    }

    private CampusId Campus() => Campuses[dice.Percent(atHome) ? 0 : 1 + dice.Below(2)];

    private Section Lecture(CampusId campus)
    {
        var (days, minutes, starts) = dice.Pick(LectureHours);
        var start = dice.Pick(starts) * 60 + (minutes == 75 ? 30 : 0);
        return Section("lecture", campus, [Pattern(days, start, minutes, campus)]);
    }

    private Section Once(string component, CampusId campus, int minutes)
    {
        var day = (Weekday)dice.Below(5);
        return Section(
            component,
            campus,
            [Pattern(WeekdaySet.Of(day), 8 * 60 + dice.Below(11) * 60, minutes, campus)]
        );
    }

    private MeetingPattern AnyTime() =>
        Pattern(
            WeekdaySet.Of((Weekday)dice.Below(5)),
            8 * 60 + dice.Below(120) * 5,
            50 + dice.Below(9) * 5,
            Campus()
        );

    private MeetingPattern Pattern(WeekdaySet days, int start, int minutes, CampusId campus)
    {
        var half = dice.Below(20);
        return new(
            days,
            new(new(start), new(start + minutes)),
            "",
            campus,
            half == 0 ? HalfTime.AddDays(3) : Term.Start,
            half == 1 ? HalfTime : Term.End,
            1
        );
    }

    private Section Section(string component, CampusId campus, IReadOnlyList<MeetingPattern> patterns) =>
        new()
        {
            Number = new((number++).ToString(CultureInfo.InvariantCulture)),
            Label = "",
            Term = Term.Id,
            Component = component,
            Campus = campus,
            Seats = new(30, dice.Below(30), 0, 0),
            Patterns = patterns,
        };

    private static Course New(int index, IReadOnlyList<Section> sections) =>
        new()
        {
            Id = new($"C {index}"),
            Subject = "C",
            Number = index.ToString(CultureInfo.InvariantCulture),
            Title = "",
            Credits = CreditRange.Of(Credits.Of(index % 2 + 3)),
            Sections = sections,
        };
}
