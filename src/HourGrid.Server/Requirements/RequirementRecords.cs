using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements;
using HourGrid.Formats.Requirements;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Requirements;

/// <summary>What the degree of a student still needs.</summary>
/// <param name="AsOf">When the record on which it rests was read.</param>
/// <param name="IsCurrent">Whether the registrar answered when it was asked last.</param>
/// <param name="Programmes">The student's programmes that are known here.</param>
/// <param name="Unknown">Names of those that are not.</param>
/// <param name="Audit">What the one that is context at needs; null where there is none.</param>
/// <param name="Outside">Credit from school exams and from elsewhere.</param>
/// <param name="Terms">Past terms, this one, and the next.</param>
/// <param name="Maximum">The most credits of a term; null for no bound.</param>
internal sealed record RequirementsRecord(
    DateTime AsOf,
    bool IsCurrent,
    IReadOnlyList<ProgrammeRecord> Programmes,
    IReadOnlyList<string> Unknown,
    AuditRecord? Audit,
    IReadOnlyList<OutsideRecord> Outside,
    IReadOnlyList<StripTermRecord> Terms,
    decimal? Maximum
);

/// <param name="Id">Its id.</param>
/// <param name="Name">Its name.</param>
/// <param name="From">From when it holds; may be empty.</param>
internal sealed record ProgrammeRecord(string Id, string Name, string From);

/// <param name="Programme">Which programme.</param>
/// <param name="Short">What it is short of, reckoned in credits, with all that is planned.</param>
/// <param name="ShortWithUnderWay">The same without what is planned.</param>
/// <param name="ShortCompleted">The same with what is completed alone.</param>
/// <param name="Completed">All credits completed, each course once.</param>
/// <param name="UnderWay">All credits under way.</param>
/// <param name="Planned">All credits planned.</param>
/// <param name="Needed">All credits the programme asks for.</param>
/// <param name="IsExact">False where time ran out: it is then short of no more than this.</param>
/// <param name="Nodes">Every requirement, a node before what is in it.</param>
/// <param name="Unused">Courses that count and are given to no requirement.</param>
internal sealed record AuditRecord(
    string Programme,
    decimal Short,
    decimal ShortWithUnderWay,
    decimal ShortCompleted,
    decimal Completed,
    decimal UnderWay,
    decimal Planned,
    decimal Needed,
    bool IsExact,
    IReadOnlyList<NodeRecord> Nodes,
    IReadOnlyList<GivenCourseRecord> Unused
)
{
    public static AuditRecord Of(AuditAnswer audit, StudentRecord record, CourseBook courses)
    {
        var entries = CountedEntries.Of(record, courses);
        var parents = new Dictionary<Requirement, (string Id, int Depth)>(ReferenceEqualityComparer.Instance);
        Note(audit.Programme.Root, 0);
        return new(
            audit.Programme.Id,
            audit.ShortWithPlanned.Value,
            audit.ShortWithUnderWay.Value,
            audit.ShortCompleted.Value,
            audit.Completed.Value,
            audit.UnderWay.Value,
            audit.Planned.Value,
            audit.Programme.Credits.Value,
            audit.IsExact,
            [
                .. audit.Nodes.Select(node =>
                    NodeRecord.Of(node, parents.GetValueOrDefault(node.Requirement), entries)
                ),
            ],
            [.. audit.Unused.Select(course => GivenCourseRecord.Of(entries[course][0]))]
        );

        void Note(Requirement node, int depth)
        {
            foreach (var part in PartsOf(node))
            {
                parents[part] = (node.Id, depth + 1);
                Note(part, depth + 1);
            }
        }
    }

    private static IReadOnlyList<Requirement> PartsOf(Requirement node) =>
        node switch
        {
            Requirement.All all => all.Of,
            Requirement.Any any => any.Of,
            _ => [],
        };
}

