using System.Globalization;
using System.Text.Json;

namespace HourGrid.Formats.Json;

/// <summary>
/// A value in a JSON document that knows its path. Reading never throws for what the file holds: what is wrong is
/// noted and a stand-in returned, so that one pass finds every problem. The reader refuses the file at the end.
/// </summary>
internal readonly struct JsonPlace(JsonElement element, string path, ReadingNotes notes)
{
    // Weeks around a date are counted, and calendars written, on both sides of it.
    private const int EarliestYear = 1900;
    private const int LatestYear = 2199;

    public string Path => path;

    public ReadingNotes Notes => notes;

    public bool IsAbsent => element.ValueKind is JsonValueKind.Undefined or JsonValueKind.Null;

    public bool IsObject => element.ValueKind == JsonValueKind.Object;

    /// <summary>What stands here, shortened for a message.</summary>
    public string Shown =>
        element.ValueKind switch
        {
            JsonValueKind.Undefined => "nothing",
            JsonValueKind.Object => "an object",
            JsonValueKind.Array => "a list",
            _ => FormatProblem.Show(element.GetRawText()),
        };

    public void Refuse(string expected) => notes.Refuse(new(path, Shown, expected));

    /// <summary>The object here with the fields it may have; others are noted as ignored.</summary>
    public JsonObjectPlace Object(params ReadOnlySpan<string> fields)
    {
        if (!IsObject)
        {
            Refuse("an object");
            return new(default, path, notes);
        }
        var seen = new HashSet<string>();
        foreach (var property in element.EnumerateObject())
        {
            if (!fields.Contains(property.Name))
                notes.Ignore(Join(path, property.Name));
            else if (!seen.Add(property.Name))
                notes.Refuse(new(Join(path, property.Name), "the field twice", "each field once"));
        }
        return new(element, path, notes);
    }

    /// <summary>The fields of the object here, whatever their names; none when it is absent.</summary>
    public IEnumerable<(string Name, JsonPlace Value)> Fields()
    {
        if (IsAbsent)
            return [];
        if (!IsObject)
        {
            Refuse("an object");
            return [];
        }
        var (place, all) = (path, notes);
        return element
            .EnumerateObject()
            .Select(field => (field.Name, new JsonPlace(field.Value, Join(place, field.Name), all)));
    }

    /// <summary>The items of the list here; none when it is absent.</summary>
    public IEnumerable<JsonPlace> Items(int most = int.MaxValue)
    {
        if (IsAbsent)
            return [];
        if (element.ValueKind != JsonValueKind.Array)
        {
            Refuse("a list");
            return [];
        }
        if (element.GetArrayLength() > most)
        {
            notes.Refuse(new(path, $"{element.GetArrayLength()} items", $"{most} at most") { Most = most });
            return [];
        }
        var (place, all) = (path, notes);
        return element.EnumerateArray().Select((item, i) => new JsonPlace(item, $"{place}[{i}]", all));
    }

    /// <summary>Each item read; the ones refused are left out.</summary>
    public IReadOnlyList<T> List<T>(Func<JsonPlace, T?> read, int most = int.MaxValue)
        where T : class => [.. Items(most).Select(read).OfType<T>()];

    /// <summary>Each item read; the ones refused are left out.</summary>
    public IReadOnlyList<T> Values<T>(Func<JsonPlace, T?> read, int most = int.MaxValue)
        where T : struct => [.. Items(most).Select(read).OfType<T>()];

    public string Text(int longest = 200)
    {
        if (element.ValueKind != JsonValueKind.String)
            Refuse("text");
        else if (element.GetString() is { } text)
        {
            if (text.Length <= longest)
                return text;
            notes.Refuse(new(path, $"text of {text.Length} characters", $"{longest} at most") { Most = longest });
        }
        return "";
    }

    public string FilledText(int longest = 200)
    {
        var text = Text(longest);
        if (element.ValueKind == JsonValueKind.String && string.IsNullOrWhiteSpace(text))
            Refuse("text that is not empty");
        return text;
    }

    public bool Flag()
    {
        if (element.ValueKind is not (JsonValueKind.True or JsonValueKind.False))
            Refuse("true or false");
        return element.ValueKind == JsonValueKind.True;
    }

    public int Whole(int least, int most)
    {
        if (
            element.ValueKind == JsonValueKind.Number
            && element.TryGetInt32(out var value)
            && value >= least
            && value <= most
        )
            return value;
        Refuse(
            most == int.MaxValue
                ? string.Create(CultureInfo.InvariantCulture, $"a whole number, {least} or more")
                : string.Create(CultureInfo.InvariantCulture, $"a whole number, {least} to {most}")
        );
        return least;
    }

    public decimal? Number()
    {
        if (element.ValueKind == JsonValueKind.Number && element.TryGetDecimal(out var value))
            return value;
        Refuse("a number");
        return null;
    }

    public DateOnly? Date()
    {
        if (
            element.ValueKind == JsonValueKind.String
            && DateOnly.TryParseExact(
                element.GetString(),
                "yyyy-MM-dd",
                CultureInfo.InvariantCulture,
                DateTimeStyles.None,
                out var date
            )
        )
        {
            if (date.Year is >= EarliestYear and <= LatestYear)
                return date;
            Refuse($"a date of the years {EarliestYear} to {LatestYear}");
            return null;
        }
        Refuse("a date such as 2027-01-11");
        return null;
    }

    /// <summary>One of a set of words.</summary>
    public T? Word<T>(WordTable<T> words)
        where T : struct
    {
        if (element.ValueKind == JsonValueKind.String && words.TryRead(element.GetString()!, out var value))
            return value;
        Refuse($"one of {words.Listed}");
        return null;
    }

    public static string Join(string path, string field) => path.Length == 0 ? field : $"{path}.{field}";
}

/// <summary>An object and its fields.</summary>
internal readonly struct JsonObjectPlace(JsonElement element, string path, ReadingNotes notes)
{
    public string Path => path;

    public ReadingNotes Notes => notes;

    /// <summary>A field, which may be absent.</summary>
    public JsonPlace this[string field] =>
        new(
            element.ValueKind == JsonValueKind.Object && element.TryGetProperty(field, out var value)
                ? value
                : default,
            JsonPlace.Join(path, field),
            notes
        );

    /// <summary>A field's value, or what stands for it where it is absent or null.</summary>
    public T Or<T>(string field, T absent, Func<JsonPlace, T> read)
    {
        var place = this[field];
        return place.IsAbsent ? absent : read(place);
    }
}
