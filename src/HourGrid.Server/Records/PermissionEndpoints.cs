using System.ComponentModel.DataAnnotations;
using System.Security.Claims;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Registrar;
using HourGrid.Server.Requests;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Records;

/// <summary>What a student asks instructors and the adviser for, and what came of it.</summary>
internal static class PermissionEndpoints
{
    public static void MapPermissions(this IEndpointRouteBuilder api)
    {
        var permissions = api.MapGroup("/terms/{term}/permissions").RequireAuthorization().LimitAtOnce();
        permissions.MapGet("/", ListAsync).WithName("Permissions");
        permissions.MapPost("/", AskAsync).WithName("AskPermission");
        permissions.MapPost("/approval", AskAdviserAsync).WithName("AskApproval");
        permissions.MapPost("/code", GiveInAsync).WithName("GiveInCode");
    }

    private static Task<PermissionsRecord> ListAsync(
        string term,
        ClaimsPrincipal user,
        KnownRecords records,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    ) => OfAsync(EligibleCourses.NumberOf(user), catalogue.Get(term).Term.Id, records, cancellation);

    private static Task<PermissionsRecord> AskAsync(
        string term,
        Body<PermissionAsked> body,
        ClaimsPrincipal user,
        RegistrarClient registrar,
        KnownRecords records,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        var snapshot = catalogue.Get(term);
        var asked = body.Value;
        if (snapshot.Find(asked.Course) is null)
            throw Refusals.NoSuchCourse(asked.Course.Value, snapshot.Term);
        var kind = DomainJson.Grants.Write(asked.Kind);
        return SendAsync(
            new(EligibleCourses.NumberOf(user), term, asked.Course.Value, kind, asked.Words, null),
            registrar,
            records,
            cancellation
        );
    }

    private static Task<PermissionsRecord> AskAdviserAsync(
        string term,
        Body<ApprovalAsked> body,
        ClaimsPrincipal user,
        RegistrarClient registrar,
        KnownRecords records,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        _ = catalogue.Get(term);
        return SendAsync(
            new(EligibleCourses.NumberOf(user), term, null, PermissionRecord.Approval, body.Value.Words, null),
            registrar,
            records,
            cancellation
        );
    }

    private static Task<PermissionsRecord> GiveInAsync(
        string term,
        Body<CodeGivenIn> body,
        ClaimsPrincipal user,
        RegistrarClient registrar,
        KnownRecords records,
        CurrentCatalogue catalogue,
        CancellationToken cancellation
    )
    {
        _ = catalogue.Get(term);
        return SendAsync(
            new(EligibleCourses.NumberOf(user), term, null, null, null, body.Value.Code),
            registrar,
            records,
            cancellation
        );
    }

    /// <summary>Sends it, and gives all that was asked for by then.</summary>
    private static async Task<PermissionsRecord> SendAsync(
        PermissionRequest request,
        RegistrarClient registrar,
        KnownRecords records,
        CancellationToken cancellation
    )
    {
        try
        {
            await registrar.AskPermissionAsync(request, cancellation);
        }
        catch (RegistrarSilentException)
        {
            throw Refusals.RegistrarSilent();
        }
        records.Age(request.Student);
        return await OfAsync(request.Student, new(request.Term), records, cancellation);
    }

    private static async Task<PermissionsRecord> OfAsync(
        string student,
        TermId term,
        KnownRecords records,
        CancellationToken cancellation
    )
    {
        var permissions =
            await records.PermissionsOfAsync(student, term, cancellation) ?? throw Refusals.RegistrarSilent();
        return new([.. permissions.Select(PermissionRecord.Of)]);
    }
}

/// <param name="Course">For which course.</param>
/// <param name="Kind">What for: consent, prerequisite or restriction.</param>
/// <param name="Words">Why, to be read by the instructor.</param>
internal sealed record PermissionAsked(CourseId Course, GrantKind Kind, [property: MaxLength(1000)] string Words);

/// <param name="Words">What the adviser should know; may be empty.</param>
internal sealed record ApprovalAsked([property: MaxLength(1000)] string Words);

/// <param name="Code">The code on the slip of paper.</param>
internal sealed record CodeGivenIn([property: MinLength(1), MaxLength(50)] string Code);

/// <param name="Permissions">All that was asked for in the term, in the order of asking.</param>
internal sealed record PermissionsRecord(IReadOnlyList<PermissionRecord> Permissions);

/// <param name="Course">For which course; null for an approval, which is of the whole term.</param>
/// <param name="Kind">What for: consent, prerequisite, restriction or approval.</param>
/// <param name="Words">Why.</param>
/// <param name="IsGranted">Whether it was granted; null while nobody has decided.</param>
/// <param name="Answer">The words of who decided.</param>
internal sealed record PermissionRecord(string? Course, string Kind, string Words, bool? IsGranted, string Answer)
{
    /// <summary>The adviser's approval of a term.</summary>
    public const string Approval = "approval";

    public static PermissionRecord Of(Permission permission) =>
        new(permission.Course, permission.Kind, permission.Words, permission.IsGranted, permission.Answer);
}
