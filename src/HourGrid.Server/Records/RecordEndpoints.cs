using System.ComponentModel.DataAnnotations;
using System.Security.Claims;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Formats.Records;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Registrar;
using HourGrid.Server.Requests;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Records;

/// <summary>What the registrar knows of who is signed in, and which courses that lets them take.</summary>
internal static class RecordEndpoints
{
    public static void MapRecords(this IEndpointRouteBuilder api)
    {
        var record = api.MapGroup("/record").RequireAuthorization().LimitAtOnce();
        record.MapGet("/", RecordAsync).WithName("MyRecord");
        record.MapPost("/holds/{hold}/agreement", AgreeAsync).WithName("AgreeToHold");
        api.MapPost("/terms/{term}/eligibility", EligibilityAsync)
            .WithName("Eligibility")
            .RequireAuthorization()
            .LimitAtOnce();
    }

    private static async Task<MyRecord> RecordAsync(
        ClaimsPrincipal user,
        KnownRecords records,
        CancellationToken cancellation
    )
    {
        var known = await records.OfAsync(EligibleCourses.NumberOf(user), cancellation);
        return new(RecordDocument.Of(known.Record), known.AsOf.UtcDateTime, known.IsCurrent);
    }

    private static async Task<MyRecord> AgreeAsync(
        string hold,
        ClaimsPrincipal user,
        RegistrarClient registrar,
        KnownRecords records,
        CancellationToken cancellation
    )
    {
        var number = EligibleCourses.NumberOf(user);
        try
        {
            await registrar.AgreeAsync(number, hold, cancellation);
        }
        catch (RegistrarSilentException)
        {
            throw Refusals.RegistrarSilent();
        }
        records.Age(number);
        return await RecordAsync(user, records, cancellation);
    }

    private static async Task<EligibilitiesRecord> EligibilityAsync(
        string term,
        Body<EligibilityRequest> body,
        ClaimsPrincipal user,
        KnownRecords records,
        EligibleCourses eligible,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        var snapshot = catalogue.Get(term);
        var student = EligibleCourses.NumberOf(user);
        var known = await records.OfAsync(student, cancellation);
        var question = await eligible.QuestionAsync(student, snapshot.Term.Id, cancellation) with
        {
            Beside = body.Value.Beside.ToHashSet(),
        };
        return new(
            [
                .. body
                    .Value.Courses.Select(course =>
                        snapshot.Find(course) ?? throw Refusals.NoSuchCourse(course.Value, snapshot.Term)
                    )
                    .Select(offered =>
                        EligibilityRecord.Of(
                            offered.Course.Id,
                            CourseEligibility.Of(question, offered.Course),
                            catalogue.Terms
                        )
                    ),
            ],
            known.AsOf.UtcDateTime,
            known.IsCurrent
        );
    }
}

/// <summary>A student's own record.</summary>
/// <param name="Record">The record.</param>
/// <param name="AsOf">When it was read.</param>
/// <param name="IsCurrent">Whether the registrar answered when it was asked last.</param>
internal sealed record MyRecord(RecordDocument Record, DateTime AsOf, bool IsCurrent);

/// <param name="Courses">The courses, 100 at most.</param>
/// <param name="Beside">Courses of the same plan.</param>
internal sealed record EligibilityRequest(
    [property: MaxLength(100)] IReadOnlyList<CourseId> Courses,
    [property: MaxLength(100)] IReadOnlyList<CourseId> Beside
);

/// <param name="Courses">One for each course, in their order.</param>
/// <param name="AsOf">When the record on which they rest was read.</param>
/// <param name="IsCurrent">Whether the registrar answered when it was asked last.</param>
internal sealed record EligibilitiesRecord(IReadOnlyList<EligibilityRecord> Courses, DateTime AsOf, bool IsCurrent);

/// <summary>Whether a student may take a course.</summary>
/// <param name="Course">The course.</param>
/// <param name="MayTake">Whether nothing stands against it.</param>
/// <param name="Findings">All that does.</param>
/// <param name="IfPassed">On what courses under way it depends, as a sentence; null where on none.</param>
internal sealed record EligibilityRecord(
    string Course,
    bool MayTake,
    IReadOnlyList<FindingRecord> Findings,
    string? IfPassed
)
{
    public static EligibilityRecord Of(CourseId course, EligibilityAnswer answer, IReadOnlyList<Term> terms) =>
        new(
            course.Value,
            answer.MayTake,
            [
                .. answer.Findings.Select(finding => new FindingRecord(
                    EligibilityWords.KindOf(finding),
                    EligibilityWords.Of(finding, terms)
                )),
            ],
            EligibilityWords.IfPassed(answer.IfPassed)
        );
}

/// <summary>Something against taking a course.</summary>
/// <param name="Kind">What kind of thing.</param>
/// <param name="Sentence">What it is, in words.</param>
internal sealed record FindingRecord(string Kind, string Sentence);
