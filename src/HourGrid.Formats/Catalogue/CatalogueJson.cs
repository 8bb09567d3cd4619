using System.Text.Encodings.Web;
using System.Text.Json;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Catalogue;

/// <summary>Catalogues as JSON: <c>docs/formats/catalogue.schema.json</c>.</summary>
public static class CatalogueJson
{
    public const string Format = "hour-grid-catalogue";

    /// <summary>Reads a file.</summary>
    /// <exception cref="FormatProblemsException">The file cannot be used; it says where and why.</exception>
    public static Reading<UniversityCatalogue> Read(ReadOnlyMemory<byte> utf8) =>
        JsonFile.Read(utf8, root => new CatalogueReader().Read(root));

    /// <summary>Writes a file that <see cref="Read"/> reads to the same catalogue.</summary>
    public static byte[] Write(UniversityCatalogue catalogue)
    {
        using var stream = new MemoryStream();
        using (var writer = new Utf8JsonWriter(stream, Readable))
            CatalogueWriter.Write(catalogue).WriteTo(writer);
        return stream.ToArray();
    }

    private static readonly JsonWriterOptions Readable = new()
    {
        Indented = true,
        // The file is never part of a page, and people read it.
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };
}
