using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;
using System.Runtime.Intrinsics.X86;

namespace HourGrid.Core.Engine.Ranking;

/// <summary>The lanes of what is chosen, as far as idle time needs them, for the innermost loops.</summary>
internal unsafe interface ILanes<T>
    where T : struct, ILanes<T>
{
    /// <summary>Vectors of an option: <see cref="WeekTables.VectorsOfOption"/>.</summary>
    int Width { get; }

    /// <summary>Idle minutes over all weeks with an option added.</summary>
    /// <param name="added">The lanes of the option.</param>
    int IdleWith(Vector256<short>* added);

    /// <summary>These with an option added.</summary>
    /// <param name="added">The lanes of the option.</param>
    T With(Vector256<short>* added);
}

/// <summary>How idle time is found from lanes: one without a meeting has no start, and a gap far below 0.</summary>
internal static class IdleLanes
{
    /// <summary>Idle minutes over all weeks, in parts.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Vector256<int> Idle(
        Vector256<short> starts,
        Vector256<short> ends,
        Vector256<short> busy,
        Vector256<short> weights
    ) => Weighed(Vector256.Max(ends - starts - busy, Vector256<short>.Zero), weights);

    /// <summary>Products of neighbouring lanes, added two by two.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Vector256<int> Weighed(Vector256<short> minutes, Vector256<short> weights)
    {
        if (Avx2.IsSupported)
            return Avx2.MultiplyAddAdjacent(minutes, weights);
        var (low, high) = Vector256.Widen(minutes);
        var (lowWeights, highWeights) = Vector256.Widen(weights);
        return low * lowWeights + high * highWeights;
    }
}

/// <summary>Where one vector holds all lanes, nothing needs to be fetched but the option.</summary>
internal readonly unsafe struct OneVector : ILanes<OneVector>
{
    private readonly Vector256<short> starts;
    private readonly Vector256<short> ends;
    private readonly Vector256<short> busy;
    private readonly Vector256<short> weights;

    /// <param name="tables">How lanes are laid out.</param>
    /// <param name="lanes">Those of what is chosen.</param>
    public OneVector(WeekTables tables, Vector256<short>* lanes)
        : this(lanes[0], lanes[1], lanes[2], *tables.WeightOfVector) { }

    private OneVector(
        Vector256<short> starts,
        Vector256<short> ends,
        Vector256<short> busy,
        Vector256<short> weights
    ) => (this.starts, this.ends, this.busy, this.weights) = (starts, ends, busy, weights);

    public int Width
    {
        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        get => 1 + 4;
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public int IdleWith(Vector256<short>* added) =>
        Vector256.Sum(
            IdleLanes.Idle(Vector256.Min(starts, added[0]), Vector256.Max(ends, added[1]), busy + added[2], weights)
        );

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public OneVector With(Vector256<short>* added) =>
        new(Vector256.Min(starts, added[0]), Vector256.Max(ends, added[1]), busy + added[2], weights);
}

/// <summary>Lanes in as many vectors as they need.</summary>
/// <remarks>
/// Unsafe: lanes are four times <see cref="WeekTables.Vectors"/> vectors, at least four, and every loop over them ends
/// there.
/// </remarks>
/// <param name="tables">How lanes are laid out.</param>
/// <param name="lanes">Those of what is chosen.</param>
/// <param name="room">As much room as these take, for each option that is added to them one after the other.</param>
internal readonly unsafe struct SeveralVectors(WeekTables tables, Vector256<short>* lanes, Vector256<short>* room)
    : ILanes<SeveralVectors>
{
    private readonly int end = 4 * tables.Vectors;
    private readonly Vector256<short>* weights = tables.WeightOfVector;

    public int Width => 1 + end;

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public int IdleWith(Vector256<short>* added)
    {
        var idle = Vector256<int>.Zero;
        for (var i = 0; i < end; i += 4)
            idle += IdleLanes.Idle(
                Vector256.Min(lanes[i], added[i]),
                Vector256.Max(lanes[i + 1], added[i + 1]),
                lanes[i + 2] + added[i + 2],
                weights[i / 4]
            );
        return Vector256.Sum(idle);
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public SeveralVectors With(Vector256<short>* added)
    {
        for (var i = 0; i < end; i += 4)
            (room[i], room[i + 1], room[i + 2]) = (
                Vector256.Min(lanes[i], added[i]),
                Vector256.Max(lanes[i + 1], added[i + 1]),
                lanes[i + 2] + added[i + 2]
            );
        return new(tables, room, room + end);
    }
}
