using System.Buffers;
using System.Diagnostics;
using System.Text.Json;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;

namespace HourGrid.Formats.Answers;

/// <summary>Finds the answers asked for and writes them as one JSON object: <c>docs/formats/solve.md</c>.</summary>
/// <remarks>Each answer gets its share of the time that is left.</remarks>
public sealed class AnswerFile : IDisposable
{
    private static readonly JsonWriterOptions Indented = new() { Indented = true };

    private readonly CatalogueSnapshot snapshot;
    private readonly Ask ask;
    private readonly AnswerParts parts;
    private readonly CancellationToken cancellation;
    private readonly long started = Stopwatch.GetTimestamp();
    private readonly ArrayBufferWriter<byte> output = new();
    private readonly Utf8JsonWriter json;
    private readonly AnswerJson written;
    private int partsLeft;

    private AnswerFile(CatalogueSnapshot snapshot, Ask ask, AnswerParts parts, CancellationToken cancellation)
    {
        this.snapshot = snapshot;
        this.ask = ask;
        this.parts = parts;
        this.cancellation = cancellation;
        partsLeft = parts.Count;
        json = new Utf8JsonWriter(output, Indented);
        written = new AnswerJson(json);
    }

    /// <summary>The answer as UTF-8 JSON.</summary>
    /// <param name="snapshot">The catalogue of the ask's term.</param>
    /// <param name="ask">What is asked.</param>
    /// <param name="parts">What of the answer.</param>
    /// <param name="cancellation">Gives up.</param>
    /// <exception cref="AskRefusedException">The ask names what is not there.</exception>
    /// <exception cref="AskTooLargeException">It is too large to be answered at all.</exception>
    public static ReadOnlyMemory<byte> Write(
        CatalogueSnapshot snapshot,
        Ask ask,
        AnswerParts parts,
        CancellationToken cancellation = default
    )
    {
        using var file = new AnswerFile(snapshot, ask, parts, cancellation);
        return file.Answer();
    }

    private ReadOnlyMemory<byte> Answer()
    {
        json.WriteStartObject();
        if (Compile() is { } problem)
            WriteParts(problem);
        else
            WriteNothingKnown();
        json.WriteEndObject();
        json.Flush();
        output.Write("\n"u8);
        return output.WrittenMemory;
    }

    /// <inheritdoc />
    public void Dispose() => json.Dispose();

    /// <summary>Null when the time was up before anything could be asked.</summary>
    private Problem? Compile()
    {
        try
        {
            return Problem.Compile(snapshot, ask, parts.Budget, cancellation);
        }
        catch (OperationCanceledException) when (!cancellation.IsCancellationRequested)
        {
            return null;
        }
    }

    /// <summary>An even share of what is left of the time; null for as long as it takes.</summary>
    private TimeSpan? Share()
    {
        if (parts.Budget is not { } budget)
            return null;
        var left = budget - Stopwatch.GetElapsedTime(started);
        return left > TimeSpan.Zero ? left / Math.Max(1, partsLeft--) : TimeSpan.Zero;
    }

    private void WriteNothingKnown()
    {
        json.WriteNumber("timetables", 0);
        json.WriteNumber("weekShapes", 0);
        json.WriteBoolean("exact", false);
        WriteElapsed();
    }

    private void WriteParts(Problem problem)
    {
        written.WriteCounts(Counts.Of(problem, Share(), cancellation));
        WriteElapsed();

        var best = parts.Top > 0 ? Top(problem) : null;
        if (parts.Sections)
            written.WriteStandings(Standings.Of(problem, Share(), cancellation));
        if (parts.Costs)
            written.WriteCosts(RuleCosts.Of(snapshot, ask, Share(), cancellation: cancellation));
        if (parts.Explain)
            written.WriteWhy(WhyNone.Of(snapshot, ask, Share(), cancellation));
        if (parts.Fallbacks > 0)
            WriteFallbacks(problem, best);
        if (parts.Spread > 0)
            written.WriteTimetables("spread", Spread.Of(problem, parts.Spread, Share(), cancellation));
        if (parts.WhatIf.Count > 0)
            WriteWhatIf();
    }

    private void WriteElapsed() =>
        json.WriteNumber("elapsedMs", Math.Round(Stopwatch.GetElapsedTime(started).TotalMilliseconds, 3));

    private BestAnswer Top(Problem problem)
    {
        var best = Best.Of(problem, parts.Top, parts.Offset, parts.Shapes, Share(), cancellation);
        written.WriteTimetables("top", best);
        return best;
    }

    private void WriteFallbacks(Problem problem, BestAnswer? top)
    {
        var isTop =
            top is not null && parts is { Offset: 0, Shapes: false } && top.Timetables.Count >= parts.Fallbacks;
        var best = isTop ? top! : Best.Of(problem, parts.Fallbacks, budget: Share(), cancellation: cancellation);
        json.WriteStartArray("fallbacks");
        foreach (var one in best.Timetables.Take(parts.Fallbacks))
        {
            json.WriteStartObject();
            json.WriteNumber("rank", one.Rank);
            json.WriteStartArray("sections");
            RegistrationNumber[] sections = [.. one.Timetable.Sections.Select(section => section.Number)];
            foreach (var fallback in Fallbacks.Of(snapshot, ask, sections, Share(), cancellation))
                written.WriteFallback(fallback);
            json.WriteEndArray();
            json.WriteEndObject();
        }
        json.WriteEndArray();
    }

    private void WriteWhatIf()
    {
        json.WriteStartArray("whatIf");
        foreach (var course in parts.WhatIf)
            written.WriteWhatIf(course, WhatIf.WithCourse(snapshot, ask, course, Share(), cancellation));
        json.WriteEndArray();
    }
}
