using System.Diagnostics;

namespace HourGrid.Server.Tests;

/// <summary>The command line, run as a program.</summary>
internal static class CommandLine
{
    public static (int Status, string Output, string Error) Run(params string[] arguments)
    {
        var program = Path.Combine(AppContext.BaseDirectory, "HourGrid.Cli.dll");
        using var process = Process.Start(
            new ProcessStartInfo("dotnet", [program, .. arguments])
            {
                RedirectStandardOutput = true,
                RedirectStandardError = true,
            }
        )!;
        var error = process.StandardError.ReadToEndAsync();
        var output = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        return (process.ExitCode, output, error.Result);
    }
}
