using HourGrid.Core.Catalogue;
using HourGrid.Server.Computing;
using HourGrid.Server.Requests;
using HourGrid.Server.Wording;

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
    private static SuggestionsRecord Suggestions(string term, string? query, CurrentCatalogue catalogue)
    {
        var index = catalogue.GetIndex(term);
        if (query is { Length: > LongestQuery })
            throw Refusals.Field("query", FieldWords.Characters(query.Length), FieldWords.AtMost(LongestQuery));
        var found = string.IsNullOrWhiteSpace(query) ? [] : index.Find(query);
        return new([.. found.Take(MostSuggestions).Select(CourseBriefRecord.Of)], found.Count);
    }

    private static CourseRecord Course(string term, string course, CurrentCatalogue catalogue) =>
        RecordOf(catalogue, term, IdIn(course));

    /// <summary>The id in an address, in which a slash stays written as %2F.</summary>
    public static CourseId IdIn(string course) => new(course.Replace("%2F", "/", StringComparison.OrdinalIgnoreCase));

    /// <summary>A course of a term with the age of its seats.</summary>
    /// <exception cref="RefusedException">There is none.</exception>
    public static CourseRecord RecordOf(CurrentCatalogue catalogue, string term, CourseId course)
    {
        var snapshot = catalogue.Get(term);
        var offered = snapshot.Find(course) ?? throw Refusals.NoSuchCourse(course.Value, snapshot.Term);
        return CourseRecord.Of(
            offered,
            snapshot.Term,
            catalogue.SeatsAsOf(snapshot.Term.Id, course),
            catalogue.AreSeatsLive
        );
    }
}

/// <param name="Courses">The best matches.</param>
/// <param name="Matches">How many courses match in all.</param>
internal sealed record SuggestionsRecord(IReadOnlyList<CourseBriefRecord> Courses, int Matches);
