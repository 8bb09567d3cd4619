using System.Diagnostics;

namespace HourGrid.Server.Tests;

/// <summary>Programs that are tested as processes of their own.</summary>
internal static class Processes
{
    /// <summary>Until a program says that it listens; it says that once it answers.</summary>
    public static async Task ListensAsync(this Process process)
    {
        _ = process.StandardError.ReadToEndAsync();
        while (await process.StandardOutput.ReadLineAsync() is { } line)
            if (line.Contains("Now listening on", StringComparison.Ordinal))
            {
                _ = process.StandardOutput.ReadToEndAsync();
                return;
            }
        throw new InvalidOperationException("The program ended before it listened.");
    }

    /// <summary>Ends it without warning, where it runs.</summary>
    public static void Kill(ref Process? process)
    {
        process?.Kill(entireProcessTree: true);
        process?.WaitForExit();
        process?.Dispose();
        process = null;
    }
}
