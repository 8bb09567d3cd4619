using HourGrid.Data;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Cli;

/// <summary>The data folder that the commands work on, also while a server uses it.</summary>
internal static class DataFolder
{
    /// <summary>Opens the database of a folder, made or brought up to date unless a server is doing so.</summary>
    public static async Task<HourGridContext> OpenAsync(DirectoryInfo folder, CancellationToken cancellation)
    {
        folder.Create();
        var options = new DbContextOptionsBuilder<HourGridContext>();
        DatabaseFile.Use(options, DatabaseFile.In(folder.FullName));
        var database = new HourGridContext(options.Options);
        try
        {
            using var held = new DataFolderLock(folder.FullName);
            await DatabaseFile.PrepareAsync(database, cancellation);
        }
        catch (DataFolderInUseException)
        {
            // The server that holds the folder has brought the database up to date already.
        }
        return database;
    }
}
