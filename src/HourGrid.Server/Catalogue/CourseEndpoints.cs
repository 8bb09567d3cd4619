using HourGrid.Core.Catalogue;
using HourGrid.Server.Computing;
using HourGrid.Server.Requests;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HourGrid.Server.Catalogue;

internal static class CourseEndpoints
{
    private const int MostSuggestions = 8;
    private const int LongestQuery = 100;

    public static void MapCourses(this IEndpointRouteBuilder api)
    {
        var courses = api.MapGroup("/terms/{term}/courses");
        courses.MapGet("/", Suggestions).InTurn().WithName("Suggestions");
        courses.MapGet("/{course}", Course).WithName("Course");
    }

    /// <summary>The courses someone means who types this, best first.</summary>
    private static Results<Ok<SuggestionsRecord>, ProblemHttpResult> Suggestions(
        string term,
        string? query,
        CurrentCatalogue catalogue
    )
    {
        if (catalogue.IndexOf(new TermId(term)) is not { } index)
            return Refusals.NoSuchTerm(term);
        if (query is { Length: > LongestQuery })
            return TypedResults.Problem(
                statusCode: StatusCodes.Status400BadRequest,
                detail: $"query: found {query.Length} characters; expected {LongestQuery} at most."
            );
        var found = string.IsNullOrWhiteSpace(query) ? [] : index.Find(query);
        return TypedResults.Ok(
            new SuggestionsRecord([.. found.Take(MostSuggestions).Select(CourseBriefRecord.Of)], found.Count)
        );
    }

    private static Results<Ok<CourseRecord>, ProblemHttpResult> Course(
        string term,
        string course,
        CurrentCatalogue catalogue
    )
    {
        if (catalogue.Find(new TermId(term)) is not { } snapshot)
            return Refusals.NoSuchTerm(term);
        return RecordOf(catalogue, snapshot.Term.Id, IdIn(course)) is { } record
            ? TypedResults.Ok(record)
            : NoSuchCourse(course, snapshot);
    }

    /// <summary>The id in an address, in which a slash stays written as %2F.</summary>
    public static CourseId IdIn(string course) => new(course.Replace("%2F", "/", StringComparison.OrdinalIgnoreCase));

    /// <summary>A course of a term with the age of its seats; null where there is none.</summary>
    public static CourseRecord? RecordOf(CurrentCatalogue catalogue, TermId term, CourseId course) =>
        catalogue.Find(term) is { } snapshot && snapshot.Find(course) is { } offered
            ? CourseRecord.Of(offered, snapshot.Term, catalogue.SeatsAsOf(term, course))
            : null;

    public static ProblemHttpResult NoSuchCourse(string course, CatalogueSnapshot snapshot) =>
        TypedResults.Problem(
            statusCode: StatusCodes.Status404NotFound,
            detail: $"There is no course {course} in {snapshot.Term.Name}."
        );
}

/// <param name="Courses">The best matches.</param>
/// <param name="Matches">How many courses match in all.</param>
internal sealed record SuggestionsRecord(IReadOnlyList<CourseBriefRecord> Courses, int Matches);
