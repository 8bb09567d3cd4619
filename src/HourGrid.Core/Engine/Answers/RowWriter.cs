using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using HourGrid.Core.Engine.Counting;
using HourGrid.Core.Work;

namespace HourGrid.Core.Engine.Answers;

/// <summary>
/// Writes the rows that go through a state of the frontier: every beginning, read back from the state to the root, with
/// every ending below it. Endings are found once, so that most rows take no more than to be written. For one thread.
/// </summary>
/// <remarks>
/// A beginning is 0 where an ending has a number, and the other way round, so that a row is the two of them together.
/// </remarks>
internal sealed unsafe class RowWriter
{
    private const int RowsInBlock = 4096;

    private readonly StateLayers layers;
    private readonly WaysInto into;
    private readonly RowParts parts;
    private readonly bool holdsNothing;
    private readonly TakeRows take;
    private readonly Deadline deadline;
    private readonly RowEndings endings;
    private readonly int levels;
    private readonly int width;
    private readonly ushort[] beginning;
    private readonly ushort[] block;
    private int filled;
    private int through;

    /// <param name="step">The problem, for this thread.</param>
    /// <param name="layers">Its layers.</param>
    /// <param name="into">The same, read backwards.</param>
    /// <param name="parts">What stands where in a row.</param>
    /// <param name="holdsNothing">Whether one of the rows would be that of no course, which is not a timetable.</param>
    /// <param name="take">Takes the rows.</param>
    /// <param name="limit">How long it may take.</param>
    public RowWriter(
        StateStep step,
        StateLayers layers,
        WaysInto into,
        RowParts parts,
        bool holdsNothing,
        TakeRows take,
        WorkLimit limit
    )
    {
        (this.layers, this.into, this.parts, this.holdsNothing) = (layers, into, parts, holdsNothing);
        this.take = take;
        deadline = new(limit);
        endings = new(step, parts, layers.Frontier.Level, WriteFound, deadline);
        levels = step.Problem.Levels.Count;
        width = parts.Width;
        block = new ushort[RowsInBlock * width];
        beginning = new ushort[width];
    }

    /// <summary>Whether time was up before all was written.</summary>
    public bool IsStopped => deadline.HasPassed;

    /// <summary>Writes all rows that go through a state of the frontier.</summary>
    public void WriteThrough(int state)
    {
        through = state;
        endings.Find(layers.Frontier.State(state));
        WriteFound();
    }

    /// <summary>Gives away the rows that are written and not yet taken.</summary>
    public void Flush()
    {
        // What takes them may take long.
        deadline.HasPassedNow();
        if (filled > 0)
            take(block.AsSpan(0, filled));
        filled = 0;
    }

    /// <summary>Writes every beginning with the endings that were found.</summary>
    private void WriteFound()
    {
        if (endings.Count > 0)
            Begin(layers.Layers.Count - 1, through);
        endings.Clear();
    }

    /// <summary>Goes back from a state of a layer to the root by all ways there are.</summary>
    private void Begin(int layer, int state)
    {
        if (layer == 0)
        {
            WriteRows();
            return;
        }
        deadline.HasPassedAfter(endings.Count);
        var level = layers.Layers[layer - 1].Level;
        var options = into.OptionsInto(layer, state);
        var origins = into.OriginsOf(layer, state);
        for (var choice = 0; choice < options.Length && !IsStopped; choice++)
            foreach (var number in parts.Numbers[level][options[choice]])
            {
                beginning[parts.PlaceOf[level]] = number;
                Begin(layer - 1, origins[choice]);
            }
    }

    private void WriteRows()
    {
        if (holdsNothing && TakesNothing(beginning, 0, layers.Frontier.Level))
        {
            WriteThoseThatTakeSome();
            return;
        }
        for (var done = 0; done < endings.Count && !IsStopped; )
        {
            var count = Math.Min(endings.Count - done, RowsInBlock - filled / width);
            Write(done, count);
            filled += count * width;
            done += count;
            if (filled == block.Length)
                Flush();
        }
    }

    /// <summary>The innermost loop: a vector of each row after the other.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private void Write(int from, int count)
    {
        ref var begins = ref MemoryMarshal.GetArrayDataReference(beginning);
        ref var ends = ref Unsafe.Add(ref MemoryMarshal.GetReference(endings.All), from * width);
        ref var rows = ref Unsafe.Add(ref MemoryMarshal.GetArrayDataReference(block), filled);
        var step = (nuint)width;
        var end = (nuint)count * step;
        for (var part = (nuint)0; part < step; part += (nuint)Vector128<ushort>.Count)
        {
            var begin = Vector128.LoadUnsafe(ref begins, part);
            for (var at = part; at < end; at += step)
                (begin | Vector128.LoadUnsafe(ref ends, at)).StoreUnsafe(ref rows, at);
        }
    }

    private void WriteThoseThatTakeSome()
    {
        for (var i = 0; i < endings.Count; i++)
        {
            if (TakesNothing(endings.All.Slice(i * width, width), layers.Frontier.Level, levels))
                continue;
            Write(i, 1);
            filled += width;
            if (filled == block.Length)
                Flush();
        }
    }

    /// <summary>Whether a part of a row takes no course of the levels it has numbers of.</summary>
    private bool TakesNothing(ReadOnlySpan<ushort> part, int fromLevel, int toLevel)
    {
        for (var level = fromLevel; level < toLevel; level++)
            if (part[parts.PlaceOf[level]] != EveryRow.NotTaken)
                return false;
        return true;
    }
}
