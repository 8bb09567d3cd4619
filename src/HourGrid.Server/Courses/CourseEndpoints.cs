using HourGrid.Core.Catalogue;
using HourGrid.Server.Catalogues;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HourGrid.Server.Courses;

internal static class CourseEndpoints
{
    private const int MostSuggestions = 8;
    private const int LongestQuery = 100;

    public static void MapCourses(this IEndpointRouteBuilder api)
    {
        var courses = api.MapGroup("/terms/{term}/courses");
        courses.MapGet("/", Suggestions).WithName("Suggestions");
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
            return NoSuchTerm(term);
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
            return NoSuchTerm(term);
        return snapshot.Find(new CourseId(course)) is { } offered
            ? TypedResults.Ok(CourseRecord.Of(offered, snapshot.Term))
            : TypedResults.Problem(
                statusCode: StatusCodes.Status404NotFound,
                detail: $"There is no course {course} in {snapshot.Term.Name}."
            );
    }

    public static ProblemHttpResult NoSuchTerm(string term) =>
        TypedResults.Problem(
            statusCode: StatusCodes.Status404NotFound,
            detail: $"There is no term {term} in the catalogue."
        );
}

/// <param name="Courses">The best matches.</param>
/// <param name="Matches">How many courses match in all.</param>
internal sealed record SuggestionsRecord(IReadOnlyList<CourseBriefRecord> Courses, int Matches);
