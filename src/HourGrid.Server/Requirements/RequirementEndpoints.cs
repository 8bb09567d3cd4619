using System.ComponentModel.DataAnnotations;
using System.Security.Claims;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Core.Requirements;
using HourGrid.Core.Requirements.Ahead;
using HourGrid.Core.Searching;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Computing;
using HourGrid.Server.Requests;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Requirements;

/// <summary>What the degree still needs, what a term could do about it, and when it can be done.</summary>
internal static class RequirementEndpoints
{
    public static void MapRequirements(this IEndpointRouteBuilder api)
    {
        var requirements = api.MapGroup("/terms/{term}/requirements").RequireAuthorization().LimitAtOnce();
        requirements.MapPost("/", AuditAsync).WithName("Requirements");
        requirements.MapPost("/offers", OffersAsync).WithName("OffersForRequirement");
        requirements.MapPost("/end", EndAsync).WithName("EndInSight");
    }

    private static async Task<RequirementsRecord> AuditAsync(
        string term,
        Body<RequirementsRequest> body,
        ClaimsPrincipal user,
        RequirementService service,
        CurrentCatalogue catalogue,
        StudentQueue queue,
        CancellationToken cancellation
    )
    {
        var (programme, plan) = body.Value;
        var looked = await service.LookAsync(user, term, programme, cancellation);
        return await queue.RunAsync(
            () =>
            {
                var record = looked.With(plan);
                var audit = looked.Programme is { } theirs
                    ? RequirementAudit.Of(theirs, record, looked.Courses, cancellation: cancellation)
                    : null;
                var terms = PlanChecks.Of(looked.Ahead(catalogue.Seasons), looked.Terms, plan);
                return new RequirementsRecord(
                    looked.Known.AsOf.UtcDateTime,
                    looked.Known.IsCurrent,
                    [.. looked.Programmes.Select(one => new ProgrammeRecord(one.Id, one.Name, one.From))],
                    [.. looked.Known.Record.Programmes.Where(name => looked.Programmes.All(one => one.Name != name))],
                    audit is null ? null : AuditRecord.Of(audit, record, looked.Courses),
                    OutsideRecord.Of(looked.Known.Record, audit),
                    StripTermRecord.All(looked, terms, catalogue.Terms),
                    looked.Known.Record.Load.Maximum?.Value
                );
            },
            cancellation
        );
    }

    private static async Task<OffersRecord> OffersAsync(
        string term,
        Body<OffersRequest> body,
        ClaimsPrincipal user,
        RequirementService service,
        CurrentCatalogue catalogue,
        StudentQueue queue,
        CancellationToken cancellation
    )
    {
        var (programme, requirement, plan) = body.Value;
        var looked = await service.LookAsync(user, term, programme, cancellation);
        var leaf =
            looked.Programme?.Leaves.FirstOrDefault(one => one.Id == requirement)
            ?? throw Refusals.NoSuchRequirement(requirement);
        var frame = catalogue.GetIndex(term).Frame;
        return await queue.RunAsync(
            () => new OffersRecord(OffersFor(looked, leaf, plan, frame, catalogue.Terms, cancellation)),
            cancellation
        );
    }

