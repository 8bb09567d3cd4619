using System.Reflection;
using HourGrid.Data;
using HourGrid.Data.Catalogue;
using HourGrid.Formats.Catalogue;
using HourGrid.Server.Catalogues;
using Microsoft.AspNetCore.DataProtection;

namespace HourGrid.Server.Hosting;

/// <summary>The one folder in which the server keeps everything: the database and the keys of its cookies.</summary>
internal static class DataFolder
{
    private const string Setting = "DataFolder";
    private const string FirstCatalogueSetting = "FirstCatalogue";

    /// <summary>While the OpenAPI document is generated the program really starts, but must not touch any data.</summary>
    public static bool IsDescribingOnly => Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

    public static void AddDataFolder(this WebApplicationBuilder builder)
    {
        var folder = Path.GetFullPath(builder.Configuration[Setting] ?? "data");
        builder.Services.AddDbContext<HourGridContext>(options => DatabaseFile.Use(options, DatabaseFile.In(folder)));
        if (IsDescribingOnly)
            return;
        var keys = Directory.CreateDirectory(Path.Combine(folder, "keys"));
        builder.Services.AddDataProtection().SetApplicationName("HourGrid").PersistKeysToFileSystem(keys);
        builder.Services.AddSingleton(_ => new DataFolderLock(folder));
    }

    /// <summary>Brings the database up to date, imports the first catalogue where none is, and reads it.</summary>
    public static async Task PrepareDataAsync(this WebApplication app)
    {
        app.Services.GetRequiredService<DataFolderLock>();
        await using var scope = app.Services.CreateAsyncScope();
        var database = scope.ServiceProvider.GetRequiredService<HourGridContext>();
        await DatabaseFile.PrepareAsync(database);
        // The file is not even opened where there is a catalogue.
        if (
            app.Configuration[FirstCatalogueSetting] is { } file
            && await CatalogueReading.VersionAsync(database) == 0
        )
        {
            var reading = CatalogueJson.Read(await File.ReadAllBytesAsync(file));
            if (await CatalogueImport.ImportFirstAsync(database, reading.Value, DateTime.UtcNow))
                app.Logger.ImportedFirstCatalogue(reading.Value.Institution, reading.Value.Courses.Count);
        }
        await app.Services.GetRequiredService<CurrentCatalogue>().ReadAsync(database);
    }
}

internal static partial class DataFolderLog
{
    [LoggerMessage(Level = LogLevel.Information, Message = "Imported {Courses} courses of {Institution}.")]
    public static partial void ImportedFirstCatalogue(this ILogger logger, string institution, int courses);
}
