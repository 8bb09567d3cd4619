using System.Text.Json;
using HourGrid.Core.PutBy;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.PutBy;

/// <summary>Shortlists, and what is picked for a term, as JSON.</summary>
public static class PutByJson
{
    /// <summary>Reads a shortlist.</summary>
    /// <exception cref="FormatProblemsException">It cannot be used; it says where in it, and why.</exception>
    public static Reading<IReadOnlyList<PutByTimetable>> Shortlist(JsonElement element) =>
        JsonFile.Read(element, PutByReader.Shortlist);

    /// <summary>Reads what is picked for a term.</summary>
    /// <inheritdoc cref="Shortlist(JsonElement)" />
    public static Reading<TermPicks> Picks(JsonElement element) => JsonFile.Read(element, PutByReader.Picks);

    /// <summary>A shortlist as JSON text that <see cref="StoredShortlist"/> gives back equal.</summary>
    public static string Write(IReadOnlyList<PutByTimetable> shortlist) =>
        JsonSerializer.Serialize(
            [.. shortlist.Select(PutByDocument.Of)],
            PutByDocumentJson.Default.IReadOnlyListPutByDocument
        );

    /// <summary>What is picked for a term as JSON text that <see cref="StoredPicks"/> gives back equal.</summary>
    public static string Write(TermPicks picks) =>
        JsonSerializer.Serialize(PicksDocument.Of(picks), PutByDocumentJson.Default.PicksDocument);

    /// <summary>Reads a shortlist that was stored here, perhaps by an older version: what cannot be used is left out.</summary>
    public static Mended<IReadOnlyList<PutByTimetable>> StoredShortlist(string text) =>
        StoredJson.Read(
            $$"""{"shortlist":{{text}}}""",
            root => PutByReader.Shortlist(root.Object("shortlist")["shortlist"]),
            _ => { }
        );

    /// <summary>Reads what was picked, stored here, perhaps by an older version: what cannot be used is left out.</summary>
    public static Mended<TermPicks> StoredPicks(string text) => StoredJson.Read(text, PutByReader.Picks, _ => { });
}