    private static IReadOnlyList<OfferedForRecord> OffersFor(
        LookedAt looked,
        Requirement.Leaf leaf,
        AheadPlan plan,
        StampFrame frame,
        IReadOnlyList<Term> terms,
        CancellationToken cancellation
    )
    {
        var record = looked.With(plan);
        var question = looked.Question with { Record = record };
        var before = RequirementAudit.Of(looked.Programme!, record, looked.Courses, cancellation: cancellation);
        var helping = HelpingCourses
            .Of(looked.Programme!, looked.Courses, question, cancellation: cancellation)
            .ToDictionary(one => one.Course);
        var counted = CountedEntries.Of(record, looked.Courses);
        return
        [
            .. looked
                .Snapshot.Courses.Where(offered =>
                    leaf.From.Admits(looked.Courses[offered.Course.Id])
                    && HelpingCourses.IsOffered(offered.Course, looked.Snapshot.Term.Id)
                    && (helping.ContainsKey(offered.Course.Id) || !counted.ContainsKey(offered.Course.Id))
                )
                .Select(offered =>
                {
                    var answer = CourseEligibility.Of(looked.Question, offered.Course);
                    var against = answer.Findings.Where(finding => finding is not EligibilityFinding.Corequisite);
                    return new OfferedForRecord(
                        FoundRecord.Of(new(offered, [.. offered.SectionsOffered]), frame),
                        helping.TryGetValue(offered.Course.Id, out var help)
                            ? before.ShortWithPlanned.Value - help.ShortAfter.Value
                            : 0,
                        !against.Any(),
                        [.. answer.Findings.Select(finding => EligibilityWords.Of(finding, terms))],
                        EligibilityWords.IfPassed(answer.IfPassed),
                        [
                            .. looked
                                .Programme!.Leaves.Where(other =>
                                    other.Id != leaf.Id && other.From.Admits(looked.Courses[offered.Course.Id])
                                )
                                .Select(other => other.Name),
                        ]
                    );
                })
                .OrderByDescending(one => one.IsEligible)
                .ThenByDescending(one => one.Settles)
                .ThenBy(one => one.Found.Id, StringComparer.Ordinal),
        ];
    }

    private static async Task<EndInSightRecord> EndAsync(
        string term,
        Body<EndRequest> body,
        ClaimsPrincipal user,
        RequirementService service,
        CurrentCatalogue catalogue,
        StudentQueue queue,
        CancellationToken cancellation
    )
    {
        var looked = await service.LookAsync(user, term, body.Value.Programme, cancellation);
        if (looked.Programme is null)
            throw Refusals.NoProgramme();
        return await queue.RunAsync(
            () =>
            {
                var answer = TermsAhead.Of(
                    looked.Ahead(catalogue.Seasons),
                    looked.Question,
                    cancellation: cancellation
                );
                var named = AheadTerm.From(
                    catalogue.Terms,
                    catalogue.Seasons,
                    looked.Snapshot.Term.Id,
                    TermsAheadQuestion.UsualTerms
                );
                return new EndInSightRecord(
                    answer.Terms,
                    answer.IsExact,
                    PlanWords.End(answer, named),
                    answer.Plan is not { } plan || plan.Count > named.Count
                        ? null
                        :
                        [
                            .. plan.Select(
                                (courses, i) =>
                                    new PlannedTermRecord(
                                        named[i].Id.Value,
                                        named[i].Name,
                                        [.. courses.Select(course => course.Value)]
                                    )
                            ),
                        ],
                    [
                        .. answer
                            .Waiting.Where(one => (one.Later ?? int.MaxValue) > (one.Now ?? int.MaxValue))
                            .Select(one => new WaitingRecord(
                                one.Course.Value,
                                one.Now,
                                one.Later,
                                one.IsExact,
                                PlanWords.Waiting(
                                    one,
                                    WaitingReason.Of(one.Course, answer.Plan ?? [], looked.Courses)
                                )
                            )),
                    ]
                );
            },
            cancellation
        );
    }
}

/// <param name="Programme">The id of one of the student's programmes; null for the first.</param>
/// <param name="Plan">What is put into terms ahead.</param>
internal sealed record RequirementsRequest([property: MaxLength(40)] string? Programme, AheadPlan Plan);

/// <param name="Programme">The id of the programme.</param>
/// <param name="Requirement">The id of one of its leaves.</param>
/// <param name="Plan">What is put into terms ahead.</param>
internal sealed record OffersRequest(
    [property: MaxLength(40)] string? Programme,
    [property: MaxLength(40)] string Requirement,
    AheadPlan Plan
);

/// <param name="Programme">The id of one of the student's programmes; null for the first.</param>
internal sealed record EndRequest([property: MaxLength(40)] string? Programme);
