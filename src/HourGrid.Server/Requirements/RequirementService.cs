using System.Runtime.CompilerServices;
using System.Security.Claims;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Requirements;
using HourGrid.Core.Requirements.Ahead;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Records;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Requirements;

/// <summary>Puts together what requirements are asked about.</summary>
internal sealed class RequirementService(
    KnownRecords records,
    KnownProgrammes programmes,
    EligibleCourses eligible,
    CurrentCatalogue catalogue
)
{
    /// <summary>This term and the six after it.</summary>
    private const int Terms = 7;

    // Made once for each catalogue that is read.
    private static readonly ConditionalWeakTable<CatalogueSnapshot, CourseBook> Books = [];

    /// <summary>Looks at the degree of who is signed in.</summary>
    /// <param name="user">Who.</param>
    /// <param name="term">The term.</param>
    /// <param name="programme">The id of one of the student's programmes; null for the first.</param>
    /// <param name="cancellation">Stops at any moment.</param>
    /// <exception cref="Requests.RefusedException">There is no such term or programme, nobody is signed in as a student, or the registrar is silent.</exception>
    public async Task<DegreeContext> ContextOfAsync(
        ClaimsPrincipal user,
        string term,
        string? programme,
        CancellationToken cancellation
    )
    {
        var snapshot = catalogue.Get(term);
        var student = EligibleCourses.NumberOf(user);
        var known = await records.OfAsync(student, cancellation);
        var theirs = await programmes.NamedAsync(known.Record.Programmes, cancellation);
        return new(
            known,
            theirs,
            programme is null
                ? (theirs.Count > 0 ? theirs[0] : null)
                : theirs.FirstOrDefault(one => one.Id == programme) ?? throw Refusals.NoSuchProgramme(programme),
            snapshot,
            Books.GetValue(snapshot, one => new([.. one.Courses.Select(offered => offered.Course)])),
            AheadTerm.From(catalogue.Terms, catalogue.Seasons, snapshot.Term.Id, Terms),
            await eligible.QuestionAsync(student, snapshot.Term.Id, cancellation)
        );
    }
}
