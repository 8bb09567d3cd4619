namespace HourGrid.Formats.Catalogue;

/// <summary>Cells that a spreadsheet would run: they carry an apostrophe in front, which reading takes away.</summary>
public static class CsvText
{
    private const char Mark = '\'';

    /// <summary>The text as a cell that is only ever text.</summary>
    public static string Guard(string text) =>
        text.Length > 0 && text[0] is '=' or '+' or '-' or '@' or '\t' or '\r' or Mark ? Mark + text : text;

    /// <summary>The text of a cell.</summary>
    public static string Plain(string cell) => cell.Length > 0 && cell[0] == Mark ? cell[1..] : cell;
}
