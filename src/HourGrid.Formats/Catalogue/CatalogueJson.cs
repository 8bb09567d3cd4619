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
    public static byte[] Write(UniversityCatalogue catalogue) =>
        ReadableJson.Write(json => CatalogueWriter.Write(catalogue).WriteTo(json));
}
