using HourGrid.Data;

namespace HourGrid.Cli;

/// <summary>The data folder that the commands work on, also while a server uses it.</summary>
internal static class DataFolder
{
    /// <summary>Opens the database of a folder, made or brought up to date unless a server is doing so.</summary>
    public static async Task<HourGridContext> OpenAsync(DirectoryInfo folder, CancellationToken cancellation)
    {
        folder.Create();
        var path = DatabaseFile.In(folder.FullName);
        try
        {
            using var held = new DataFolderLock(folder.FullName);
            await DatabaseFile.PrepareAsync(path, cancellation);
        }
        catch (DataFolderInUseException)
        {
            // The server that holds the folder has brought the database up to date already.
        }
        return DatabaseFile.Open(path);
    }
}
