using System.Globalization;
using CsvHelper.Configuration;

namespace HourGrid.Formats.Catalogue;

/// <summary>
/// Cells that a spreadsheet would run: they are written with an apostrophe in front, and so is what begins with one, so that
/// reading takes it away again.
/// </summary>
public static class CsvText
{
    private const char Mark = '\'';

    /// <summary>How files are written.</summary>
    public static CsvConfiguration Format { get; } =
        new(CultureInfo.InvariantCulture)
        {
            NewLine = "\r\n",
            InjectionOptions = InjectionOptions.Escape,
            InjectionEscapeCharacter = Mark,
            InjectionCharacters = ['=', '+', '-', '@', '\t', '\r', Mark],
        };

    /// <summary>The text of a cell.</summary>
    public static string Plain(string cell) => cell.Length > 0 && cell[0] == Mark ? cell[1..] : cell;
}
