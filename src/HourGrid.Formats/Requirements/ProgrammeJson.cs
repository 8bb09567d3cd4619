using System.Text.Encodings.Web;
using System.Text.Json;
using HourGrid.Core.Requirements;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Requirements;

/// <summary>A programme as JSON: <c>docs/formats/programme.schema.json</c>.</summary>
public static class ProgrammeJson
{
    public const string Format = "hour-grid-programme";

    /// <summary>Reads a file.</summary>
    /// <exception cref="FormatProblemsException">It cannot be used; it says where and why.</exception>
    public static Reading<Programme> Read(ReadOnlyMemory<byte> utf8) =>
        JsonFile.Read(utf8, root => new ProgrammeReader().Read(root));

    /// <summary>Writes a file that <see cref="Read"/> reads to the same programme.</summary>
    public static byte[] Write(Programme programme)
    {
        using var stream = new MemoryStream();
        using (var writer = new Utf8JsonWriter(stream, Readable))
            ProgrammeWriter.Write(programme).WriteTo(writer);
        return stream.ToArray();
    }

    private static readonly JsonWriterOptions Readable = new()
    {
        Indented = true,
        // The file is never part of a page, and people read it.
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };
}
