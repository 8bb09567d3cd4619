using System.Text.Json;

namespace HourGrid.Formats.Json;

/// <summary>Opens JSON text for reading with paths.</summary>
internal static class JsonFile
{
    /// <exception cref="FormatProblemsException">It is not JSON.</exception>
    public static Reading<T> Read<T>(ReadOnlyMemory<byte> utf8, Func<JsonPlace, T?> read)
        where T : class
    {
        using var document = JsonText.Parse(utf8);
        return Read(document.RootElement, read);
    }

    /// <exception cref="FormatProblemsException">The reader refused something.</exception>
    public static Reading<T> Read<T>(JsonElement root, Func<JsonPlace, T?> read)
        where T : class
    {
        var notes = new ReadingNotes();
        var value = read(new JsonPlace(root, "", notes));
        notes.ThrowIfRefused();
        return new(value!, notes.Ignored);
    }
}
