using System.CommandLine;

namespace HourGrid.Cli;

/// <summary>Where a command writes: its answer, as text or as the bytes it was made as, and apart from it what went wrong.</summary>
internal sealed class Outlets : InvocationConfiguration
{
    public Outlets(Stream output, TextWriter error)
    {
        Bytes = output;
        Output = new StreamWriter(output) { AutoFlush = true };
        Error = error;
    }

    public Stream Bytes { get; }

    public static Outlets Of(ParseResult parsed) => (Outlets)parsed.InvocationConfiguration;
}
