using HourGrid.Core.Catalogue;
using HourGrid.Core.Eligibility;
using HourGrid.Core.Records;
using HourGrid.Core.Requirements;
using HourGrid.Core.Requirements.Ahead;
using HourGrid.Server.Records;

namespace HourGrid.Server.Requirements;

/// <summary>Whose degree is context at, in which term, with what planned.</summary>
/// <param name="Known">The record, with its age.</param>
/// <param name="Programmes">The student's programmes that there are here.</param>
/// <param name="Programme">The one that is context at; null where there is none.</param>
/// <param name="Snapshot">The term.</param>
/// <param name="Courses">The courses of the catalogue.</param>
/// <param name="Terms">This term and the next.</param>
/// <param name="Question">Who asks for the term, with what instructors granted.</param>
internal sealed record DegreeContext(
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
