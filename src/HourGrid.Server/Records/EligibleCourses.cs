using System.Security.Claims;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Registrar;
using HourGrid.Server.Requests;
using HourGrid.Server.SignIn;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Records;

/// <summary>Which courses a student may take, by what the registrar said last.</summary>
internal sealed class EligibleCourses(KnownRecords records, CurrentCatalogue catalogue) : IEligibleCourses
{
    public async Task<Func<Course, bool>> OfAsync(ClaimsPrincipal user, TermId term, CancellationToken cancellation)
    {
        var question = await QuestionAsync(NumberOf(user), term, cancellation);
        return course =>
            CourseEligibility.Of(question, course).Findings.All(finding => finding is EligibilityFinding.Corequisite);
    }

    /// <summary>What is asked of a course for a student: the record, and what instructors granted.</summary>
    /// <exception cref="Requests.RefusedException">The registrar does not answer and never did, or knows no such student.</exception>
    public async Task<EligibilityQuestion> QuestionAsync(string student, TermId term, CancellationToken cancellation)
    {
        var record = await records.OfAsync(student, cancellation);
        return new(record.Record, term, catalogue.Terms.ToDictionary(one => one.Id, one => one.Start))
        {
            Granted = GrantsIn(await records.PermissionsOfAsync(student, term, cancellation) ?? []),
        };
    }

    private static HashSet<Grant> GrantsIn(IReadOnlyList<Permission> permissions) =>
        [.. permissions.Where(permission => permission.IsGranted == true).Select(GrantOf).OfType<Grant>()];

    /// <summary>Null for a kind that does not bear on what may be taken.</summary>
    private static Grant? GrantOf(Permission permission) =>
        permission.Course is { } course && DomainJson.Grants.TryRead(permission.Kind, out var kind)
            ? new(new(course), kind)
            : null;

    public static string NumberOf(ClaimsPrincipal user) =>
        PersonClaims.NumberOf(user) ?? throw Refusals.SignInNeeded();
}
