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
        var context = await service.ContextOfAsync(user, term, programme, cancellation);
        return await queue.RunAsync(
            () =>
            {
                var record = context.With(plan);
                var audit = context.Programme is { } theirs
                    ? RequirementAudit.Of(theirs, record, context.Courses, cancellation: cancellation)
                    : null;
                var terms = PlanChecks.Of(context.Ahead(catalogue.Seasons), context.Terms, plan);
                return new RequirementsRecord(
                    context.Known.AsOf.UtcDateTime,
                    context.Known.IsCurrent,
                    [.. context.Programmes.Select(one => new ProgrammeRecord(one.Id, one.Name, one.From))],
                    [
                        .. context.Known.Record.Programmes.Where(name =>
                            context.Programmes.All(one => one.Name != name)
                        ),
                    ],
                    audit is null ? null : AuditRecord.Of(audit, record, context.Courses),
                    OutsideRecord.Of(context.Known.Record, audit),
                    StripTermRecord.All(context, terms, catalogue.Terms),
                    context.Known.Record.Load.Maximum?.Value
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
        var context = await service.ContextOfAsync(user, term, programme, cancellation);
        var leaf =
            context.Programme?.Leaves.FirstOrDefault(one => one.Id == requirement)
            ?? throw Refusals.NoSuchRequirement(requirement);
        var frame = catalogue.GetIndex(term).Frame;
        return await queue.RunAsync(
            () => new OffersRecord(OffersFor(context, leaf, plan, frame, catalogue.Terms, cancellation)),
            cancellation
        );
    }

    private static IReadOnlyList<OfferedForRecord> OffersFor(
        DegreeContext context,
        Requirement.Leaf leaf,
        AheadPlan plan,
        StampFrame frame,
        IReadOnlyList<Term> terms,
        CancellationToken cancellation
    )
    {
        var record = context.With(plan);
        var question = context.Question with { Record = record };
        var before = RequirementAudit.Of(context.Programme!, record, context.Courses, cancellation: cancellation);
        var helping = HelpingCourses
            .Of(context.Programme!, context.Courses, question, cancellation: cancellation)
            .ToDictionary(one => one.Course);
        var counted = CountedEntries.Of(record, context.Courses);
        return
        [
            .. context
                .Snapshot.Courses.Where(offered =>
                    leaf.From.Admits(context.Courses[offered.Course.Id])
                    && HelpingCourses.IsOffered(offered.Course, context.Snapshot.Term.Id)
                    && (helping.ContainsKey(offered.Course.Id) || !counted.ContainsKey(offered.Course.Id))
                )
                .Select(offered =>
                {
                    var answer = CourseEligibility.Of(context.Question, offered.Course);
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
                            .. context
                                .Programme!.Leaves.Where(other =>
                                    other.Id != leaf.Id && other.From.Admits(context.Courses[offered.Course.Id])
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
        var context = await service.ContextOfAsync(user, term, body.Value.Programme, cancellation);
        if (context.Programme is null)
            throw Refusals.NoProgramme();
        return await queue.RunAsync(
            () =>
            {
                var answer = TermsAhead.Of(
                    context.Ahead(catalogue.Seasons),
                    context.Question,
                    cancellation: cancellation
                );
                var named = AheadTerm.From(
                    catalogue.Terms,
                    catalogue.Seasons,
                    context.Snapshot.Term.Id,
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
                                    WaitingReason.Of(one.Course, answer.Plan ?? [], context.Courses)
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
