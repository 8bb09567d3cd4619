using System.Numerics;
using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;

namespace HourGrid.Core.Engine.Answers;

/// <summary>
/// Takes rows as they are written; by several threads at the same time. The memory is used again after it returns.
/// </summary>
/// <param name="rows">Whole rows, one after another.</param>
public delegate void TakeRows(ReadOnlySpan<ushort> rows);

/// <summary>
/// Writes every timetable as a row of numbers: for each course in play, the number of its bundle among
/// <see cref="CoursePlay.Bundles"/>, or <see cref="NotTaken"/>. For whoever wants all of them; nothing is kept.
/// </summary>
public sealed unsafe class EveryRow
{
    /// <summary>Stands for a course that is not taken, and behind the last course of a row.</summary>
    public const ushort NotTaken = ushort.MaxValue;

    private const int RowsInBlock = 4096;

    private readonly Problem problem;
    private readonly Choosing choosing;
    private readonly WorkLimit limit;
    private readonly TakeRows take;
    private readonly ushort[][][] numbers;
    private readonly int[] placeOf;
    private readonly ushort[] block;
    private readonly ushort[] row;
    private readonly int[] first;
    private readonly int levels;
    private readonly Takings last;
    private int nodes;
    private int filled;
    private bool isStopped;

    private EveryRow(Problem problem, Choosing choosing, TakeRows take, WorkLimit limit)
    {
        this.problem = problem;
        this.choosing = choosing;
        this.take = take;
        this.limit = limit;
        first = problem.Layout.First;
        levels = problem.Levels.Count;
        last = new Takings(choosing, levels - 1);
        Width = WidthOf(problem);
        block = GC.AllocateUninitializedArray<ushort>(RowsInBlock * Width, pinned: true);
        row = new ushort[Width];
        Array.Fill(row, NotTaken);
        placeOf = [.. problem.Levels.Select(level => problem.Courses.ToList().IndexOf(level))];
        numbers =
        [
            .. problem.Levels.Select(level =>
            {
                var place = level.Bundles.Select((bundle, i) => (bundle, i)).ToDictionary(p => p.bundle, p => p.i);
                return level
                    .Options.Select(option =>
                        option.IsAbsent ? [NotTaken] : option.Bundles.Select(b => (ushort)place[b]).ToArray()
                    )
                    .ToArray();
            }),
        ];
    }

    /// <summary>Numbers in a row: the courses in play, filled up to a multiple of eight.</summary>
    public int Width { get; }

    /// <summary>Numbers in a row of a problem.</summary>
    public static int WidthOf(Problem problem) => (Math.Max(1, problem.Courses.Count) + 7) / 8 * 8;

    /// <summary>Writes all rows, in no particular order.</summary>
    /// <returns>Whether all were written; otherwise the time was up.</returns>
    public static bool Write(
        Problem problem,
        TakeRows take,
        TimeSpan? budget = null,
        CancellationToken cancellation = default
    )
    {
        ArgumentNullException.ThrowIfNull(take);
        var root = Root.Of(problem, Lifted.None(problem.Wishes.Count));
        if (root.IsDead)
            return true;
        var limit = new WorkLimit(budget, cancellation);
        var pieces = problem.Levels[0].Options.Count;
        var taken = -1;
        var isStopped = false;
        Shared.Run(
            Environment.ProcessorCount,
            _ =>
            {
                using var choosing = new Choosing(problem);
                var writer = new EveryRow(problem, choosing, take, limit);
                for (
                    var piece = Interlocked.Increment(ref taken);
                    piece < pieces && !writer.isStopped;
                    piece = Interlocked.Increment(ref taken)
                )
                    writer.ChooseFirst(root, piece);
                writer.Flush();
                if (writer.isStopped)
                    Volatile.Write(ref isStopped, true);
            }
        );
        cancellation.ThrowIfCancellationRequested();
        return !isStopped;
    }

    /// <summary>All rows that begin with one option of the first level.</summary>
    private void ChooseFirst(Root root, int option)
    {
        var only = root.State.ToArray();
        only.AsSpan(0, first[1]).Clear();
        only[option / 64] = root.State[option / 64] & 1UL << (option % 64);
        fixed (ulong* state = only)
            Choose(0, state, takesAny: false);
    }

    private void Choose(int level, ulong* state, bool takesAny)
    {
        if (level == levels - 1)
        {
            WriteLast(state, takesAny);
            return;
        }
        if ((++nodes & 63) == 0 && limit.IsOver())
            isStopped = true;
        var next = choosing.Scratch(level + 1);
        for (var word = first[level]; word < first[level + 1] && !isStopped; word++)
        for (var bits = state[word]; bits != 0; bits &= bits - 1)
        {
            var option = ((word - first[level]) << 6) + BitOperations.TrailingZeroCount(bits);
            if (!choosing.Choose(level, option, state, next))
                continue;
            foreach (var number in numbers[level][option])
            {
                row[placeOf[level]] = number;
                Choose(level + 1, next, takesAny || number != NotTaken);
            }
        }
    }

    /// <summary>The rows that differ in the last level alone: the same vectors over and over, one number replaced.</summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private void WriteLast(ulong* state, bool takesAny)
    {
        var level = levels - 1;
        var place = placeOf[level];
        var keepsWitnesses = !choosing.HasRules || choosing.WitnessesOutlast(level, state);
        var allowed = last.Left(state);
        ref var into = ref MemoryMarshal.GetArrayDataReference(block);
        ref var from = ref MemoryMarshal.GetArrayDataReference(row);
        for (var word = 0; word < first[levels] - first[level]; word++)
        for (var bits = allowed[word]; bits != 0; bits &= bits - 1)
        {
            var option = (word << 6) + BitOperations.TrailingZeroCount(bits);
            if (!keepsWitnesses && !choosing.WitnessesAllow(level, option, state))
                continue;
            foreach (var number in numbers[level][option])
            {
                if (!takesAny && number == NotTaken)
                    continue;
                // Room for a whole row is kept free: a full block is flushed as soon as it is full.
                for (var i = 0; i < Width; i += Vector128<ushort>.Count)
                    Vector128.LoadUnsafe(ref from, (nuint)i).StoreUnsafe(ref into, (nuint)(filled + i));
                Unsafe.Add(ref into, filled + place) = number;
                filled += Width;
                if (filled == block.Length)
                    Flush();
            }
        }
    }

    private void Flush()
    {
        if (filled > 0)
            take(block.AsSpan(0, filled));
        filled = 0;
    }
}
