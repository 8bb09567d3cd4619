using System.Text;
using CsvHelper;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Catalogue;

/// <summary>The courses and sections of a catalogue as CSV, a row a meeting: <c>docs/formats/catalogue-csv.md</c>.</summary>
public static class CatalogueCsv
{
    /// <summary>Reads a file over a catalogue that knows its terms and campuses, and all that the columns do not say of courses.</summary>
    /// <exception cref="FormatProblemsException">The file cannot be used; it says in which row and column, and why.</exception>
    public static Reading<UniversityCatalogue> Read(ReadOnlyMemory<byte> utf8, UniversityCatalogue over) =>
        new CsvCatalogueReader(over).Read(utf8);

    /// <summary>Writes the courses and sections of a catalogue.</summary>
    public static byte[] Write(UniversityCatalogue catalogue)
    {
        using var stream = new MemoryStream();
        using (var text = new StreamWriter(stream, new UTF8Encoding(encoderShouldEmitUTF8Identifier: false)))
        using (var csv = new CsvWriter(text, CsvText.Format))
        {
            foreach (var column in CsvColumns.All)
                csv.WriteField(column);
            csv.NextRecord();
            var rows = 0;
            foreach (var row in CsvColumns.RowsOf(catalogue))
            {
                rows++;
                foreach (var column in CsvColumns.All)
                    csv.WriteField(row.GetValueOrDefault(column, ""));
                csv.NextRecord();
            }
            csv.Flush();
            text.Write(CsvEnd.Of(rows) + CsvText.Format.NewLine);
        }
        return stream.ToArray();
    }
}
