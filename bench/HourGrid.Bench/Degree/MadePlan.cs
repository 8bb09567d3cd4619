using HourGrid.Bench.Ladder;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements;
using HourGrid.Core.Requirements.Ahead;

namespace HourGrid.Bench.Degree;

/// <summary>A made degree of some forty courses, none of them taken yet: chains of prerequisites, seasons, and choices.</summary>
internal static class MadePlan
{
    private const int Terms = 8;
    private static readonly TermId First = new("2027SP");
    private static readonly string[] Seasons = ["spring", "autumn"];
    private static readonly string[] Subjects = ["ACO", "BRD", "CAR", "GLZ"];
    private static readonly string[] Attributes = ["Humanities", "Writing", "Society"];

    public static TermsAheadQuestion Make(ulong seed)
    {
        var dice = new Dice(seed);
        var courses = new List<Course>();
        foreach (var subject in Subjects)
            for (var i = 0; i < 16; i++)
                courses.Add(Course(dice, subject, i));
        var core = Subjects.SelectMany(subject =>
            Enumerable
                .Range(0, 5)
                .Select(i =>
                    (Requirement)Leaf($"{subject}{i}", 1, new() { Courses = [new($"{subject} {100 + (i * 20)}")] })
                )
        );
        var electives = Subjects.Select(subject =>
            (Requirement)Leaf($"{subject}+", 3, new() { Subjects = [subject], Numbers = new(200, null) })
        );
        var general = Attributes.Select(attribute =>
            (Requirement)
                new Requirement.Leaf(
                    attribute,
                    attribute,
                    new LeafNeed.InCredits(new(900)),
                    new() { Attributes = [attribute] }
                )
                {
                    Counting = "general",
                }
        );
        return new(
            new(
                "PLAN",
                "Made",
                "",
                new(12_000),
                new Requirement.All("all", "Made", [.. core, .. electives, .. general])
            ),
            new StudentRecord { Student = "S1", Name = "Made" },
            new(courses),
            new(First, "spring", Seasons)
        )
        {
            Terms = Terms,
            Maximum = Credits.Of(18),
        };
    }

    private static Course Course(Dice dice, string subject, int i) =>
        new()
        {
            Id = new($"{subject} {100 + (i * 20)}"),
            Subject = subject,
            Number = $"{100 + (i * 20)}",
            Title = $"{subject} {i}",
            Credits = CreditRange.Of(Credits.Of(dice.Percent(60) ? 3 : 4)),
            Attributes = [.. Attributes.Where(_ => dice.Percent(20))],
            UsuallyOffered = dice.Percent(30) ? [dice.Pick(Seasons)] : null,
            // The core is a chain.
            Prerequisites =
                i is > 0 and < 5 && dice.Percent(70)
                    ? new Prerequisite.CourseTaken(new($"{subject} {100 + ((i - 1) * 20)}"), null)
                    : null,
            Sections = dice.Percent(70)
                ?
                [
                    new Section
                    {
                        Number = new("1"),
                        Label = "1",
                        Term = First,
                        Component = "lecture",
                    },
                ]
                : [],
        };

    private static Requirement.Leaf Leaf(string id, int take, CourseFilter from) =>
        new(id, id, new LeafNeed.Courses(take, LeafNeed.Courses.DefaultEach), from);
}
