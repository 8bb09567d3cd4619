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
    public static byte[] Write(Programme programme) =>
        ReadableJson.Write(json => ProgrammeWriter.Write(programme).WriteTo(json));
}
