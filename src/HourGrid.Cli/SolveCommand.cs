using System.CommandLine;
using System.Diagnostics;
using System.Globalization;
using System.Text.Json;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Cli;

/// <summary><c>solve</c>: answers an ask against a catalogue and prints the answer as JSON.</summary>
internal static class SolveCommand
{
    public const int WrongInput = 2;

    private static readonly JsonWriterOptions Indented = new() { Indented = true };

    public static Command Create()
    {
        var catalogue = new Option<FileInfo>("--catalogue")
        {
            Description = "The catalogue file (docs/formats/catalogue.md).",
            Required = true,
        };
        var ask = new Option<FileInfo>("--ask")
        {
            Description = "The ask file (docs/formats/ask.md).",
            Required = true,
        };
        var command = new Command("solve", "Counts the timetables and week shapes of an ask.") { catalogue, ask };
        command.SetAction(
            (parsed, cancellation) =>
                RunAsync(parsed.GetRequiredValue(catalogue), parsed.GetRequiredValue(ask), cancellation)
        );
        return command;
    }

    private static async Task<int> RunAsync(FileInfo catalogueFile, FileInfo askFile, CancellationToken cancellation)
    {
        try
        {
            var catalogue = await ReadAsync(catalogueFile, CatalogueJson.Read, cancellation);
            var ask = await ReadAsync(askFile, AskJson.Read, cancellation);
            var snapshot =
                catalogue.SnapshotOf(ask.Term)
                ?? throw new AskRefusedException("term", $"{ask.Term} is not a term of the catalogue.");
            Print(snapshot, ask, cancellation);
            return 0;
        }
        catch (Exception problem)
            when (problem
                    is IOException
                        or UnauthorizedAccessException
                        or AskRefusedException
                        or AskTooLargeException
                        or InputException
            )
        {
            await Console.Error.WriteLineAsync($"hg solve: {problem.Message}");
            return WrongInput;
        }
    }

    private static async Task<T> ReadAsync<T>(
        FileInfo file,
        Func<ReadOnlyMemory<byte>, Reading<T>> read,
        CancellationToken cancellation
    )
    {
        try
        {
            var reading = read(await File.ReadAllBytesAsync(file.FullName, cancellation));
            if (reading.IgnoredFields.Count > 0)
                await Console.Error.WriteLineAsync(
                    $"hg solve: {file.Name}: warning: unknown fields are ignored: {string.Join(", ", reading.IgnoredFields)}"
                );
            return reading.Value;
        }
        catch (FormatProblemsException problem)
        {
            throw new InputException($"{file.Name}: {problem.Message}", problem);
        }
    }

    private static void Print(CatalogueSnapshot snapshot, Ask ask, CancellationToken cancellation)
    {
        var started = Stopwatch.GetTimestamp();
        var walk = new TimetableWalk(Problem.Compile(snapshot, ask, cancellation), cancellation);
        var elapsed = Stopwatch.GetElapsedTime(started);

        using var output = Console.OpenStandardOutput();
        using (var json = new Utf8JsonWriter(output, Indented))
        {
            json.WriteStartObject();
            WriteCount(json, "timetables", walk.Total.Timetables);
            WriteCount(json, "weekShapes", walk.Total.WeekShapes);
            json.WriteBoolean("exact", true);
            json.WriteNumber("elapsedMs", Math.Round(elapsed.TotalMilliseconds, 3));
            json.WriteEndObject();
        }
        output.Write("\n"u8);
    }

    /// <summary>A number of any length, in full.</summary>
    private static void WriteCount(Utf8JsonWriter json, string name, UInt128 count)
    {
        json.WritePropertyName(name);
        json.WriteRawValue(count.ToString(CultureInfo.InvariantCulture));
    }

    private sealed class InputException(string message, Exception inner) : Exception(message, inner);
}
