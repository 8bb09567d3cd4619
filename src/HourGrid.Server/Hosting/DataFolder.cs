using System.Reflection;
using HourGrid.Core.Catalogue;
using HourGrid.Data;
using HourGrid.Data.Catalogue;
using HourGrid.Formats.Catalogue;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Requirements;
using Microsoft.AspNetCore.DataProtection;

namespace HourGrid.Server.Hosting;

/// <summary>The one folder in which the server keeps everything: the database and the keys of its cookies.</summary>
internal static class DataFolder
{
    private const string Setting = "DataFolder";
    private const string FirstCatalogueSetting = "FirstCatalogue";
    private const string FirstProgrammesSetting = "FirstProgrammes";

    /// <summary>While the OpenAPI document is generated the program really starts, but must not touch any data.</summary>
    public static bool IsDescribingOnly => Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

    public static void AddDataFolder(this WebApplicationBuilder builder)
    {
        var folder = Path.GetFullPath(builder.Configuration[Setting] ?? "data");
        var path = DatabaseFile.In(folder);
        var catalogue = new CurrentCatalogue(TimeProvider.System);
        builder.Services.AddSingleton(_ => catalogue);
        builder.Services.AddDbContextPool<HourGridContext>(options => DatabaseFile.Use(options, path));
        if (IsDescribingOnly)
            return;
        const UnixFileMode owner = UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute;
        var keys = Directory.CreateDirectory(Path.Combine(folder, "keys"));
        keys.UnixFileMode = owner;
        builder.Services.AddDataProtection().SetApplicationName("HourGrid").PersistKeysToFileSystem(keys);
        var held = new DataFolderLock(folder);
        builder.Services.AddSingleton(_ => held);
        // Begun at once: the rest of the server is put together meanwhile.
        var file = builder.Configuration[FirstCatalogueSetting];
        var programmes = builder.Configuration[FirstProgrammesSetting];
        var unusable = new List<UnusableCatalogue>();
        var preparing = Task.Run(() =>
            PrepareAsync(path, file, programmes, catalogue, (import, why) => unusable.Add(new(import, why)))
        );
        builder.Services.AddSingleton(new PreparedData(preparing, unusable));
    }

    /// <summary>Settles once the data are there; the data folder is this process's until it ends.</summary>
    public static async Task PrepareDataAsync(this WebApplication app)
    {
        app.Services.GetRequiredService<DataFolderLock>();
        var prepared = app.Services.GetRequiredService<PreparedData>();
        try
        {
            if (await prepared.Preparing is { } imported)
                app.Logger.ImportedFirstCatalogue(imported.Institution, imported.Courses.Count);
        }
        finally
        {
            foreach (var (import, why) in prepared.Unusable)
                app.Logger.CannotUseCatalogue(why, import);
        }
    }

    /// <summary>
    /// Brings the database up to date, imports the first catalogue and the first programmes where none is, and reads it. The catalogue that was
    /// imported; null where there was one, whose file is then not even opened.
    /// </summary>
    private static async Task<UniversityCatalogue?> PrepareAsync(
        string path,
        string? file,
        string? programmes,
        CurrentCatalogue catalogue,
        Action<int, Exception> cannotUse
    )
    {
        await DatabaseFile.PrepareAsync(path);
        if (programmes is not null)
        {
            await using var empty = DatabaseFile.Open(path);
            await FirstProgrammes.ImportAsync(empty, programmes, TimeProvider.System.GetUtcNow().UtcDateTime);
        }
        if (CatalogueReading.TakeUsable(path, catalogue.Take, cannotUse) || file is null)
            return null;
        var first = CatalogueJson.Read(await File.ReadAllBytesAsync(file)).Value;
        await using var database = DatabaseFile.Open(path);
        await CatalogueImport.ImportFirstAsync(database, first, TimeProvider.System.GetUtcNow().UtcDateTime);
        CatalogueReading.TakeUsable(path, catalogue.Take, cannotUse);
        return first;
    }
}

/// <summary>The data while they are prepared.</summary>
/// <param name="Preparing">Gives the first catalogue where it was imported now.</param>
/// <param name="Unusable">Catalogues that cannot be used, the newest first; complete once the data are there.</param>
internal sealed record PreparedData(Task<UniversityCatalogue?> Preparing, IReadOnlyList<UnusableCatalogue> Unusable);

/// <param name="Import">The number of the import that brought it.</param>
/// <param name="Why">What came of using it.</param>
internal sealed record UnusableCatalogue(int Import, Exception Why);

internal static partial class DataFolderLog
{
    [LoggerMessage(Level = LogLevel.Information, Message = "Imported {Courses} courses of {Institution}.")]
    public static partial void ImportedFirstCatalogue(this ILogger logger, string institution, int courses);

    [LoggerMessage(
        Level = LogLevel.Error,
        Message = "The catalogue of import {Import} cannot be used, so the one before it is served if there is one. "
            + "Import a whole catalogue again: ./hg import FILE --data FOLDER."
    )]
    public static partial void CannotUseCatalogue(this ILogger logger, Exception why, int import);
}
