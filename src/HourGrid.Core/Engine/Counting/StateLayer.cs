using System.Runtime.CompilerServices;

namespace HourGrid.Core.Engine.Counting;

/// <summary>
/// The distinct states of one level, in one flat array, found again by open addressing; with the ways that lead to
/// each, and its choices, each leading to a state of the next layer.
/// </summary>
/// <param name="level">The level that chooses next.</param>
/// <param name="from">The first word of a state that counts.</param>
/// <param name="width">Words from there on.</param>
/// <param name="mostStates">No more than this many are taken.</param>
internal sealed unsafe class StateLayer(int level, int from, int width, int mostStates)
{
    private ulong[] states = GC.AllocateUninitializedArray<ulong>(Math.Max(1, width) * 64, pinned: true);

    // 0 is free, otherwise the number of the state plus one. Always at least twice as long as the states are many.
    private int[] slots = new int[256];

    public int Level => level;

    public int Count { get; private set; }

    /// <summary>The tally of ways from the root to each state: timetables begun, and week shapes begun.</summary>
    public Tally[] Above { get; private set; } = new Tally[64];

    /// <summary>The tally of completions of each state, once counted.</summary>
    public Tally[] Below { get; set; } = [];

    /// <summary>Where each state's choices begin in <see cref="Choices"/>; one more at the end. Empty in the last layer.</summary>
    public List<int> FirstChoice { get; } = [];

    /// <summary>The option chosen and the number of the state it leads to, by state and then by option.</summary>
    public List<(int Option, int Next)> Choices { get; } = [];

    /// <summary>Bytes it takes, about.</summary>
    public long Size =>
        states.LongLength * 8
        + slots.LongLength * 4
        + (Above.LongLength + Below.LongLength) * 32
        + Choices.Capacity * 8L;

    /// <summary>A state by its number, as a pointer whose words before the layer's first are not to be read.</summary>
    /// <remarks>Good until the next state is added. The array is pinned, so the pointer needs no fixing.</remarks>
    public ulong* State(int number) => Pointer(states) + (long)number * width - from;

    /// <summary>The number of a state, new or known; -1 when it is new and the layer is full.</summary>
    public int Add(ulong* state, Tally above)
    {
        var its = new ReadOnlySpan<ulong>(state + from, width);
        var slot = SlotOf(its);
        var number = slots[slot] - 1;
        if (number < 0)
        {
            if (Count == mostStates)
                return -1;
            if (Count == Above.Length)
            {
                Grow();
                slot = SlotOf(its);
            }
            number = Count++;
            its.CopyTo(states.AsSpan(number * width));
            slots[slot] = Count;
        }
        Above[number] += above;
        return number;
    }

    private int SlotOf(ReadOnlySpan<ulong> state)
    {
        var mask = slots.Length - 1;
        for (var slot = Hash(state) & mask; ; slot = (slot + 1) & mask)
        {
            var number = slots[slot];
            if (number == 0 || state.SequenceEqual(states.AsSpan((number - 1) * width, width)))
                return slot;
        }
    }

    private static int Hash(ReadOnlySpan<ulong> state)
    {
        var hash = 0UL;
        foreach (var word in state)
            hash = (ulong.RotateLeft(hash, 5) ^ word) * 0x9E3779B97F4A7C15UL;
        return (int)(hash >> 33);
    }

    private void Grow()
    {
        var more = Above;
        Array.Resize(ref more, Above.Length * 4);
        Above = more;
        var larger = GC.AllocateUninitializedArray<ulong>(more.Length * width, pinned: true);
        states.AsSpan(0, Count * width).CopyTo(larger);
        states = larger;
        slots = new int[more.Length * 4];
        for (var number = 1; number <= Count; number++)
            slots[SlotOf(states.AsSpan((number - 1) * width, width))] = number;
    }

    private static ulong* Pointer(ulong[] pinned) =>
        (ulong*)Unsafe.AsPointer(ref System.Runtime.InteropServices.MemoryMarshal.GetArrayDataReference(pinned));
}
