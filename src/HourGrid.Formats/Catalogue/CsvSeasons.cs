using System.Text.Json.Nodes;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Catalogue;

/// <summary>What rows say of the seasons: the cycle of the catalogue, and the season of each row's term. They may not say two things.</summary>
internal sealed class CsvSeasons
{
    private readonly Dictionary<string, (string Season, int Row)> ofTerm = [];
    private (string Cell, int Row)? cycle;

    /// <summary>Takes what a row says; gives what is wrong with it.</summary>
    public FormatProblem? Take(int row, Dictionary<string, string> cells)
    {
        if (cells.TryGetValue(CsvColumns.Seasons, out var all))
        {
            cycle ??= (all, row);
            if (cycle.Value.Cell != all)
                return new(
                    $"row {row}, {CsvColumns.Seasons}",
                    all,
                    $"\"{cycle.Value.Cell}\", as in row {cycle.Value.Row}"
                );
        }
        if (cells.TryGetValue(CsvColumns.Season, out var season) && cells.TryGetValue("term", out var term))
        {
            if (!ofTerm.TryAdd(term, (season, row)) && ofTerm[term] is var before && before.Season != season)
                return new(
                    $"row {row}, {CsvColumns.Season}",
                    season,
                    $"\"{before.Season}\", as row {before.Row} has for {term}"
                );
        }
        return null;
    }

    /// <summary>Writes it into a catalogue as the JSON format has it; what no row says stays.</summary>
    public void WriteTo(JsonObject file)
    {
        if (cycle is { } said)
            file["seasons"] = new JsonArray([.. CsvColumns.ItemsOf(said.Cell).Select(item => (JsonNode)item)]);
        foreach (var term in (file["terms"]?.AsArray() ?? []).OfType<JsonObject>())
            if (ofTerm.TryGetValue(term["id"]!.GetValue<string>(), out var of))
                term["season"] = of.Season;
    }
}
