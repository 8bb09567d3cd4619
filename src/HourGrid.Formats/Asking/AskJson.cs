using System.Text.Json;
using System.Text.Json.Nodes;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Asking;

/// <summary>Asks as JSON: <c>docs/formats/ask.schema.json</c>.</summary>
public static class AskJson
{
    public const string Format = "hour-grid-ask";

    /// <summary>Reads a file.</summary>
    /// <exception cref="FormatProblemsException">The file cannot be used; it says where and why.</exception>
    public static Reading<Ask> Read(ReadOnlyMemory<byte> utf8) => JsonFile.Read(utf8, AskReader.Read);

    /// <summary>Reads an ask that stands inside another document.</summary>
    /// <exception cref="FormatProblemsException">It cannot be used; it says where in it, and why.</exception>
    public static Reading<Ask> Read(JsonElement element) => JsonFile.Read(element, AskReader.Read);

    /// <summary>Reads an ask that was stored here, perhaps by an older version: what cannot be used is left out.</summary>
    /// <param name="text">What was stored.</param>
    /// <param name="term">The term it is of, whatever is stored.</param>
    public static Mended<Ask> ReadStored(string text, TermId term) =>
        StoredJson.Read(
            text,
            AskReader.Read,
            root =>
            {
                root["format"] = Format;
                root["version"] = SharedValues.FormatVersion;
                root["term"] = term.Value;
                if (root["wanted"] is not JsonArray)
                    root["wanted"] = new JsonArray();
            }
        );

    /// <summary>The ask as UTF-8 JSON that <see cref="Read(ReadOnlyMemory{byte})"/> gives back equal.</summary>
    public static byte[] Write(Ask ask) =>
        JsonSerializer.SerializeToUtf8Bytes(AskDocument.Of(ask), AskDocumentJson.Default.AskDocument);
}
