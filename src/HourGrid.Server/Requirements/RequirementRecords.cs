using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements;
using HourGrid.Core.Requirements.Ahead;
using HourGrid.Formats.Requirements;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Requirements;

/// <summary>What the degree of a student still needs.</summary>
/// <param name="AsOf">When the record on which it rests was read.</param>
/// <param name="IsCurrent">Whether the registrar answered when it was asked last.</param>
/// <param name="Programmes">The student's programmes that are known here.</param>
/// <param name="Unknown">Names of those that are not.</param>
/// <param name="Audit">What the one that is looked at needs; null where there is none.</param>
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

/// <param name="Id">The term.</param>
/// <param name="Name">Its name.</param>
/// <param name="Number">0 for a past term, 1 for this one, 2 for the next, and so on.</param>
/// <param name="Credits">All credits that stand in it.</param>
/// <param name="IsOver">Whether that is more than may be taken.</param>
/// <param name="Entries">What stands in it.</param>
internal sealed record StripTermRecord(
    string Id,
    string Name,
    int Number,
    decimal Credits,
    bool IsOver,
    IReadOnlyList<StripEntryRecord> Entries
)
{
    /// <summary>Terms of the record that are past, in the record's order, and then those of the plan.</summary>
    public static IReadOnlyList<StripTermRecord> All(
        LookedAt looked,
        IReadOnlyList<CheckedTerm> terms,
        IReadOnlyList<Term> known
    )
    {
        var ahead = terms.Select(one => one.Term.Id).ToHashSet();
        var names = looked
            .Programmes.SelectMany(programme =>
                programme.InOrder.Select(node => ((programme.Id, node.Id), node.Name))
            )
            .ToDictionary(one => one.Item1, one => one.Name);
        return
        [
            .. looked
                .Known.Record.Taken.Where(one => !ahead.Contains(one.Term) && one.Status != TakenStatus.Planned)
                .GroupBy(one => one.Term)
                .Select(term => new StripTermRecord(
                    term.Key.Value,
                    AheadTerm.NameOf(known, term.Key),
                    0,
                    term.Where(one => one.Status == TakenStatus.UnderWay || one.IsPassed)
                        .Sum(one => one.Credits.Value),
                    false,
                    [.. term.Select(StripEntryRecord.Of)]
                )),
            .. terms.Select(term => new StripTermRecord(
                term.Term.Id.Value,
                term.Term.Name,
                term.Term.Number,
                term.Credits.Value,
                term.IsOver,
                [
                    .. looked
                        .Known.Record.Taken.Where(one =>
                            (ahead.Contains(one.Term) ? one.Term == term.Term.Id : term.Term.Number == 1)
                            && (one.Status == TakenStatus.Planned || ahead.Contains(one.Term))
                        )
                        .Select(StripEntryRecord.Of),
                    .. term.Entries.Select(one => StripEntryRecord.Of(one.Entry, one.Findings, names, looked)),
                ]
            )),
        ];
    }
}

/// <param name="Id">The entry of the plan; null for what the record has.</param>
/// <param name="Course">The course; null where it is a requirement.</param>
/// <param name="Requirement">The name of the requirement; null where it is a course.</param>
/// <param name="Credits">What it carries.</param>
/// <param name="Status">completed, notCounted, underWay, registered or planned.</param>
/// <param name="Findings">What stands against it there, a sentence each.</param>
internal sealed record StripEntryRecord(
    string? Id,
    string? Course,
    string? Requirement,
    decimal Credits,
    string Status,
    IReadOnlyList<string> Findings
)
{
    public static StripEntryRecord Of(TakenCourse taken) =>
        new(
            null,
            taken.Course.Value,
            null,
            taken.Credits.Value,
            taken.Status switch
            {
                TakenStatus.UnderWay => "underWay",
                TakenStatus.Planned => "registered",
                _ => taken.IsPassed ? "completed" : "notCounted",
            },
            []
        );

    public static StripEntryRecord Of(
        PlannedEntry entry,
        IReadOnlyList<PlanFinding> findings,
        Dictionary<(string Programme, string Id), string> names,
        LookedAt looked
    )
    {
        var name = entry.Requirement is { } of ? names.GetValueOrDefault((of.Programme, of.Id)) : null;
        return new(
            entry.Id,
            entry.Course?.Value,
            entry.Requirement is null ? null : name ?? entry.Requirement.Id,
            entry.Course is { } course
                ? (looked.Courses[course].LeastCredits ?? default).Value
                : LeafNeed.Courses.DefaultEach.Value,
            "planned",
            entry.Requirement is not null && name is null
                ? [PlanWords.RequirementGone]
                : [.. findings.Select(finding => PlanWords.Of(finding, looked.Terms))]
        );
    }
}

/// <param name="Courses">What the term offers for a requirement: what settles most first.</param>
internal sealed record OffersRecord(IReadOnlyList<OfferedForRecord> Courses);

/// <param name="Found">The course as the Catalogue shows it.</param>
/// <param name="Settles">By how much the whole is less short with it, reckoned in credits.</param>
/// <param name="IsEligible">Whether nothing stands against taking it but perhaps a corequisite.</param>
/// <param name="Findings">What stands against it, a sentence each.</param>
/// <param name="IfPassed">On what under way it depends; null for nothing.</param>
/// <param name="AlsoCountsAs">Names of the other requirements for which it qualifies.</param>
internal sealed record OfferedForRecord(
    FoundRecord Found,
    decimal Settles,
    bool IsEligible,
    IReadOnlyList<string> Findings,
    string? IfPassed,
    IReadOnlyList<string> AlsoCountsAs
);

/// <param name="Terms">The least number of terms until the programme is complete; null where that is more than was looked at.</param>
/// <param name="IsExact">Whether that is certain; otherwise it is at least so many.</param>
/// <param name="Sentence">When it is done at the earliest, in words.</param>
/// <param name="Plan">A plan of just so many terms; null where none is known.</param>
/// <param name="Waiting">What it costs to leave courses for later, where it costs something.</param>
internal sealed record EndInSightRecord(
    int? Terms,
    bool IsExact,
    string Sentence,
    IReadOnlyList<PlannedTermRecord>? Plan,
    IReadOnlyList<WaitingRecord> Waiting
);

/// <param name="Id">The term.</param>
/// <param name="Name">Its name.</param>
/// <param name="Courses">Courses in it.</param>
internal sealed record PlannedTermRecord(string Id, string Name, IReadOnlyList<string> Courses);

/// <param name="Course">The course.</param>
/// <param name="Now">The least number of terms with it in this one; null for more than was looked at.</param>
/// <param name="Later">The least number with it in a later one or never.</param>
/// <param name="IsExact">Whether both are certain.</param>
/// <param name="Sentence">What waiting costs, in words.</param>
internal sealed record WaitingRecord(string Course, int? Now, int? Later, bool IsExact, string Sentence);
