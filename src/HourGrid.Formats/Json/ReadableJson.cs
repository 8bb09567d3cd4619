using System.Text.Encodings.Web;
using System.Text.Json;

namespace HourGrid.Formats.Json;

/// <summary>JSON of a file or of standard output, which people read.</summary>
internal static class ReadableJson
{
    private static readonly JsonWriterOptions Options = new()
    {
        Indented = true,
        // It is never part of a page.
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    public static byte[] Write(Action<Utf8JsonWriter> write)
    {
        using var stream = new MemoryStream();
        using (var json = new Utf8JsonWriter(stream, Options))
            write(json);
        return stream.ToArray();
    }
}
