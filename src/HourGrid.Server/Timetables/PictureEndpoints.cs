using System.Text.Json;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Timetables;
using HourGrid.Formats.Timetables.Pictures;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Computing;
using HourGrid.Server.Hosting;
using HourGrid.Server.Requests;
using HourGrid.Server.Workbench;

namespace HourGrid.Server.Timetables;

/// <summary>A timetable as a picture of its week.</summary>
internal static class PictureEndpoints
{
    /// <summary>The most courses whose colours are told.</summary>
    private const int MostColours = 100;

    public static void MapPictures(this IEndpointRouteBuilder exports)
    {
        Map("svg", "image/svg+xml", "ExportSvg", WeekPicture.Svg);
        Map("png", "image/png", "ExportPng", WeekPicture.Png);

        void Map(string extension, string type, string name, Func<Timetable, Term, PictureOptions, byte[]> draw) =>
            exports
                .MapPost(
                    extension,
                    (string term, RequestBody body, CurrentCatalogue catalogue) =>
                        ExportEndpoints.Give(
                            term,
                            body,
                            catalogue,
                            type,
                            extension,
                            export =>
                                draw(
                                    export.Timetable,
                                    export.Snapshot.Term,
                                    new(export.Name, Theme(body), Colours(body))
                                )
                        )
                )
                .InTurnWhole()
                .WithName(name)
                .ReadsBody(typeof(PictureRequest))
                .Produces<byte[]>(StatusCodes.Status200OK, type)
                .ProducesProblems();
    }

    private static PictureTheme Theme(RequestBody body) =>
        body.Field(
            "theme",
            field =>
                field.ValueKind != JsonValueKind.String ? null
                : field.ValueEquals("light") ? PictureTheme.Light
                : field.ValueEquals("dark") ? PictureTheme.Dark
                : (PictureTheme?)null,
            "light or dark"
        );

    private static Dictionary<CourseId, int> Colours(RequestBody body)
    {
        var colours = body.Field(
            "colours",
            field =>
                field.ValueKind == JsonValueKind.Object && field.GetPropertyCount() <= MostColours
                    ? field
                    : (JsonElement?)null,
            $"an object of {MostColours} courses at most"
        );
        var each = new RequestBody(colours);
        var byCourse = new Dictionary<CourseId, int>();
        foreach (var course in colours.EnumerateObject())
            byCourse[new(course.Name)] = each.Whole(course.Name, 1, WeekPicture.CourseColours);
        return byCourse;
    }
}

/// <param name="Name">What the timetable is called.</param>
/// <param name="Sections">Its registration numbers.</param>
/// <param name="Theme"><c>light</c> or <c>dark</c>.</param>
/// <param name="Colours">The colours that courses have on the screen, 1 to 8; others are given one.</param>
internal sealed record PictureRequest(
    string Name,
    IReadOnlyList<string> Sections,
    string Theme,
    IReadOnlyDictionary<string, int> Colours
);
