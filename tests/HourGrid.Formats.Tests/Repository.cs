namespace HourGrid.Formats.Tests;

/// <summary>Finds files of the repository from wherever the tests run.</summary>
internal static class Repository
{
    public static string PathOf(params string[] parts) => Path.Combine([Root, .. parts]);

    private static string Root { get; } = FindRoot();

    private static string FindRoot()
    {
        for (var folder = new DirectoryInfo(AppContext.BaseDirectory); folder is not null; folder = folder.Parent)
            if (File.Exists(Path.Combine(folder.FullName, "HourGrid.slnx")))
                return folder.FullName;
        throw new DirectoryNotFoundException("HourGrid.slnx stands in no folder above the tests.");
    }
}
