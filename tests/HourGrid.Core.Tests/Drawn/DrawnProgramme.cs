using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements;

namespace HourGrid.Core.Tests.Drawn;

/// <summary>Programmes, catalogues and records drawn at random: every kind of node, pools, minimum grades, exams, transfers, repeats.</summary>
internal sealed class DrawnProgramme(Random random, int mostCourses = 9, int mostLeaves = 7)
{
    private static readonly string[] Subjects = ["ACO", "BRD", "CAR"];
    private static readonly string[] Numbers = ["101", "110A", "205", "220", "LAB"];
    private static readonly string[] Attributes = ["Humanities", "Writing", "Science"];
    private static readonly string?[] AllGrades = ["A", "B", "C", "C-", "P", "D", "F", "W", null];
    private static readonly int[] Amounts = [300, 400, 300, 100, 150, 600];

    private int leaves;
    private int nodes;

    /// <summary>Courses of the catalogue; a record may have others.</summary>
    public IReadOnlyList<Course> Catalogue { get; private set; } = [];

    public Programme Programme { get; private set; } = null!;

    public StudentRecord Record { get; private set; } = null!;

    public DrawnProgramme Draw()
    {
        var all = Subjects
            .SelectMany(subject => Numbers.Select(number => $"{subject} {number}"))
            .OrderBy(_ => random.Next())
            .Take(random.Next(1, mostCourses + 1))
            .ToArray();
        Catalogue = [.. all.Where(_ => random.Next(6) > 0).Select(Course)];
        Programme = new("P", "Drawn", "2024", new(random.Next(0, 60) * 100), Node(0, all));
        Record = RecordOf(all);
        return this;
    }

    /// <summary>The record with every course of the catalogue planned besides.</summary>
    public StudentRecord Everything =>
        Record with
        {
            Taken =
            [
                .. Record.Taken,
                .. Catalogue.Select(course => new TakenCourse(
                    course.Id,
                    new("T"),
                    default,
                    null,
                    TakenStatus.Planned
                )),
            ],
        };

    /// <summary>The same with sections in a term, seasons, prerequisites and corequisites; and with less in the record.</summary>
    public DrawnProgramme WithTerms(TermId term)
    {
        CourseId[] ids = [.. Catalogue.Select(course => course.Id)];
        Catalogue =
        [
            .. Catalogue.Select(course =>
                course with
                {
                    Sections = random.Next(5) == 0 ? [] : [Section(term)],
                    UsuallyOffered = random.Next(7) switch
                    {
                        0 => [],
                        1 or 2 => ["autumn"],
                        3 => ["spring"],
                        _ => null,
                    },
                    Prerequisites = random.Next(2) == 0 ? Condition(ids, 2) : null,
                    Corequisites = random.Next(8) == 0 ? [ids[random.Next(ids.Length)]] : [],
                }
            ),
        ];
        Record = Record with
        {
            Taken = [.. Record.Taken.Where(_ => random.Next(2) == 0)],
            Transfer = [],
            Exams = [.. Record.Exams.Where(_ => random.Next(3) == 0)],
        };
        return this;
    }

    private Section Section(TermId term) =>
        new()
        {
            Number = new("1"),
            Label = "1",
            Term = term,
            Component = "lecture",
            Status = random.Next(9) == 0 ? SectionStatus.Cancelled : SectionStatus.Closed,
        };

    private Prerequisite Condition(CourseId[] ids, int depth) =>
        (depth == 0 ? 5 : random.Next(8)) switch
        {
            0 => new Prerequisite.All([Condition(ids, depth - 1), Condition(ids, depth - 1)]),
            1 or 2 => new Prerequisite.Any([Condition(ids, depth - 1), Condition(ids, depth - 1)]),
            3 => new Prerequisite.ExamTaken("Exam", random.Next(3, 6)),
            _ => new Prerequisite.CourseTaken(
                ids[random.Next(ids.Length)],
                random.Next(3) == 0 ? AllGrades[random.Next(4)] : null
            ),
        };

