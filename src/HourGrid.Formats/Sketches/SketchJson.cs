using System.Text.Json;
using System.Text.Json.Serialization;
using HourGrid.Core.Asking;
using HourGrid.Core.PutBy;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Json;
using HourGrid.Formats.PutBy;

namespace HourGrid.Formats.Sketches;

/// <summary>A sketch as a file has it: all that a student changes of it.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Ask">What it asks.</param>
/// <param name="Shortlist">The timetables put by, in their order.</param>
public sealed record SketchContent(string Name, Ask Ask, IReadOnlyList<PutByTimetable> Shortlist)
{
    /// <summary>Characters of the longest name.</summary>
    public const int LongestName = 80;
}

/// <summary>Sketches as JSON: <c>docs/formats/sketch.schema.json</c>.</summary>
public static class SketchJson
{
    public const string Format = "hour-grid-sketch";

    /// <summary>Reads a file.</summary>
    /// <exception cref="FormatProblemsException">The file cannot be used; it says where and why.</exception>
    public static Reading<SketchContent> Read(ReadOnlyMemory<byte> utf8) => JsonFile.Read(utf8, Read);

    /// <summary>Reads a sketch that stands in a request.</summary>
    /// <exception cref="FormatProblemsException">It cannot be used; it says where and why.</exception>
    public static Reading<SketchContent> Read(JsonElement element) => JsonFile.Read(element, Read);

    /// <summary>The sketch as UTF-8 JSON that <see cref="Read(ReadOnlyMemory{byte})"/> gives back equal.</summary>
    public static byte[] Write(SketchContent sketch) =>
        JsonSerializer.SerializeToUtf8Bytes(
            new SketchDocument(
                Format,
                1,
                sketch.Name,
                AskDocument.Of(sketch.Ask),
                [.. sketch.Shortlist.Select(PutByDocument.Of)]
            ),
            SketchDocumentJson.Default.SketchDocument
        );

    private static SketchContent? Read(JsonPlace root)
    {
        var file = root.Object("format", "version", "name", "ask", "shortlist");
        if (!root.IsObject)
            return null;
        SharedValues.CheckFormat(file, Format);
        var name = file["name"].FilledText(SketchContent.LongestName).Trim();
        var ask = AskReader.Read(file["ask"]);
        var shortlist = PutByReader.Shortlist(file["shortlist"]);
        return ask is null || shortlist is null ? null : new(name, ask, shortlist);
    }
}

/// <summary>A sketch in the shape of its JSON form.</summary>
public sealed record SketchDocument(
    string Format,
    int Version,
    string Name,
    AskDocument Ask,
    IReadOnlyList<PutByDocument> Shortlist
);

[JsonSourceGenerationOptions(PropertyNamingPolicy = JsonKnownNamingPolicy.CamelCase, WriteIndented = true)]
[JsonSerializable(typeof(SketchDocument))]
internal sealed partial class SketchDocumentJson : JsonSerializerContext;
