using System.Globalization;
using System.Text.Json;

namespace HourGrid.Data;

/// <summary>Makes equal texts, lists and moments of the rows that are read one object in memory.</summary>
internal sealed class ValuePool
{
    private const string EmptyList = "[]";

    private readonly Dictionary<string, string> texts = [];
    private readonly Dictionary<string, List<string>> lists = [];
    private readonly Dictionary<string, DateOnly> dates = [];
    private readonly Dictionary<string, DateTime> moments = [];

    public string Text(string text) => Once(texts, text, text => text);

    public DateOnly Date(string text) =>
        Once(dates, text, text => DateOnly.Parse(text, CultureInfo.InvariantCulture));

    public DateTime Moment(string text) =>
        Once(moments, text, text => DateTime.Parse(text, CultureInfo.InvariantCulture));

    /// <summary>The list that a text of JSON holds.</summary>
    public List<string> List(string text) =>
        Once(
            lists,
            text,
            text => text == EmptyList ? [] : [.. JsonSerializer.Deserialize<List<string>>(text)!.Select(Text)]
        );

    private static T Once<T>(Dictionary<string, T> known, string text, Func<string, T> read) =>
        known.TryGetValue(text, out var value) ? value : known[text] = read(text);
}