    private Course Course(string id) =>
        new()
        {
            Id = new(id),
            Subject = id[..3],
            Number = id[4..],
            Title = id,
            Credits = new(new(Amount()), new(900)),
            Attributes = [.. Attributes.Where(_ => random.Next(3) == 0)],
        };

    private int Amount() => Amounts[random.Next(Amounts.Length)];

    private Requirement Node(int depth, string[] courses)
    {
        var id = $"n{nodes++}";
        var left = mostLeaves - leaves;
        if (left < 2 || depth == 3 || (depth > 0 && random.Next(2) == 0))
            return Leaf(id, courses);
        leaves++;
        var parts = Enumerable
            .Range(0, random.Next(1, Math.Min(4, left)))
            .Select(i => i == 0 ? OneLess() : Part())
            .ToArray();
        return random.Next(2) == 0
            ? new Requirement.All(id, id, parts)
            : new Requirement.Any(id, id, random.Next(1, parts.Length + 1), parts);

        Requirement OneLess()
        {
            leaves--;
            return Node(depth + 1, courses);
        }

        Requirement Part() => leaves < mostLeaves ? Node(depth + 1, courses) : Leaf($"n{nodes++}", courses);
    }

    private Requirement.Leaf Leaf(string id, string[] courses)
    {
        leaves++;
        return new(
            id,
            id,
            random.Next(2) == 0
                ? new LeafNeed.Courses(
                    random.Next(1, 4),
                    random.Next(3) == 0 ? new(Amount()) : LeafNeed.Courses.DefaultEach
                )
                : new LeafNeed.InCredits(new(random.Next(1, 15) * (random.Next(4) == 0 ? 50 : 100))),
            Filter(courses)
        )
        {
            MinGrade = random.Next(3) == 0 ? (Grade)random.Next((int)Grade.D, (int)Grade.A + 1) : null,
            Counting = random.Next(4) == 0 ? "general" : Requirement.Leaf.ProgrammePool,
        };
    }

    private CourseFilter Filter(string[] courses) =>
        new()
        {
            Courses = [.. courses.Where(_ => random.Next(3) == 0).Select(id => new CourseId(id))],
            Subjects = random.Next(3) == 0 ? [.. Subjects.Where(_ => random.Next(2) == 0)] : [],
            Attributes = random.Next(4) == 0 ? [Attributes[random.Next(Attributes.Length)]] : [],
            Numbers =
                random.Next(4) == 0
                    ? new NumberRange(
                        random.Next(2) == 0 ? random.Next(100, 220) : null,
                        random.Next(2) == 0 ? random.Next(110, 230) : null
                    )
                    : null,
            Except = random.Next(4) == 0 ? [new(courses[random.Next(courses.Length)])] : [],
        };

    private StudentRecord RecordOf(string[] courses)
    {
        var taken = new List<TakenCourse>();
        var exams = new List<ExamResult>();
        var transfer = new List<TransferCredit>();
        foreach (var course in courses)
            do switch (random.Next(8))
            {
                case 0:
                    exams.Add(new("Exam", 4, [new(course)], new(Amount())));
                    break;
                case 1:
                    transfer.Add(new(new(course), new(Amount()), "Another college"));
                    break;
                case 2:
                    taken.Add(new(new(course), new("T"), new(Amount()), null, TakenStatus.UnderWay));
                    break;
                case 3:
                    taken.Add(new(new(course), new("T"), new(Amount()), null, TakenStatus.Planned));
                    break;
                default:
                    var grade = AllGrades[random.Next(AllGrades.Length)];
                    taken.Add(
                        new(
                            new(course),
                            new("T"),
                            new(Amount()),
                            grade is not null && Grades.TryParse(grade, out var read) ? read : null,
                            TakenStatus.Completed
                        )
                    );
                    break;
            }
            while (random.Next(4) == 0);
        return new()
        {
            Student = "S1",
            Name = "Drawn",
            Taken = taken,
            Exams = exams,
            Transfer = transfer,
        };
    }
}
