using System.Diagnostics;
using System.Text;
using HourGrid.Cli;

namespace HourGrid.Server.Tests;

/// <summary>The command line.</summary>
internal static class CommandLine
{
    /// <summary>Runs a command in this process: a program of its own compiles its code anew each time.</summary>
    public static (int Status, string Output, string Error) Run(params string[] arguments)
    {
        using var output = new MemoryStream();
        using var error = new StringWriter();
        var status = Commands.RunAsync(arguments, new Outlets(output, error)).GetAwaiter().GetResult();
        return (status, Encoding.UTF8.GetString(output.ToArray()), error.ToString());
    }

    /// <summary>Runs a command as a program.</summary>
    public static (int Status, string Output, string Error) RunProgram(params string[] arguments)
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
