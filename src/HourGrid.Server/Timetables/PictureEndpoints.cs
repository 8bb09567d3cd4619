using System.ComponentModel.DataAnnotations;
using HourGrid.Core.Catalogue;
using HourGrid.Core.PutBy;
using HourGrid.Core.Timetables;
using HourGrid.Formats.Timetables.Pictures;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Computing;
using HourGrid.Server.Requests;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Timetables;

/// <summary>A timetable as a picture of its week.</summary>
internal static class PictureEndpoints
{
    public static void MapPictures(this IEndpointRouteBuilder exports)
    {
        Map("svg", "image/svg+xml", "ExportSvg", WeekPicture.Svg);
        Map("png", "image/png", "ExportPng", WeekPicture.Png);

        void Map(string extension, string type, string name, Func<Timetable, Term, PictureOptions, byte[]> draw) =>
            exports
                .MapPost(
                    extension,
                    (string term, Body<PictureRequest> body, CurrentCatalogue catalogue) =>
                        ExportEndpoints.Give(
                            term,
                            body.Value.Name,
                            body.Value.Sections,
                            catalogue,
                            type,
                            extension,
                            export =>
                                draw(
                                    export.Timetable,
                                    export.Snapshot.Term,
                                    new(export.Name, body.Value.Theme, Colours(body.Value))
                                )
                        )
                )
                .InTurnWhole()
                .WithName(name)
                .Produces<byte[]>(StatusCodes.Status200OK, type);
    }

    private static Dictionary<CourseId, int> Colours(PictureRequest request) =>
        request.Colours.ToDictionary(
            course => new CourseId(course.Key),
            course =>
                course.Value is >= 1 and <= WeekPicture.CourseColours
                    ? course.Value
                    : throw Refusals.Field(
                        $"colours.{course.Key}",
                        $"{course.Value}",
                        FieldWords.Whole(1, WeekPicture.CourseColours)
                    )
        );
}

/// <param name="Name">What the timetable is called.</param>
/// <param name="Sections">Its registration numbers.</param>
/// <param name="Theme"><c>light</c> or <c>dark</c>.</param>
/// <param name="Colours">The colours that courses have on the screen, 1 to 8; others are given one.</param>
internal sealed record PictureRequest(
    [property: MaxLength(PutByTimetable.LongestName)] string Name,
    [property: MaxLength(PutByTimetable.MostSections)] IReadOnlySet<RegistrationNumber> Sections,
    PictureTheme Theme,
    [property: MaxLength(100)] IReadOnlyDictionary<string, int> Colours
);
