using System.Text;
using System.Text.Json;
using System.Text.Json.Serialization;
using HourGrid.Core.Catalogue;
using HourGrid.Formats.Catalogue;

namespace HourGrid.Data.Tests;

/// <summary>A database file of one's own, and the sample world.</summary>
internal sealed class TestDatabase : IDisposable
{
    private readonly DirectoryInfo folder = Directory.CreateTempSubdirectory("hour-grid-data-");

    public void Dispose()
    {
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        folder.Delete(recursive: true);
    }

    /// <summary>Where the file is.</summary>
    public string File => DatabaseFile.In(folder.FullName);

    /// <summary>The files of catalogues beside it, by name.</summary>
    public string[] Catalogues() =>
        [.. folder.GetFiles("catalogue-*").Select(file => file.Name).Order(StringComparer.Ordinal)];

    public HourGridContext Open() => DatabaseFile.Open(File);

    public static UniversityCatalogue Sample()
    {
        for (var at = new DirectoryInfo(AppContext.BaseDirectory); at is not null; at = at.Parent)
            if (
                Path.Combine(at.FullName, "demo", "saltmere.catalogue.json") is var file
                && System.IO.File.Exists(file)
            )
                return CatalogueJson.Read(System.IO.File.ReadAllBytes(file)).Value;
        throw new FileNotFoundException("demo/saltmere.catalogue.json");
    }

    /// <summary>Everything a catalogue holds, as text; the travel table has no order of its own.</summary>
    public static string Say(UniversityCatalogue catalogue) =>
        Encoding.UTF8.GetString(
            JsonSerializer.SerializeToUtf8Bytes(
                catalogue with
                {
                    Travel = [.. catalogue.Travel.OrderBy(entry => entry.From).ThenBy(entry => entry.To)],
                },
                Whole
            )
        );

    private static readonly JsonSerializerOptions Whole = new() { Converters = { new AnyPrerequisite() } };

    private sealed class AnyPrerequisite : JsonConverter<Prerequisite>
    {
        public override Prerequisite Read(ref Utf8JsonReader reader, Type type, JsonSerializerOptions options) =>
            throw new NotSupportedException();

        public override void Write(Utf8JsonWriter writer, Prerequisite value, JsonSerializerOptions options)
        {
            writer.WriteStartObject();
            writer.WritePropertyName(value.GetType().Name);
            JsonSerializer.Serialize(writer, (object)value, value.GetType(), options);
            writer.WriteEndObject();
        }
    }
}
