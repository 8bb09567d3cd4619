using System.Buffers;
using System.Text;
using System.Text.Json;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Timetables;

namespace HourGrid.Formats.Answers;

/// <summary>
/// Writes every timetable of an ask as a line of JSON, its registration numbers in the order of the ask's courses; the last
/// line says how many there are, and whether they are all: <c>docs/formats/solve.md</c>.
/// </summary>
public sealed class EveryTimetable
{
    private const int BytesInBlock = 1 << 18;

    private readonly Lock gate = new();
    private readonly Stream output;

    // By course and bundle, the registration numbers with a comma after each.
    private readonly byte[][][] numbers;
    private readonly int width;
    private readonly int longest;
    private long written;

    private EveryTimetable(Problem problem, Stream output)
    {
        this.output = output;
        width = EveryRow.WidthOf(problem);
        numbers = [.. problem.Courses.Select(course => course.Bundles.Select(NumbersOf).ToArray())];
        longest = 3 + numbers.Sum(bundles => bundles.Select(one => one.Length).DefaultIfEmpty().Max());
    }

    /// <summary>Writes them all, in no particular order.</summary>
    /// <param name="snapshot">The catalogue of the ask's term.</param>
    /// <param name="ask">What is asked.</param>
    /// <param name="output">Takes UTF-8.</param>
    /// <param name="budget">How long it may take; null for as long as it takes.</param>
    /// <param name="cancellation">Gives up.</param>
    /// <exception cref="AskRefusedException">The ask names what is not there.</exception>
    /// <exception cref="AskTooLargeException">It is too large to be answered at all.</exception>
    public static void Write(
        CatalogueSnapshot snapshot,
        Ask ask,
        Stream output,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        ArgumentNullException.ThrowIfNull(output);
        var problem = Problem.Compile(snapshot, ask, cancellation: cancellation);
        var every = new EveryTimetable(problem, output);
        var isWhole = EveryRow.Write(problem, every.Write, budget, cancellation);
        output.Write(
            Encoding.UTF8.GetBytes($"{{\"timetables\":{every.written},\"exact\":{(isWhole ? "true" : "false")}}}\n")
        );
    }

    private static byte[] NumbersOf(Bundle bundle) =>
        Encoding.UTF8.GetBytes(
            string.Concat(bundle.Sections.Select(section => $"{JsonSerializer.Serialize(section.Number.Value)},"))
        );

    /// <summary>Several threads write; each fills a block of its own and gives it away whole.</summary>
    private void Write(ReadOnlySpan<ushort> rows)
    {
        var block = ArrayPool<byte>.Shared.Rent(BytesInBlock + longest);
        var filled = 0;
        for (var row = 0; row < rows.Length; row += width)
        {
            filled += WriteLine(rows.Slice(row, width), block.AsSpan(filled));
            if (filled < BytesInBlock)
                continue;
            Give(block.AsSpan(0, filled));
            filled = 0;
        }
        Give(block.AsSpan(0, filled));
        ArrayPool<byte>.Shared.Return(block);
        Interlocked.Add(ref written, rows.Length / width);
    }

    private void Give(ReadOnlySpan<byte> lines)
    {
        lock (gate)
            output.Write(lines);
    }

    private int WriteLine(ReadOnlySpan<ushort> row, Span<byte> into)
    {
        into[0] = (byte)'[';
        var at = 1;
        for (var course = 0; course < numbers.Length; course++)
        {
            if (row[course] == EveryRow.NotTaken)
                continue;
            var bytes = numbers[course][row[course]];
            bytes.CopyTo(into[at..]);
            at += bytes.Length;
        }
        // No timetable is without a section, so a comma stands last.
        into[at - 1] = (byte)']';
        into[at] = (byte)'\n';
        return at + 1;
    }
}
