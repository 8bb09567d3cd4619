using System.Text;
using System.Text.Json;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.PutBy;
using HourGrid.Formats.Calendars;
using HourGrid.Formats.Timetables;
using HourGrid.Server.Answers;
using HourGrid.Server.Catalogues;
using HourGrid.Server.Hosting;
using HourGrid.Server.Students;
using Microsoft.AspNetCore.Http.HttpResults;

namespace HourGrid.Server.Exports;

/// <summary>A timetable as a file for other programs.</summary>
internal static class ExportEndpoints
{
    public static void MapExports(this IEndpointRouteBuilder api)
    {
        var exports = api.MapGroup("/terms/{term}/timetable").RequireAuthorization().LimitAnswers();
        Map("ics", "text/calendar", "ExportCalendar");
        Map("csv", "text/csv", "ExportCsv");
        Map("txt", "text/plain", "ExportText");

        void Map(string extension, string type, string name) =>
            exports
                .MapPost(
                    extension,
                    (string term, JsonElement body, CurrentCatalogue catalogue, TimeProvider clock) =>
                        Export(term, extension, type, body, catalogue, clock)
                )
                .WithName(name)
                .ReadsBody(typeof(ExportRequest))
                .Produces<string>(StatusCodes.Status200OK, type)
                .ProducesProblems();
    }

    /// <summary>The calendar of a timetable; every event is the catalogue's alone, and so is its sequence.</summary>
    public static string Calendar(
        CatalogueSnapshot snapshot,
        Timetable? timetable,
        string name,
        CurrentCatalogue catalogue,
        TimeProvider clock
    ) =>
        TimetableCalendar.Write(
            timetable,
            snapshot.Term,
            new(name, catalogue.TimeZone, catalogue.Version, clock.GetUtcNow().UtcDateTime)
        );

    private static Results<FileContentHttpResult, ProblemHttpResult> Export(
        string term,
        string extension,
        string type,
        JsonElement body,
        CurrentCatalogue catalogue,
        TimeProvider clock
    )
    {
        if (catalogue.Find(new TermId(term)) is not { } snapshot)
            return TypedResults.Problem(
                statusCode: StatusCodes.Status404NotFound,
                detail: $"There is no term {term} in the catalogue."
            );
        var name = RequestBody.Text(body, "name", PutByTimetable.LongestName);
        var timetable = Timetable.Of(snapshot, RequestBody.Sections(body));
        if (timetable.Sections.Count == 0)
            return TypedResults.Problem(
                statusCode: StatusCodes.Status422UnprocessableEntity,
                detail: "sections: none of them is of this term."
            );
        var text = extension switch
        {
            "ics" => Calendar(snapshot, timetable, name, catalogue, clock),
            "csv" => TimetableTexts.Csv(timetable, snapshot.Term),
            _ => TimetableTexts.Plain(timetable, snapshot.Term, name),
        };
        return TypedResults.File(Encoding.UTF8.GetBytes(text), $"{type}; charset=utf-8", $"timetable.{extension}");
    }
}

/// <param name="Name">What the timetable is called.</param>
/// <param name="Sections">Its registration numbers.</param>
internal sealed record ExportRequest(string Name, IReadOnlyList<string> Sections);
