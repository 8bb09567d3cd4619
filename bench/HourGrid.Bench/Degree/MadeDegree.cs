using HourGrid.Bench.Ladder;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements;

namespace HourGrid.Bench.Degree;

/// <summary>A made degree of sixty leaves, a catalogue for it, and the record of a student with sixty courses.</summary>
/// <remarks>
/// As degrees are: a core of single courses, electives by subject and level that overlap, tracks one of which is enough, and
/// general education in a pool of its own; courses of three and four credits, some of one.
/// </remarks>
internal sealed class MadeDegree
{
    private const int Leaves = 60;
    private const int CoursesOfSubject = 24;
    private const int CoursesTaken = 60;

    private static readonly string[] Subjects =
    [
        "ACO",
        "BRD",
        "CAR",
        "GLZ",
        "LOG",
        "MTH",
        "ROB",
        "SHP",
        "TID",
        "WRT",
    ];
    private static readonly string[] Attributes =
    [
        "Humanities",
        "Writing",
        "Science",
        "Making",
        "Quantitative",
        "Harbour",
    ];

    private readonly Dice dice;
    private int leaves;

    public MadeDegree(ulong seed)
    {
        dice = new(seed);
        Courses =
        [
            .. Subjects.SelectMany(subject => Enumerable.Range(0, CoursesOfSubject).Select(i => Course(subject, i))),
        ];
        Programme = new("MADE", "Made", "2024", new(18_000), new Requirement.All("all", "Made", [.. Parts()]));
        Record = RecordOf();
    }

    public IReadOnlyList<Course> Courses { get; }

    public Programme Programme { get; }

    public StudentRecord Record { get; }

    private Course Course(string subject, int i) =>
        new()
        {
            Id = new($"{subject} {100 + i * 15}"),
            Subject = subject,
            Number = $"{100 + i * 15}",
            Title = $"{subject} {i}",
            Credits = CreditRange.Of(
                Credits.Of(
                    dice.Percent(10) ? 1
                    : dice.Percent(50) ? 3
                    : 4
                )
            ),
            Attributes = [.. Attributes.Where(_ => dice.Percent(18))],
        };

    private IEnumerable<Requirement> Parts()
    {
        // The core: one course each, or one of two.
        for (var i = 0; i < 14; i++)
            yield return Leaf(
                new LeafNeed.Courses(1, LeafNeed.Courses.DefaultEach),
                Listed(1 + dice.Below(2)),
                dice.Percent(40) ? Grade.C : null
            );
        // Tracks of four leaves, of which one is enough.
        for (var i = 0; i < 3; i++)
            yield return new Requirement.Any(
                $"tracks{i}",
                "Tracks",
                1,
                [
                    .. Enumerable
                        .Range(0, 3)
                        .Select(track => new Requirement.All(
                            $"track{i}{track}",
                            "Track",
                            [.. Enumerable.Range(0, 3).Select(_ => Elective())]
                        )),
                ]
            );
        while (leaves < Leaves - 8)
            yield return Elective();
        while (leaves < Leaves)
            yield return Leaf(
                dice.Percent(50)
                    ? new LeafNeed.InCredits(new(300 * (1 + dice.Below(3))))
                    : new LeafNeed.Courses(1 + dice.Below(2), LeafNeed.Courses.DefaultEach),
                new() { Attributes = [dice.Pick(Attributes)] },
                pool: "general"
            );
    }

    private Requirement.Leaf Elective()
    {
        var low = 100 + (dice.Below(3) * 100);
        return Leaf(
            dice.Percent(40)
                ? new LeafNeed.InCredits(new(100 * (3 + dice.Below(7))))
                : new LeafNeed.Courses(1 + dice.Below(2), LeafNeed.Courses.DefaultEach),
            new() { Subjects = [dice.Pick(Subjects)], Numbers = new(low, low + 199) }
        );
    }

    private CourseFilter Listed(int count) =>
        new() { Courses = [.. Enumerable.Range(0, count).Select(_ => dice.Pick(Courses).Id)] };

    private Requirement.Leaf Leaf(
        LeafNeed need,
        CourseFilter from,
        Grade? minimum = null,
        string pool = Requirement.Leaf.ProgrammePool
    ) => new($"leaf{leaves++}", "Leaf", need, from) { MinGrade = minimum, Counting = pool };

    private StudentRecord RecordOf()
    {
        Grade[] grades = [Grade.A, Grade.B, Grade.B, Grade.C, Grade.D];
        // More of what the core lists than chance would give.
        var listed = Programme.Leaves.SelectMany(leaf => leaf.From.Courses).Distinct().ToArray();
        var taken = listed
            .Where(_ => dice.Percent(70))
            .Concat(Courses.Select(course => course.Id).OrderBy(_ => dice.Below(1_000_000)))
            .Distinct()
            .Take(CoursesTaken)
            .ToArray();
        return new()
        {
            Student = "S1",
            Name = "Made",
            Taken =
            [
                .. taken.Select(
                    (course, i) =>
                        new TakenCourse(
                            course,
                            new("T"),
                            Courses.Single(one => one.Id == course).Credits.Min,
                            i % 6 < 4 ? dice.Pick(grades) : null,
                            i % 6 < 4 ? TakenStatus.Completed
                                : i % 6 == 4 ? TakenStatus.UnderWay
                                : TakenStatus.Planned
                        )
                ),
            ],
            Load = new(Credits.Of(12), Credits.Of(15), Credits.Of(18)),
        };
    }
}
