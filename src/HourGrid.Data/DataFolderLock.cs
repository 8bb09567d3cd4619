namespace HourGrid.Data;

/// <summary>
/// Holds a data folder for this process: only its holder may migrate the database. A second server on the same folder
/// is refused at its start.
/// </summary>
public sealed class DataFolderLock : IDisposable
{
    private readonly FileStream file;

    /// <exception cref="DataFolderInUseException">Another process holds the folder.</exception>
    public DataFolderLock(string folder)
    {
        try
        {
            file = new(Path.Combine(folder, "lock"), FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
        }
        catch (IOException problem)
        {
            throw new DataFolderInUseException($"Another server already uses the data folder {folder}.", problem);
        }
    }

    public void Dispose() => file.Dispose();
}

/// <summary>Another process holds the data folder.</summary>
public sealed class DataFolderInUseException(string message, Exception inner) : Exception(message, inner);
