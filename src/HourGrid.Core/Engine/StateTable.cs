namespace HourGrid.Core.Engine;

/// <summary>
/// Remembers the tally below each state of one level: open addressing over states kept in one flat array. It stops
/// taking new ones when full, so its memory is bounded and what it answers stays right.
/// </summary>
/// <param name="width">Words of a state; 0 where no course below has a shape.</param>
/// <param name="maxWords">The memory it may use for its states, in words.</param>
internal sealed class StateTable(int width, int maxWords)
{
    private readonly int limit = Math.Max(1, maxWords / Math.Max(1, width));
    private ulong[] states = new ulong[width * 16];
    private Tally[] tallies = new Tally[16];

    // 0 is free; otherwise the number of the state plus one. Always at least twice as long as the states are many.
    private int[] slots = new int[64];
    private int count;

    public bool TryGet(ReadOnlySpan<ulong> state, out Tally tally)
    {
        var number = slots[SlotOf(state)];
        tally = number == 0 ? default : tallies[number - 1];
        return number != 0;
    }

    public void Add(ReadOnlySpan<ulong> state, Tally tally)
    {
        if (count == limit)
            return;
        if (count == tallies.Length)
            Grow();
        state.CopyTo(states.AsSpan(count * width));
        tallies[count] = tally;
        count++;
        slots[SlotOf(state)] = count;
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
        Array.Resize(ref tallies, tallies.Length * 2);
        Array.Resize(ref states, states.Length * 2);
        slots = new int[slots.Length * 2];
        for (var number = 1; number <= count; number++)
            slots[SlotOf(states.AsSpan((number - 1) * width, width))] = number;
    }
}
