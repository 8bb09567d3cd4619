using System.Numerics;
using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;

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

    /// <summary>Endings at a time, few enough to stay in the nearest cache.</summary>
    private const int EndingsAtATime = 1024;

    private const int LooksEvery = 64;

    private readonly Choosing choosing;
    private readonly StateLayers layers;
    private readonly WaysInto into;
    private readonly bool holdsNothing;
    private readonly TakeRows take;
    private readonly WorkLimit limit;
    private readonly Takings last;
    private readonly int[] first;
    private readonly int levels;
    private readonly int width;

    // By level.
    private readonly int[] placeOf;
    private readonly ushort[][][] numbers;

    // The witnesses that no option of the last level rules out that is open.
    private readonly ulong[] outlast;
    private readonly ushort[] beginning;
    private readonly ushort[] ending;
    private readonly ushort[] endings;
    private readonly ushort[] block;
    private readonly ushort[][] chosen;
    private readonly ushort[] lastOnes;
    private int lasts;
    private int found;
    private int filled;
    private int steps;
    private int through;

    /// <param name="choosing">The problem, for this thread.</param>
    /// <param name="layers">Its layers.</param>
    /// <param name="into">The same, read backwards.</param>
    /// <param name="holdsNothing">Whether one of the rows would be that of no course, which is not a timetable.</param>
    /// <param name="take">Takes the rows.</param>
    /// <param name="limit">How long it may take.</param>
    public RowWriter(
        Choosing choosing,
        StateLayers layers,
        WaysInto into,
        bool holdsNothing,
        TakeRows take,
        WorkLimit limit
    )
    {
        (this.choosing, this.layers, this.into, this.holdsNothing) = (choosing, layers, into, holdsNothing);
        (this.take, this.limit) = (take, limit);
        var problem = choosing.Problem;
        first = problem.Layout.First;
        levels = problem.Levels.Count;
        last = new Takings(choosing, levels - 1);
        outlast = choosing.NewWitnesses();
        width = EveryRow.WidthOf(problem);
        placeOf = [.. problem.Levels.Select(level => problem.Courses.ToList().IndexOf(level))];
        numbers = [.. problem.Levels.Select(NumbersOf)];
        chosen = new ushort[levels][];
        lastOnes = new ushort[numbers[^1].Sum(its => its.Length)];
        block = new ushort[RowsInBlock * width];
        endings = new ushort[EndingsAtATime * width];
        beginning = new ushort[width];
        ending = new ushort[width];
        ending.AsSpan(problem.Courses.Count).Fill(EveryRow.NotTaken);
    }

    /// <summary>Whether time was up before all was written.</summary>
    public bool IsStopped { get; private set; }

    /// <summary>Writes all rows that go through a state of the frontier.</summary>
    public void WriteThrough(int state)
    {
        through = state;
        var its = layers.Frontier.State(state);
        if (layers.Frontier.Level == levels - 1)
            choosing.FindOutlast(levels - 1, its, outlast);
        FindEndings(layers.Frontier.Level, its);
        WriteFound();
    }

    /// <summary>Gives away the rows that are written and not yet taken.</summary>
    public void Flush()
    {
        IsStopped = IsStopped || limit.IsOver();
        if (filled > 0)
            take(block.AsSpan(0, filled));
        filled = 0;
    }

    private void FindEndings(int level, ulong* state)
    {
        if (level == levels - 1)
        {
            FindLast(state);
            return;
        }
        Look();
        if (level == levels - 2)
            choosing.FindOutlast(levels - 1, state, outlast);
        var next = choosing.Scratch(level + 1);
        for (var word = first[level]; word < first[level + 1]; word++)
        for (var bits = state[word]; bits != 0 && !IsStopped; bits &= bits - 1)
        {
            var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
            if (!choosing.Choose(level, option, state, next))
                continue;
            chosen[level] = numbers[level][option];
            FindEndings(level + 1, next);
        }
    }

    /// <summary>Lists the numbers that may stand last, and makes the endings of them.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private void FindLast(ulong* state)
    {
        var level = levels - 1;
        var keepsWitnesses = choosing.WitnessesLast(state, outlast);
        var allowed = last.Left(state);
        lasts = 0;
        for (var word = 0; word < first[levels] - first[level]; word++)
        for (var bits = allowed[word]; bits != 0; bits &= bits - 1)
        {
            var option = (word << 6) + BitOperations.TrailingZeroCount(bits);
            if (keepsWitnesses || choosing.WitnessesAllow(level, option, state))
                foreach (var number in numbers[level][option])
                    lastOnes[lasts++] = number;
        }
        if (lasts > 0)
            Combine(layers.Frontier.Level);
    }

    /// <summary>An ending for each bundle that the options chosen have.</summary>
    private void Combine(int level)
    {
        if (level == levels - 1)
        {
            EndWithEach();
            return;
        }
        foreach (var number in chosen[level])
        {
            if (IsStopped)
                return;
            ending[placeOf[level]] = number;
            Combine(level + 1);
        }
    }

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private void EndWithEach()
    {
        var place = placeOf[^1];
        ref var from = ref MemoryMarshal.GetArrayDataReference(ending);
        ref var into = ref MemoryMarshal.GetArrayDataReference(endings);
        for (var i = 0; i < lasts; i++)
        {
            var at = found * width;
            for (var part = 0; part < width; part += Vector128<ushort>.Count)
                Vector128.LoadUnsafe(ref from, (nuint)part).StoreUnsafe(ref into, (nuint)(at + part));
            Unsafe.Add(ref into, at + place) = lastOnes[i];
            if (++found == EndingsAtATime)
                WriteFound();
        }
    }

    /// <summary>Writes every beginning with the endings that were found.</summary>
    private void WriteFound()
    {
        if (found > 0)
            Begin(layers.Layers.Count - 1, through);
        found = 0;
    }

    /// <summary>Goes back from a state of a layer to the root by all ways there are.</summary>
    private void Begin(int layer, int state)
    {
        if (layer == 0)
        {
            WriteRows();
            return;
        }
        Look();
        var level = layers.Layers[layer - 1].Level;
        var options = into.OptionsInto(layer, state);
        var origins = into.OriginsOf(layer, state);
        for (var choice = 0; choice < options.Length && !IsStopped; choice++)
            foreach (var number in numbers[level][options[choice]])
            {
                beginning[placeOf[level]] = number;
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
        for (var done = 0; done < found && !IsStopped; )
        {
            var count = Math.Min(found - done, RowsInBlock - filled / width);
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
        ref var ends = ref Unsafe.Add(ref MemoryMarshal.GetArrayDataReference(endings), from * width);
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
        for (var i = 0; i < found; i++)
        {
            if (TakesNothing(endings.AsSpan(i * width, width), layers.Frontier.Level, levels))
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
            if (part[placeOf[level]] != EveryRow.NotTaken)
                return false;
        return true;
    }

    private void Look()
    {
        if (++steps % LooksEvery == 0)
            IsStopped = IsStopped || limit.IsOver();
    }

    private static ushort[][] NumbersOf(CoursePlay level)
    {
        var place = level.Bundles.Index().ToDictionary(bundle => bundle.Item, bundle => (ushort)bundle.Index);
        return
        [
            .. level.Options.Select(option =>
                option.IsAbsent ? [EveryRow.NotTaken] : option.Bundles.Select(bundle => place[bundle]).ToArray()
            ),
        ];
    }
}
