using System.Buffers;
using System.Runtime.CompilerServices;

namespace HourGrid.Core.Engine.Counting;

/// <summary>The choices of the states of a layer: the option chosen and the state of the next layer it leads to.</summary>
internal sealed class Choices
{
    private int[] options = [];
    private int[] next = [];
    private int[] firstOf = [];
    private int states;

    public int Count { get; private set; }

    /// <summary>Makes room for so many choices of so many states.</summary>
    public void Reserve(int choices, int states)
    {
        MakeRoom(ref options, choices);
        MakeRoom(ref next, choices);
        MakeRoom(ref firstOf, states + 1);
    }

    /// <summary>Begins the choices of the next state, or ends those of the last.</summary>
    public void Begin() => firstOf[states++] = Count;

    /// <summary>Adds choices of the state begun last.</summary>
    /// <param name="chosen">The options.</param>
    /// <param name="reached">Where each leads to; there may be more.</param>
    public void Add(ReadOnlySpan<int> chosen, ReadOnlySpan<int> reached)
    {
        chosen.CopyTo(options.AsSpan(Count));
        reached[..chosen.Length].CopyTo(next.AsSpan(Count));
        Count += chosen.Length;
    }

    public void Clear() => (Count, states) = (0, 0);

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public ReadOnlySpan<int> OptionsOf(int state) => options.AsSpan(firstOf[state]..firstOf[state + 1]);

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public ReadOnlySpan<int> NextOf(int state) => next.AsSpan(firstOf[state]..firstOf[state + 1]);

    public void Release()
    {
        ArrayPool<int>.Shared.Return(options);
        ArrayPool<int>.Shared.Return(next);
        ArrayPool<int>.Shared.Return(firstOf);
        (options, next, firstOf) = ([], [], []);
    }

    private static void MakeRoom(ref int[] array, int count)
    {
        ArrayPool<int>.Shared.Return(array);
        array = ArrayPool<int>.Shared.Rent(count);
    }
}
