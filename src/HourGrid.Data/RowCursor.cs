using System.Data.Common;
using System.Globalization;
using System.Text.Json;

namespace HourGrid.Data;

/// <summary>
/// Reads the rows of a query, value by value from left to right. Whole tables are read so where nothing else may be waited
/// for: a query of EF has to be compiled first. Equal texts and lists are one object in memory.
/// </summary>
internal sealed class RowCursor(DbConnection connection)
{
    private const string EmptyList = "[]";

    private readonly Dictionary<string, string> texts = [];
    private readonly Dictionary<string, List<string>> lists = [];
    private readonly Dictionary<string, DateOnly> dates = [];
    private readonly Dictionary<string, DateTime> moments = [];
    private DbDataReader? reader;
    private int at;

    /// <summary>A row for each that the query gives, made of its values in their order.</summary>
    public List<T> All<T>(string query, Func<RowCursor, T> read)
    {
        using var command = connection.CreateCommand();
        command.CommandText = query;
        using var rows = command.ExecuteReader();
        reader = rows;
        var all = new List<T>();
        for (; rows.Read(); at = 0)
            all.Add(read(this));
        return all;
    }

    public string Text() => Pooled(reader!.GetString(at++));

    public string? OptionalText() => IsNothing() ? null : Text();

    public int Whole() => reader!.GetInt32(at++);

    public int? OptionalWhole() => IsNothing() ? null : Whole();

    public bool Flag() => Whole() != 0;

    public T Word<T>()
        where T : struct, Enum => Enum.Parse<T>(Text());

    public DateOnly Date() => Once(dates, Text(), text => DateOnly.Parse(text, CultureInfo.InvariantCulture));

    public DateTime Moment() => Once(moments, Text(), text => DateTime.Parse(text, CultureInfo.InvariantCulture));

    public List<string> Texts() =>
        Once(
            lists,
            Text(),
            text => text == EmptyList ? [] : [.. JsonSerializer.Deserialize<List<string>>(text)!.Select(Pooled)]
        );

    /// <summary>Whether there is no value, which is then passed over.</summary>
    private bool IsNothing()
    {
        if (!reader!.IsDBNull(at))
            return false;
        at++;
        return true;
    }

    private string Pooled(string text) => texts.TryGetValue(text, out var known) ? known : texts[text] = text;

    private static T Once<T>(Dictionary<string, T> known, string text, Func<string, T> read) =>
        known.TryGetValue(text, out var value) ? value : known[text] = read(text);
}
