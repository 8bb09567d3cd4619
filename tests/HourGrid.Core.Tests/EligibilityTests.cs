using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Core.Records;
using HourGrid.Core.Tests.Drawn;
using HourGrid.Core.Tests.Plain;

namespace HourGrid.Core.Tests;

/// <summary>Who may take a course, held against a plain evaluation of drawn records and conditions.</summary>
public sealed class EligibilityTests
{
    private static readonly TermId Next = new("2027SP");
    private static readonly Dictionary<TermId, DateOnly> Starts = new()
    {
        [new("2026AU")] = new(2026, 8, 31),
        [Next] = new(2027, 1, 11),
        [new("2027AU")] = new(2027, 8, 30),
    };
    private static readonly string[] Terms = ["2025AU", "2026AU", "2027SP", "2027AU"];

    [Fact]
    public void Findings_are_those_of_a_plain_evaluation()
    {
        var (may, mayNot, several, dependent) = (0, 0, 0, 0);
        for (var draw = 0; draw < Draws.Of(4_000); draw++)
        {
            var random = new Random(draw);
            var question = Question(random);
            var plain = new PlainEligibility(question);
            var tree = Tree(random, 3);
            var answer = CourseEligibility.Of(question, Course(tree));
            var missing = answer.Findings.OfType<EligibilityFinding.Prerequisite>().SingleOrDefault()?.Missing;
            Assert.Equal(plain.MeetsAll(tree, countUnderWay: true), missing is null);
            if (missing is not null)
            {
                Assert.Equal(plain.Missing(tree), missing.Select(PlainEligibility.Text).ToHashSet());
                Assert.Equal(missing.Select(set => set.Count).Order(), missing.Select(set => set.Count));
                several += missing.Count > 1 ? 1 : 0;
                mayNot++;
            }
            else if (plain.MeetsAll(tree, countUnderWay: false))
            {
                Assert.Empty(answer.IfPassed);
                may++;
            }
            else
            {
                // Each of the sets is enough, and passing none of its courses is not.
                foreach (var set in answer.IfPassed)
                {
                    Assert.NotEmpty(set);
                    Assert.True(
                        plain.MeetsAll(tree, false, [.. set.Select(one => new Prerequisite.CourseTaken(one, "A"))])
                    );
                    foreach (var left in set)
                        Assert.False(
                            plain.MeetsAll(
                                tree,
                                false,
                                [
                                    .. set.Where(one => one != left)
                                        .Select(one => new Prerequisite.CourseTaken(one, "A")),
                                ]
                            )
                        );
                }
                Assert.NotEmpty(answer.IfPassed);
                dependent++;
            }
        }
        Assert.All([may, mayNot, several, dependent], count => Assert.True(count > 100));
    }

    [Theory]
    [InlineData("A", "C", true)]
    [InlineData("C", "C", true)]
    [InlineData("C-", "C", false)]
    [InlineData("P", "C", true)]
    [InlineData("P", "C+", false)]
    [InlineData("P", null, true)]
    [InlineData("D", null, true)]
    [InlineData("F", null, false)]
    [InlineData("W", null, false)]
    [InlineData(null, null, false)]
    public void A_minimum_is_met_by_grades_that_count(string? grade, string? minimum, bool isMet)
    {
        var record = Record(
            new TakenCourse(
                new("C0"),
                new("2025AU"),
                Credits.Of(3),
                grade is null ? null : Parse(grade),
                TakenStatus.Completed
            )
        );
        var answer = CourseEligibility.Of(
            new(record, Next, Starts),
            Course(new Prerequisite.CourseTaken(new("C0"), minimum))
        );
        Assert.Equal(isMet, answer.MayTake);
    }

