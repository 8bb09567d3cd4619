using System.Buffers;
using System.Diagnostics;
using System.Globalization;
using System.Text.Json;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Measuring;

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
    private int partsLeft;

    private AnswerFile(CatalogueSnapshot snapshot, Ask ask, AnswerParts parts, CancellationToken cancellation)
    {
        this.snapshot = snapshot;
        this.ask = ask;
        this.parts = parts;
        this.cancellation = cancellation;
        partsLeft = parts.Count;
        json = new Utf8JsonWriter(output, Indented);
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
        using var inTime = CancellationTokenSource.CreateLinkedTokenSource(cancellation);
        if (parts.Budget is { } budget)
            inTime.CancelAfter(budget);
        try
        {
            return Problem.Compile(snapshot, ask, inTime.Token);
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
        var count = Counts.Of(problem, Share(), cancellation);
        WriteCount("timetables", count.Total.Timetables);
        WriteCount("weekShapes", count.Total.WeekShapes);
        json.WriteBoolean("exact", count.IsExact);
        if (count.Estimate is { } estimate)
        {
            json.WriteStartObject("estimate");
            json.WriteNumber("timetables", estimate.Timetables);
            json.WriteNumber("relativeError", Math.Round(estimate.RelativeError, 6));
            json.WriteEndObject();
        }
        WriteElapsed();

        var best = parts.Top > 0 ? Top(problem) : null;
        if (parts.Sections)
            WriteSections(problem);
        if (parts.Costs)
            WriteCosts();
        if (parts.Explain)
            WriteWhy();
        if (parts.Fallbacks > 0)
            WriteFallbacks(problem, best);
        if (parts.Spread > 0)
            WriteTimetables("spread", Spread.Of(problem, parts.Spread, Share(), cancellation));
        if (parts.WhatIf.Count > 0)
            WriteWhatIf();
    }

    private void WriteElapsed() =>
        json.WriteNumber("elapsedMs", Math.Round(Stopwatch.GetElapsedTime(started).TotalMilliseconds, 3));

    private BestAnswer Top(Problem problem)
    {
        var best = Best.Of(problem, parts.Top, parts.Offset, parts.Shapes, Share(), cancellation);
        WriteTimetables("top", best);
        return best;
    }

    private void WriteTimetables(string name, BestAnswer best)
    {
        json.WriteStartArray(name);
        foreach (var one in best.Timetables)
        {
            json.WriteStartObject();
            json.WriteNumber("rank", one.Rank);
            json.WriteNumber("score", one.Score);
            WriteSectionsOf(one.Timetable);
            WriteMeasures(one.Measures);
            json.WriteEndObject();
        }
        json.WriteEndArray();
        WriteUnlessExact(name, best.IsExact);
    }

    private void WriteSections(Problem problem)
    {
        var standings = Standings.Of(problem, Share(), cancellation);
        json.WriteStartObject("sectionCounts");
        foreach (var (section, count) in standings.Sections)
            WriteCount(section.Value, count);
        json.WriteEndObject();
        WriteUnlessExact("sectionCounts", standings.IsExact);
    }

    private void WriteCosts()
    {
        var costs = RuleCosts.Of(snapshot, ask, Share(), cancellation);
        json.WriteStartArray("ruleCosts");
        foreach (var cost in costs.Costs)
        {
            json.WriteStartObject();
            json.WriteString("rule", cost.Wish.Path);
            json.WritePropertyName("cost");
            json.WriteRawValue(cost.Cost.ToString(CultureInfo.InvariantCulture));
            json.WriteEndObject();
        }
        json.WriteEndArray();
        WriteUnlessExact("ruleCosts", costs.IsExact);
    }

    private void WriteWhy()
    {
        if (WhyNone.Of(snapshot, ask, Share(), cancellation) is not { } why)
        {
            json.WriteNull("why");
            return;
        }
        json.WriteStartObject("why");
        json.WriteStartArray("together");
        foreach (var wish in why.Together)
            json.WriteStringValue(wish.Path);
        json.WriteEndArray();
        json.WriteStartArray("waysOut");
        foreach (var way in why.WaysOut)
            WriteWayOut(way);
        json.WriteEndArray();
        json.WriteEndObject();
        WriteUnlessExact("why", why.IsExact);
    }

    private void WriteWayOut(WayOut way)
    {
        json.WriteStartObject();
        if (way.Wishes.Count == 1)
            json.WriteString("change", way.Wishes[0].Path);
        else
        {
            json.WriteStartArray("changes");
            foreach (var wish in way.Wishes)
                json.WriteStringValue(wish.Path);
            json.WriteEndArray();
        }
        WriteCount("timetables", way.Timetables);
        json.WriteEndObject();
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
                WriteFallback(fallback);
            json.WriteEndArray();
            json.WriteEndObject();
        }
        json.WriteEndArray();
    }

    private void WriteFallback(Fallback fallback)
    {
        json.WriteStartObject();
        json.WriteString("section", fallback.Section.Value);
        if (fallback.Instead is null)
            json.WriteNull("instead");
        else
        {
            json.WriteStartObject("instead");
            json.WriteNumber("score", fallback.Score);
            WriteSectionsOf(fallback.Instead);
            json.WriteStartArray("changedCourses");
            foreach (var course in fallback.Changed)
                json.WriteStringValue(course.Value);
            json.WriteEndArray();
            json.WriteEndObject();
        }
        WriteUnlessExact("instead", fallback.IsExact);
        json.WriteEndObject();
    }

    private void WriteWhatIf()
    {
        json.WriteStartArray("whatIf");
        foreach (var course in parts.WhatIf)
        {
            var count = WhatIf.WithCourse(snapshot, ask, course, Share(), cancellation);
            json.WriteStartObject();
            json.WriteString("course", course.Value);
            WriteCount("timetables", count.Total.Timetables);
            WriteCount("weekShapes", count.Total.WeekShapes);
            json.WriteBoolean("exact", count.IsExact);
            json.WriteEndObject();
        }
        json.WriteEndArray();
    }

    private void WriteSectionsOf(Timetable timetable)
    {
        json.WriteStartArray("sections");
        foreach (var section in timetable.Sections)
            json.WriteStringValue(section.Number.Value);
        json.WriteEndArray();
    }

    private void WriteMeasures(WeekMeasures measures)
    {
        json.WriteStartObject("measures");
        json.WriteNumber("classDays", measures.ClassDays);
        json.WriteNumber("idleMinutes", measures.IdleMinutes);
        json.WriteString("earliestStart", measures.EarliestStart?.ToString());
        json.WriteString("latestEnd", measures.LatestEnd?.ToString());
        json.WriteNumber("longestDay", measures.LongestDay);
        json.WriteNumber("longestStretch", measures.LongestStretch);
        json.WriteNumber("campusMovesTenths", measures.CampusMovesTenths);
        json.WriteNumber("softMinutes", measures.SoftMinutes);
        json.WriteNumber("breaksMissed", measures.BreaksMissed);
        json.WriteNumber("seatsToSpare", measures.SeatsToSpare);
        json.WriteNumber("awayMinutes", measures.AwayMinutes);
        json.WriteNumber("wantedTaken", measures.WantedTaken);
        json.WriteEndObject();
    }

    /// <summary>Says of a part that the time did not suffice for all of it.</summary>
    private void WriteUnlessExact(string part, bool isExact)
    {
        if (!isExact)
            json.WriteBoolean($"{part}Exact", false);
    }

    /// <summary>A number of any length, in full.</summary>
    private void WriteCount(string name, UInt128 count)
    {
        json.WritePropertyName(name);
        json.WriteRawValue(count.ToString(CultureInfo.InvariantCulture));
    }
}
