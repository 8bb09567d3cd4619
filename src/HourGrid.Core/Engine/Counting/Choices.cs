using System.Buffers;

namespace HourGrid.Core.Engine.Counting;

/// <summary>The choices of the states of a layer: the option chosen and the state of the next layer it leads to.</summary>
internal sealed class Choices
{
    private int[] options = ArrayPool<int>.Shared.Rent(256);
    private int[] next = ArrayPool<int>.Shared.Rent(256);
    private int[] firstOf = ArrayPool<int>.Shared.Rent(64);
    private int states;

    public int Count { get; private set; }

    /// <summary>Begins the choices of the next state, or ends those of the last.</summary>
    public void Begin()
    {
        if (states == firstOf.Length)
            Grow(ref firstOf);
        firstOf[states++] = Count;
    }

    /// <summary>Adds choices of the state begun last.</summary>
    /// <param name="chosen">The options.</param>
    /// <param name="reached">Where each leads to; there may be more.</param>
    public void Add(ReadOnlySpan<int> chosen, ReadOnlySpan<int> reached)
    {
        if (Count + chosen.Length > options.Length)
            Grow(ref options);
        if (Count + chosen.Length > next.Length)
            Grow(ref next);
        chosen.CopyTo(options.AsSpan(Count));
        reached[..chosen.Length].CopyTo(next.AsSpan(Count));
        Count += chosen.Length;
    }

    public void Clear() => (Count, states) = (0, 0);

    public ReadOnlySpan<int> OptionsOf(int state) => options.AsSpan(firstOf[state]..firstOf[state + 1]);

    public ReadOnlySpan<int> NextOf(int state) => next.AsSpan(firstOf[state]..firstOf[state + 1]);

    public void Release()
    {
        ArrayPool<int>.Shared.Return(options);
        ArrayPool<int>.Shared.Return(next);
        ArrayPool<int>.Shared.Return(firstOf);
        (options, next, firstOf) = ([], [], []);
    }

    private static void Grow(ref int[] array)
    {
        var larger = ArrayPool<int>.Shared.Rent(array.Length * 4);
        array.CopyTo(larger, 0);
        ArrayPool<int>.Shared.Return(array);
        array = larger;
    }
}
