using System.Runtime.CompilerServices;
using System.Security.Claims;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements;
using HourGrid.Core.Requirements.Ahead;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Records;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Requirements;

/// <summary>Whose degree is looked at, in which term, with what planned.</summary>
/// <param name="Known">The record, with its age.</param>
/// <param name="Programmes">The student's programmes that there are here.</param>
/// <param name="Programme">The one that is looked at; null where there is none.</param>
/// <param name="Snapshot">The term.</param>
/// <param name="Courses">The courses of the catalogue.</param>
/// <param name="Terms">This term and the next.</param>
/// <param name="Question">Who asks for the term, with what instructors granted.</param>
internal sealed record LookedAt(
    KnownRecord Known,
    IReadOnlyList<Programme> Programmes,
    Programme? Programme,
    CatalogueSnapshot Snapshot,
    CourseBook Courses,
    IReadOnlyList<AheadTerm> Terms,
    EligibilityQuestion Question
)
{
    /// <summary>What stands before terms ahead are asked about.</summary>
    public TermsAheadQuestion Ahead(IReadOnlyList<string> seasons) =>
        new(
            Programme ?? new("", "", "", default, new Requirement.All("", "", [])),
            Known.Record,
            Courses,
            new(Snapshot.Term.Id, Snapshot.Term.Season, seasons)
        )
        {
            Maximum = Known.Record.Load.Maximum,
        };

    /// <summary>The record with the courses of a plan as planned ones.</summary>
    public StudentRecord With(AheadPlan plan) =>
        Known.Record with
        {
            Taken =
            [
                .. Known.Record.Taken,
                .. plan
                    .Entries.Where(entry => entry.Course is not null)
                    .Select(entry => new TakenCourse(
                        entry.Course!.Value,
                        entry.Term,
                        Courses[entry.Course.Value].LeastCredits ?? default,
                        null,
                        TakenStatus.Planned
                    )),
            ],
        };
}

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
    public async Task<LookedAt> LookAsync(
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
