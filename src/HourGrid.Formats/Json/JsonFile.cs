using System.Text.Json;

namespace HourGrid.Formats.Json;

/// <summary>Opens JSON text for reading with paths.</summary>
internal static class JsonFile
{
    private const int DeepestNesting = 32;

    /// <exception cref="FormatProblemsException">It is not JSON.</exception>
    public static Reading<T> Read<T>(ReadOnlyMemory<byte> utf8, Func<JsonPlace, T?> read)
        where T : class
    {
        try
        {
            using var document = JsonDocument.Parse(utf8, new() { MaxDepth = DeepestNesting });
            return Read(document.RootElement, read);
        }
        catch (JsonException problem)
        {
            throw new FormatProblemsException([
                new(
                    "",
                    "text that is not JSON",
                    $"JSON; reading stopped at line {problem.LineNumber + 1}, byte {problem.BytePositionInLine + 1}"
                ),
            ]);
        }
    }

    /// <exception cref="FormatProblemsException">The reader refused something.</exception>
    public static Reading<T> Read<T>(JsonElement root, Func<JsonPlace, T?> read, string path = "")
        where T : class
    {
        var notes = new ReadingNotes();
        var value = read(new JsonPlace(root, path, notes));
        notes.ThrowIfRefused();
        return new(value!, notes.Ignored);
    }
}
