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

    /// <summary>Busy minutes over all weeks.</summary>
    int Busy { get; }

    /// <summary>
    /// With an option added: minutes over all weeks from the first starts of days to their last ends, less those that
    /// the option is busy; in parts. Less <see cref="Busy"/> they are idle minutes.
    /// </summary>
    /// <param name="added">The lanes of the option, which meets at no time that these do.</param>
    Vector256<int> SpansWith(Vector256<short>* added);

    /// <summary>These with an option added.</summary>
    /// <param name="added">The lanes of the option.</param>
    T With(Vector256<short>* added);
}

/// <summary>How idle time is found from lanes.</summary>
internal static class IdleLanes
{
    /// <summary>Minutes over all weeks from the first starts of days to their last ends, in parts.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Vector256<int> Spans(Vector256<short> starts, Vector256<short> ends, Vector256<short> weights) =>
        // Without a meeting a day starts after its end, and its span is as low as a number without a sign can be: 0.
        Weighed(Vector256.SubtractSaturate(ends.AsUInt16(), starts.AsUInt16()).AsInt16(), weights);

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

    /// <summary>The sums of four times eight parts.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Vector128<int> Sums(Vector256<int> a, Vector256<int> b, Vector256<int> c, Vector256<int> d)
    {
        if (!Avx2.IsSupported)
            return Vector128.Create(Vector256.Sum(a), Vector256.Sum(b), Vector256.Sum(c), Vector256.Sum(d));
        var all = Avx2.HorizontalAdd(Avx2.HorizontalAdd(a, b), Avx2.HorizontalAdd(c, d));
        return all.GetLower() + all.GetUpper();
    }
}

/// <summary>Where one vector holds all lanes, nothing needs to be fetched but the option.</summary>
internal readonly unsafe struct OneVector : ILanes<OneVector>
{
    private readonly Vector256<short> starts;
    private readonly Vector256<short> ends;
    private readonly Vector256<short> weights;
    private readonly int busy;

    /// <param name="tables">How lanes are laid out.</param>
    /// <param name="lanes">Those of what is chosen.</param>
    public OneVector(WeekTables tables, Vector256<short>* lanes)
        : this(lanes[LaneVectors.Starts(0)], lanes[LaneVectors.Ends(0)], *tables.WeightOfVector, *(int*)lanes) { }

    private OneVector(Vector256<short> starts, Vector256<short> ends, Vector256<short> weights, int busy) =>
        (this.starts, this.ends, this.weights, this.busy) = (starts, ends, weights, busy);

    public int Width
    {
        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        get => 1 + LaneVectors.Count(1);
    }

    public int Busy => busy;

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public Vector256<int> SpansWith(Vector256<short>* added) =>
        IdleLanes.Spans(StartsWith(added), EndsWith(added), weights) - added[0].AsInt32();

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public OneVector With(Vector256<short>* added) =>
        new(StartsWith(added), EndsWith(added), weights, busy + *(int*)added);

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private Vector256<short> StartsWith(Vector256<short>* added) =>
        Vector256.Min(starts, added[LaneVectors.Starts(0)]);

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private Vector256<short> EndsWith(Vector256<short>* added) => Vector256.Max(ends, added[LaneVectors.Ends(0)]);
}

/// <summary>Lanes in as many vectors as they need.</summary>
/// <remarks>
/// Unsafe: lanes are <see cref="WeekTables.VectorsOfLanes"/> vectors, and every loop over them ends there.
/// </remarks>
/// <param name="tables">How lanes are laid out.</param>
/// <param name="lanes">Those of what is chosen.</param>
/// <param name="room">As much room as these take, for each option that is added to them one after the other.</param>
internal readonly unsafe struct SeveralVectors(WeekTables tables, Vector256<short>* lanes, Vector256<short>* room)
    : ILanes<SeveralVectors>
{
    private readonly int vectors = tables.Vectors;
    private readonly Vector256<short>* weights = tables.WeightOfVector;

    public int Width => tables.VectorsOfOption;

    public int Busy => *(int*)lanes;

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public Vector256<int> SpansWith(Vector256<short>* added)
    {
        var spans = -added[0].AsInt32();
        for (var i = 0; i < vectors; i++)
            spans += IdleLanes.Spans(
                Vector256.Min(lanes[LaneVectors.Starts(i)], added[LaneVectors.Starts(i)]),
                Vector256.Max(lanes[LaneVectors.Ends(i)], added[LaneVectors.Ends(i)]),
                weights[i]
            );
        return spans;
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public SeveralVectors With(Vector256<short>* added)
    {
        *(int*)room = *(int*)lanes + *(int*)added;
        for (var i = 0; i < vectors; i++)
        {
            var (starts, ends) = (LaneVectors.Starts(i), LaneVectors.Ends(i));
            room[starts] = Vector256.Min(lanes[starts], added[starts]);
            room[ends] = Vector256.Max(lanes[ends], added[ends]);
        }
        return new(tables, room, room + tables.VectorsOfLanes);
    }
}
