namespace HourGrid.Server.Tests;

internal static class TestPaths
{
    /// <summary>A path in the repository, from wherever the tests run.</summary>
    public static string Repository(params string[] parts)
    {
        for (var folder = new DirectoryInfo(AppContext.BaseDirectory); folder is not null; folder = folder.Parent)
            if (File.Exists(Path.Combine(folder.FullName, "HourGrid.slnx")))
                return Path.Combine([folder.FullName, .. parts]);
        throw new DirectoryNotFoundException("HourGrid.slnx stands in no folder above the tests.");
    }
}
