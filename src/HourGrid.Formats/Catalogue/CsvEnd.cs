using System.Globalization;
using System.Text.RegularExpressions;

namespace HourGrid.Formats.Catalogue;

/// <summary>The line that ends a catalogue as CSV and says how many rows it has: what is cut off is found by it.</summary>
internal static partial class CsvEnd
{
    /// <summary>The line for so many rows.</summary>
    public static string Of(int rows) => string.Create(CultureInfo.InvariantCulture, $"# {rows} rows");

    /// <summary>What stands before the line, and how many rows it says; null where there is no such line.</summary>
    public static (string Body, int? Rows) Split(string text)
    {
        var found = Line().Match(text);
        return found.Success && int.TryParse(found.Groups[1].Value, CultureInfo.InvariantCulture, out var rows)
            ? (text[..found.Index], rows)
            : (text, null);
    }

    // A program for spreadsheets may have put it in quotes, and empty cells behind it.
    [GeneratedRegex("(?<=[\\r\\n])\"?# ([0-9]{1,9}) rows\"?,*\\s*$", RegexOptions.RightToLeft)]
    private static partial Regex Line();
}