    [Fact]
    public void Everything_against_a_course_is_said_at_once()
    {
        var record = Record(
            new TakenCourse(new("X"), new("2026AU"), Credits.Of(3), Grade.B, TakenStatus.Completed)
        ) with
        {
            Programmes = ["Cartography"],
            Year = "second",
        };
        var course = Course(new Prerequisite.CourseTaken(new("C1"), null)) with
        {
            Corequisites = [new("C2"), new("C3")],
            Restrictions = [new("programme", ["Robotics"]), new("year", ["second"]), new("level", ["graduate"])],
            Sections = [Made.Section("1") with { Term = Next, Consent = true }],
        };
        var question = new EligibilityQuestion(record, Next, Starts)
        {
            Beside = new HashSet<CourseId> { new("C3") },
            Registered = new HashSet<CourseId> { new("X") },
        };
        var findings = CourseEligibility.Of(question, course).Findings;
        Assert.Equal(
            ["Prerequisite", "Corequisite", "Restriction", "Restriction", "Consent", "AlreadyPassed", "Registered"],
            findings.Select(finding => finding.GetType().Name)
        );
        Assert.Equal([new CourseId("C2")], findings.OfType<EligibilityFinding.Corequisite>().Single().Missing);
        var granted = question with
        {
            Granted = new HashSet<Grant>
            {
                new(new("X"), GrantKind.Prerequisite),
                new(new("X"), GrantKind.Restriction),
                new(new("X"), GrantKind.Consent),
            },
        };
        Assert.Equal(
            ["Corequisite", "AlreadyPassed", "Registered"],
            CourseEligibility.Of(granted, course).Findings.Select(finding => finding.GetType().Name)
        );
        Assert.DoesNotContain(
            CourseEligibility.Of(granted, course with { IsRepeatable = true }).Findings,
            finding => finding is EligibilityFinding.AlreadyPassed
        );
    }

    [Theory]
    [InlineData(true, true, true)]
    [InlineData(true, false, false)]
    [InlineData(false, false, false)]
    public void Consent_is_needed_where_no_way_goes_without(bool first, bool second, bool isNeeded)
    {
        var course = Course(null) with
        {
            Sections =
            [
                Made.Section("1") with
                {
                    Term = Next,
                    Consent = first,
                },
                Made.Section("2") with
                {
                    Term = Next,
                    Consent = second,
                },
                Made.Section("3") with
                {
                    Term = Next,
                    Component = "lab",
                },
                Made.Section("4") with
                {
                    Term = new("2026AU"),
                },
                Made.Section("5") with
                {
                    Term = Next,
                    Status = SectionStatus.Cancelled,
                },
            ],
        };
        Assert.Equal(isNeeded, !CourseEligibility.Of(new(Record(), Next, Starts), course).MayTake);
    }

    private static Grade Parse(string text) =>
        Grades.TryParse(text, out var grade) ? grade : throw new InvalidOperationException(text);

    private static StudentRecord Record(params TakenCourse[] taken) =>
        new()
        {
            Student = "S1",
            Name = "A Student",
            Taken = taken,
        };

    private static Course Course(Prerequisite? tree) =>
        Made.Course(0, []) with
        {
            Id = new("X"),
            Prerequisites = tree,
        };

    private static EligibilityQuestion Question(Random random)
    {
        var record = Record([
            .. Enumerable
                .Range(0, random.Next(5))
                .Select(_ => new TakenCourse(
                    new($"C{random.Next(4)}"),
                    new(Terms[random.Next(Terms.Length)]),
                    Credits.Of(3),
                    random.Next(6) == 0 ? null : (Grade)random.Next(12),
                    (TakenStatus)random.Next(3)
                )),
        ]);
        return new(
            record with
            {
                Exams =
                    random.Next(3) > 0
                        ? []
                        : [new($"E{random.Next(2)}", random.Next(6), [new($"C{random.Next(4)}")], Credits.Of(4))],
                Transfer = random.Next(5) > 0 ? [] : [new(new($"C{random.Next(4)}"), Credits.Of(3), "Elsewhere")],
            },
            Next,
            Starts
        );
    }

    private static Prerequisite Tree(Random random, int depth)
    {
        if (depth == 0 || random.Next(3) == 0)
            return random.Next(4) == 0
                ? new Prerequisite.ExamTaken($"E{random.Next(2)}", random.Next(2) == 0 ? null : random.Next(6))
                : new Prerequisite.CourseTaken(
                    new($"C{random.Next(4)}"),
                    random.Next(2) == 0 ? null : new[] { "A-", "B", "C", "C-" }[random.Next(4)]
                );
        Prerequisite[] parts = [.. Enumerable.Range(0, random.Next(1, 4)).Select(_ => Tree(random, depth - 1))];
        return random.Next(2) == 0 ? new Prerequisite.All(parts) : new Prerequisite.Any(parts);
    }
}
