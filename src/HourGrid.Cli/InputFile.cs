using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Cli;

/// <summary>Reads what a command is given.</summary>
internal static class InputFile
{
    /// <summary>The exit status when the input is wrong.</summary>
    public const int WrongInput = 2;

    /// <summary>Reads a file, and warns of the fields that are ignored.</summary>
    /// <exception cref="FormatProblemsException">The file cannot be used; the places name it.</exception>
    public static async Task<T> ReadAsync<T>(
        string command,
        FileInfo file,
        Func<ReadOnlyMemory<byte>, Reading<T>> read,
        TextWriter warnings,
        CancellationToken cancellation
    )
    {
        try
        {
            if (file.Exists && file.Length > CatalogueLimits.FileBytes)
                throw new FormatProblemsException([
                    new("", $"{file.Length} bytes", $"{CatalogueLimits.FileBytes} at most"),
                ]);
            var reading = read(await File.ReadAllBytesAsync(file.FullName, cancellation));
            if (reading.IgnoredFields.Count > 0)
                await warnings.WriteLineAsync(
                    $"hg {command}: {file.Name}: warning: unknown fields are ignored: {string.Join(", ", reading.IgnoredFields)}"
                );
            return reading.Value;
        }
        catch (FormatProblemsException refused)
        {
            throw new FormatProblemsException([
                .. refused.Problems.Select(problem =>
                    problem with
                    {
                        Path = $"{file.Name}: {(problem.Path.Length == 0 ? "the file" : problem.Path)}",
                    }
                ),
            ]);
        }
    }
}
