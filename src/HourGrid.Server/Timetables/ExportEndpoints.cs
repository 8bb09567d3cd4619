using System.ComponentModel.DataAnnotations;
using System.Security.Claims;
using System.Text;
using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;
using HourGrid.Core.Timetables;
using HourGrid.Formats.Timetables;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Computing;
using HourGrid.Server.Records;
using HourGrid.Server.Requests;
using HourGrid.Server.SignIn;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Timetables;

/// <summary>A timetable as a file for other programs.</summary>
internal static class ExportEndpoints
{
    public static void MapExports(this IEndpointRouteBuilder api)
    {
        var exports = api.MapGroup("/terms/{term}/timetable").RequireAuthorization();
        exports
            .MapPost("ics", CalendarAsync)
            .InTurn()
            .WithName("ExportCalendar")
            .Produces<string>(StatusCodes.Status200OK, "text/calendar");
        Map("csv", "text/csv", "ExportCsv", export => TimetableTexts.Csv(export.Timetable, export.Snapshot.Term));
        Map(
            "txt",
            "text/plain",
            "ExportText",
            export => TimetableTexts.Plain(export.Timetable, export.Snapshot.Term, export.Name)
        );
        exports.MapPictures();

        void Map(string extension, string type, string name, Func<Export, string> write) =>
            exports
                .MapPost(
                    extension,
                    (string term, Body<ExportRequest> body, CurrentCatalogue catalogue) =>
                        Give(
                            term,
                            body.Value.Name,
                            body.Value.Sections,
                            catalogue,
                            $"{type}; charset=utf-8",
                            extension,
                            export => Encoding.UTF8.GetBytes(write(export))
                        )
                )
                .InTurn()
                .WithName(name)
                .Produces<string>(StatusCodes.Status200OK, type);
    }

    private static async Task<FileContentHttpResult> CalendarAsync(
        string term,
        Body<ExportRequest> body,
        ClaimsPrincipal user,
        HeldSections registered,
        CurrentCatalogue catalogue,
        TimeProvider clock,
        CancellationToken cancellation
    )
    {
        var held = await registered.OfAsync(PersonClaims.NumberOf(user), catalogue.Get(term).Term.Id, cancellation);
        return Give(
            term,
            body.Value.Name,
            body.Value.Sections,
            catalogue,
            "text/calendar; charset=utf-8",
            "ics",
            export =>
                Encoding.UTF8.GetBytes(
                    Calendar(export.Snapshot, export.Timetable, export.Name, held, catalogue, clock)
                )
        );
    }

    /// <summary>The calendar of a timetable; every event is the catalogue's alone, and so is its sequence.</summary>
    public static string Calendar(
        CatalogueSnapshot snapshot,
        Timetable? timetable,
        string name,
        IReadOnlySet<RegistrationNumber> held,
        CurrentCatalogue catalogue,
        TimeProvider clock
    ) =>
        TimetableCalendar.Write(
            timetable,
            snapshot.Term,
            new(name, catalogue.TimeZone, catalogue.Version, clock.GetUtcNow().UtcDateTime) { Held = held }
        );

    /// <summary>The file of the timetable in a request.</summary>
    public static FileContentHttpResult Give(
        string term,
        string name,
        IReadOnlySet<RegistrationNumber> sections,
        CurrentCatalogue catalogue,
        string type,
        string extension,
        Func<Export, byte[]> write
    )
    {
        var snapshot = catalogue.Get(term);
        var timetable = Timetable.Of(snapshot, sections);
        if (timetable.Sections.Count == 0)
            throw Refusals.NotOfTerm();
        return TypedResults.File(write(new(snapshot, timetable, name)), type, $"timetable.{extension}");
    }
}

/// <summary>What is to be written.</summary>
/// <param name="Snapshot">The catalogue of the term.</param>
/// <param name="Timetable">The timetable, of at least one section.</param>
/// <param name="Name">What it is called.</param>
internal sealed record Export(CatalogueSnapshot Snapshot, Timetable Timetable, string Name);

/// <param name="Name">What the timetable is called.</param>
/// <param name="Sections">Its registration numbers.</param>
internal sealed record ExportRequest(
    [property: MaxLength(PutByTimetable.LongestName)] string Name,
    [property: MaxLength(PutByTimetable.MostSections)] IReadOnlySet<RegistrationNumber> Sections
);