/// <param name="Id">Its id.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Parent">The node it is a part of; null for the root.</param>
/// <param name="Depth">How deep it stands; 0 for the root.</param>
/// <param name="Kind">all, any, courses or credits.</param>
/// <param name="Take">How many parts it takes, or how many courses; null where neither.</param>
/// <param name="EachCredits">What a course is reckoned at; null unless it takes so many.</param>
/// <param name="MinGrade">The least grade; null where any that counts will do.</param>
/// <param name="State">done, underWay, planned, short or notNeeded.</param>
/// <param name="Short">What it is short of, reckoned in credits.</param>
/// <param name="ShortWithUnderWay">The same without what is planned.</param>
/// <param name="ShortCompleted">The same with what is completed alone.</param>
/// <param name="Total">All it asks for, reckoned in credits.</param>
/// <param name="Courses">Courses given to it; none unless it is a leaf.</param>
internal sealed record NodeRecord(
    string Id,
    string Name,
    string? Parent,
    int Depth,
    string Kind,
    int? Take,
    decimal? EachCredits,
    string? MinGrade,
    string State,
    decimal Short,
    decimal ShortWithUnderWay,
    decimal ShortCompleted,
    decimal Total,
    IReadOnlyList<GivenCourseRecord> Courses
)
{
    public static NodeRecord Of(
        AuditedNode node,
        (string Id, int Depth) place,
        IReadOnlyDictionary<CourseId, IReadOnlyList<CountedEntry>> entries
    )
    {
        var leaf = node.Requirement as Requirement.Leaf;
        var courses = leaf?.Need as LeafNeed.Courses;
        return new(
            node.Requirement.Id,
            node.Requirement.Name,
            place.Id,
            place.Depth,
            node.Requirement switch
            {
                Requirement.All => "all",
                Requirement.Any => "any",
                _ => courses is null ? "credits" : "courses",
            },
            (node.Requirement as Requirement.Any)?.Take ?? courses?.Count,
            courses?.Each.Value,
            leaf?.MinGrade is { } grade ? Grades.Text(grade) : null,
            RequirementWords.States.Write(node.State),
            node.ShortWithPlanned.Value,
            node.ShortWithUnderWay.Value,
            node.ShortCompleted.Value,
            node.Total.Value,
            [
                .. node.Courses.Select(course =>
                    GivenCourseRecord.Of(entries[course].First(entry => entry.Meets(leaf?.MinGrade)))
                ),
            ]
        );
    }
}

/// <param name="Course">The course.</param>
/// <param name="Status">completed, exam, transfer, underWay or planned.</param>
/// <param name="Grade">The grade; null where there is none.</param>
/// <param name="Credits">What it carries.</param>
internal sealed record GivenCourseRecord(string Course, string Status, string? Grade, decimal Credits)
{
    public static GivenCourseRecord Of(CountedEntry entry) =>
        new(
            entry.Course.Value,
            (entry.Status, entry.Source) switch
            {
                (_, EntrySource.Exam) => "exam",
                (_, EntrySource.Transfer) => "transfer",
                (CountedStatus.Completed, _) => "completed",
                (CountedStatus.UnderWay, _) => "underWay",
                _ => "planned",
            },
            entry.Grade is { } grade ? Grades.Text(grade) : null,
            entry.Credits.Value
        );
}

/// <param name="What">The exam with its score, or where it is from.</param>
/// <param name="As">The course it counts as.</param>
/// <param name="Credits">What it carries.</param>
/// <param name="Requirements">Names of the requirements to which it is given.</param>
internal sealed record OutsideRecord(string What, string As, decimal Credits, IReadOnlyList<string> Requirements)
{
    public static IReadOnlyList<OutsideRecord> Of(StudentRecord record, AuditAnswer? audit)
    {
        return
        [
            .. record.Exams.SelectMany(exam =>
                exam.CountsAs.Select(course => new OutsideRecord(
                    Saying.Invariant($"{exam.Exam}, {exam.Score:0.##}"),
                    course.Value,
                    exam.Credits.Value,
                    GivenTo(course)
                ))
            ),
            .. record.Transfer.Select(one => new OutsideRecord(
                one.From,
                one.As.Value,
                one.Credits.Value,
                GivenTo(one.As)
            )),
        ];

        IReadOnlyList<string> GivenTo(CourseId course) =>
            [
                .. (audit?.Nodes ?? [])
                    .Where(node => node.Courses.Contains(course))
                    .Select(node => node.Requirement.Name),
            ];
    }
}
