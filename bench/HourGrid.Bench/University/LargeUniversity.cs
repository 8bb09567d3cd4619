using System.Globalization;
using HourGrid.Bench.Ladder;
using HourGrid.Core.Catalogue;

namespace HourGrid.Bench.University;

/// <summary>Makes the catalogue of a large university, the same every time: 5,060 courses with 25,878 sections, or more.</summary>
internal static class LargeUniversity
{
    public const int Courses = 5_060;

    /// <summary>Every course has so many sections, and some one more.</summary>
    private const int SectionsOfCourse = 5;
    private const int CoursesWithOneMore = 578;

    private static readonly string[] Syllables =
    [
        "ka",
        "lo",
        "mi",
        "ren",
        "tas",
        "vel",
        "dor",
        "sun",
        "phi",
        "gar",
        "ne",
        "bri",
        "ost",
        "ula",
        "wem",
        "zin",
    ];

    private static readonly string[] Attributes =
    [
        "Natural science",
        "Quantitative",
        "Humanities",
        "Making",
        "Language",
        "Performance",
        "Writing intensive",
    ];

    private static readonly (WeekdaySet Days, int Minutes)[] LectureDays =
    [
        (WeekdaySet.Of(Weekday.Monday, Weekday.Wednesday, Weekday.Friday), 50),
        (WeekdaySet.Of(Weekday.Tuesday, Weekday.Thursday), 75),
        (WeekdaySet.Of(Weekday.Monday, Weekday.Wednesday), 75),
    ];

    /// <param name="courses">How many.</param>
    public static UniversityCatalogue Make(int courses = Courses)
    {
        var dice = new Dice(2027);
        var instructors = Enumerable
            .Range(0, 1_500)
            .Select(_ => $"{(char)('A' + dice.Below(26))}. {Word(dice)}")
            .ToArray();
        var campuses = CourseMaker.Campuses.Select(id => new Campus(id, id.Value)).ToArray();
        var number = 100_000;
        return new(
            "A large university",
            campuses,
            CourseMaker.Travel.Entries,
            [CourseMaker.Term],
            [.. Enumerable.Range(0, courses).Select(i => MakeCourse(i, dice, instructors, ref number))]
        );
    }

    /// <summary>A word that a search can look for, made of syllables.</summary>
    public static string Word(Dice dice)
    {
        var word = string.Concat(Enumerable.Range(0, 2 + dice.Below(2)).Select(_ => dice.Pick(Syllables)));
        return char.ToUpper(word[0], CultureInfo.InvariantCulture) + word[1..];
    }

    private static Course MakeCourse(int index, Dice dice, string[] instructors, ref int number)
    {
        var subject = $"{Letter(index / 50 % 10)}{Letter(index / 500)}{Letter('X' - 'A' + index / 13_000)}";
        var course = (100 + index % 50 * 8).ToString(CultureInfo.InvariantCulture);
        var sections = new List<Section>();
        for (var i = 0; i < SectionsOfCourse + (index < CoursesWithOneMore ? 1 : 0); i++)
            sections.Add(MakeSection(i, dice, instructors, number++, sections));
        return new()
        {
            Id = new($"{subject} {course}"),
            Subject = subject,
            Number = course,
            Title = string.Join(' ', Enumerable.Range(0, 3).Select(_ => Word(dice))),
            Description = string.Join(' ', Enumerable.Range(0, 30).Select(_ => Word(dice))),
            Credits = CreditRange.Of(Credits.Of(1 + dice.Below(5))),
            Level = dice.Percent(80) ? "undergraduate" : "graduate",
            Attributes = dice.Percent(60) ? [dice.Pick(Attributes)] : [],
            Sections = sections,
        };
    }

    private static char Letter(int number) => (char)('A' + number % 26);

    private static Section MakeSection(int place, Dice dice, string[] instructors, int number, List<Section> before)
    {
        var isLab = place >= SectionsOfCourse / 2;
        var campus = CourseMaker.Campuses[dice.Percent(70) ? 0 : 1 + dice.Below(2)];
        var (days, minutes) = isLab ? (WeekdaySet.Of((Weekday)dice.Below(5)), 110) : dice.Pick(LectureDays);
        var start = 8 * 60 + dice.Below(11) * 60;
        return new()
        {
            Number = new(number.ToString(CultureInfo.InvariantCulture)),
            Label = $"{(isLab ? 'B' : 'L')}{place + 1:00}",
            Term = CourseMaker.Term.Id,
            Component = isLab ? "lab" : "lecture",
            Campus = campus,
            Mode = dice.Percent(85) ? DeliveryMode.InPerson : DeliveryMode.Hybrid,
            Instructors = [dice.Pick(instructors)],
            Seats = new(40, dice.Below(45), 10, dice.Below(11)),
            LinkedTo = isLab && dice.Percent(50) ? [before[0].Number] : [],
            Patterns =
            [
                new(
                    days,
                    new(new(start), new(start + minutes)),
                    $"{campus} {dice.Below(300)}",
                    campus,
                    CourseMaker.Term.Start,
                    CourseMaker.Term.End,
                    1
                ),
            ],
        };
    }
}
