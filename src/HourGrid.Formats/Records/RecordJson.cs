using System.Text.Json;
using System.Text.Json.Serialization;
using HourGrid.Core.Records;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Records;

/// <summary>A student's record as JSON: <c>docs/formats/record.schema.json</c>.</summary>
public static class RecordJson
{
    public const string Format = "hour-grid-record";

    /// <summary>Reads a file.</summary>
    /// <exception cref="FormatProblemsException">It cannot be used; it says where and why.</exception>
    public static Reading<StudentRecord> Read(ReadOnlyMemory<byte> utf8) => JsonFile.Read(utf8, RecordReader.Read);

    /// <summary>The record as UTF-8 JSON that <see cref="Read"/> gives back equal.</summary>
    public static byte[] Write(StudentRecord record) =>
        JsonSerializer.SerializeToUtf8Bytes(RecordDocument.Of(record), RecordDocumentJson.Default.RecordDocument);
}

[JsonSourceGenerationOptions(PropertyNamingPolicy = JsonKnownNamingPolicy.CamelCase, WriteIndented = true)]
[JsonSerializable(typeof(RecordDocument))]
internal sealed partial class RecordDocumentJson : JsonSerializerContext;
