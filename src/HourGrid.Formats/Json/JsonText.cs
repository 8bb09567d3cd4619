using System.Text.Json;
using System.Text.Unicode;

namespace HourGrid.Formats.Json;

/// <summary>Parses JSON that comes from outside, before any part of it is looked at.</summary>
public static class JsonText
{
    private const int DeepestNesting = 32;

    private static ReadOnlySpan<byte> ByteOrderMark => [0xEF, 0xBB, 0xBF];

    /// <summary>The document of a text: JSON in UTF-8 whose texts hold whole characters.</summary>
    /// <exception cref="FormatProblemsException">It is none.</exception>
    public static JsonDocument Parse(ReadOnlyMemory<byte> utf8)
    {
        if (utf8.Span.StartsWith(ByteOrderMark))
            utf8 = utf8[ByteOrderMark.Length..];
        if (utf8.IsEmpty)
            throw Refused("nothing", "JSON");
        if (!Utf8.IsValid(utf8.Span))
            throw Refused("bytes that are no UTF-8", "JSON in UTF-8");
        try
        {
            var document = JsonDocument.Parse(utf8, new() { MaxDepth = DeepestNesting });
            CheckEscapes(utf8.Span);
            return document;
        }
        catch (JsonException problem)
        {
            throw Refused(
                "text that is not JSON",
                $"JSON; reading stopped at line {problem.LineNumber + 1}, byte {problem.BytePositionInLine + 1}"
            );
        }
    }

    /// <summary>Half of a pair of surrogates can be written as an escape, and fails only where the text is read.</summary>
    private static void CheckEscapes(ReadOnlySpan<byte> utf8)
    {
        if (utf8.IndexOf("\\u"u8) < 0)
            return;
        var reader = new Utf8JsonReader(utf8, new() { MaxDepth = DeepestNesting });
        while (reader.Read())
        {
            if (!reader.ValueIsEscaped)
                continue;
            try
            {
                reader.GetString();
            }
            catch (InvalidOperationException)
            {
                throw Refused("text with half of a character", "escapes of surrogates in pairs");
            }
        }
    }

    private static FormatProblemsException Refused(string found, string expected) => new([new("", found, expected)]);
}
