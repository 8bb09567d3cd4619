using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements;
using HourGrid.Core.Requirements.Ahead;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Requirements;

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
        DegreeContext context,
        IReadOnlyList<CheckedTerm> terms,
        IReadOnlyList<Term> known
    )
    {
        var ahead = terms.Select(one => one.Term.Id).ToHashSet();
        var names = context
            .Programmes.SelectMany(programme =>
                programme.InOrder.Select(node => ((programme.Id, node.Id), node.Name))
            )
            .ToDictionary(one => one.Item1, one => one.Name);
        return
        [
            .. context
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
                    .. context
                        .Known.Record.Taken.Where(one =>
                            (ahead.Contains(one.Term) ? one.Term == term.Term.Id : term.Term.Number == 1)
                            && (one.Status == TakenStatus.Planned || ahead.Contains(one.Term))
                        )
                        .Select(StripEntryRecord.Of),
                    .. term.Entries.Select(one => StripEntryRecord.Of(one.Entry, one.Findings, names, context)),
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
        DegreeContext context
    )
    {
        var name = entry.Requirement is { } of ? names.GetValueOrDefault((of.Programme, of.Id)) : null;
        return new(
            entry.Id,
            entry.Course?.Value,
            entry.Requirement is null ? null : name ?? entry.Requirement.Id,
            entry.Course is { } course
                ? (context.Courses[course].LeastCredits ?? default).Value
                : LeafNeed.Courses.DefaultEach.Value,
            "planned",
            entry.Requirement is not null && name is null
                ? [PlanWords.RequirementGone]
                : [.. findings.Select(finding => PlanWords.Of(finding, context.Terms))]
        );
    }
}
