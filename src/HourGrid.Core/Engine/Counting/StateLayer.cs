using System.Buffers;
using System.Numerics;
using System.Runtime.CompilerServices;

namespace HourGrid.Core.Engine.Counting;

/// <summary>
/// The distinct states of one level, in one flat array, found again by open addressing; with the choices of each, every
/// one leading to a state of the next layer.
/// </summary>
/// <remarks>
/// A state is written where the next one would stand (<see cref="Room"/>) and stays there only if it is new. Its words
/// before the layer's first do not exist; pointers to it are shifted, so that all states are indexed alike.
/// </remarks>
internal sealed unsafe class StateLayer
{
    private const int SmallestRoom = 64;
    private const int LargeRoom = 1 << 14;

    private readonly int from;
    private readonly int width;
    private readonly int mostStates;
    private ulong[] states;
    private ulong* shifted;

    // High half: part of the hash; low half: the number of the state plus one, 0 for free. At most half are taken.
    private ulong[] slots;
    private uint slotMask;
    private int room;

    /// <param name="level">The level that chooses next.</param>
    /// <param name="from">The first word of a state that counts.</param>
    /// <param name="words">Words of a whole state.</param>
    /// <param name="mostWords">Memory for states, in words.</param>
    /// <param name="expected">How many states there may be, about; room for more is made when it is needed.</param>
    public StateLayer(int level, int from, int words, int mostWords, int expected)
    {
        Level = level;
        this.from = from;
        width = Math.Max(1, words - from);
        mostStates = Math.Max(1, mostWords / width);
        room = Math.Max(SmallestRoom, (int)BitOperations.RoundUpToPowerOf2((uint)Math.Min(expected, mostStates)));
        slots = PinnedWords.Rent(room * 2);
        Array.Clear(slots);
        slotMask = (uint)slots.Length - 1;
        states = [];
        Move();
    }

    public int Level { get; }

    public int Count { get; private set; }

    /// <summary>The tally of completions of each state, once counted.</summary>
    public Tally[] Below { get; private set; } = [];

    /// <summary>The choices of the states, one state after the other; none in the last layer.</summary>
    public Choices Choices { get; } = new();

    /// <summary>Where the next state is to be written.</summary>
    public ulong* Room => State(Count);

    /// <summary>A state by its number. Good until the next one is kept.</summary>
    public ulong* State(int number) => shifted + (long)number * width;

    /// <summary>
    /// Keeps what was written to <see cref="Room"/>, unless it is known: its number, or -1 when it is new and the
    /// layer is full.
    /// </summary>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public int Keep()
    {
        var state = Room + from;
        var hash = Hash(state);
        var mask = slotMask;
        for (var slot = (uint)hash & mask; ; slot = (slot + 1) & mask)
        {
            var entry = slots[slot];
            if (entry == 0)
            {
                if (Count == mostStates)
                    return -1;
                slots[slot] = hash & 0xFFFFFFFF00000000UL | (uint)(Count + 1);
                Count++;
                if (Count == room)
                    Grow();
                return Count - 1;
            }
            if (entry >> 32 == hash >> 32 && IsSame(state, State((int)(uint)entry - 1) + from))
                return (int)(uint)entry - 1;
        }
    }

    /// <summary>Whether what was written to <see cref="Room"/> has been kept before.</summary>
    public bool Knows()
    {
        var state = Room + from;
        var hash = Hash(state);
        for (var slot = (uint)hash & slotMask; slots[slot] != 0; slot = (slot + 1) & slotMask)
            if (slots[slot] >> 32 == hash >> 32 && IsSame(state, State((int)(uint)slots[slot] - 1) + from))
                return true;
        return false;
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private bool IsSame(ulong* one, ulong* other)
    {
        for (var word = 0; word < width; word++)
            if (one[word] != other[word])
                return false;
        return true;
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private ulong Hash(ulong* state)
    {
        var hash = 0UL;
        for (var word = 0; word < width; word++)
            hash = (ulong.RotateLeft(hash, 29) ^ state[word]) * 0x9E3779B97F4A7C15UL;
        return hash ^ hash >> 32;
    }

    /// <summary>Gives the memory back; nothing of the layer may be used after.</summary>
    public void Release()
    {
        PinnedWords.Return(states);
        PinnedWords.Return(slots);
        (states, slots) = ([], []);
        ArrayPool<Tally>.Shared.Return(Below);
        Below = [];
        Choices.Release();
    }

    /// <summary>Makes room for the completions of every state.</summary>
    public void PrepareBelow() => Below = ArrayPool<Tally>.Shared.Rent(Count);

    private void Grow()
    {
        // Fourfold while it is small, twofold once that would be much memory.
        room *= room < LargeRoom ? 4 : 2;
        Move();
        PinnedWords.Return(slots);
        slots = PinnedWords.Rent(room * 2);
        Array.Clear(slots);
        slotMask = (uint)slots.Length - 1;
        var mask = slotMask;
        for (var number = 0; number < Count; number++)
        {
            var hash = Hash(State(number) + from);
            var slot = (uint)hash & mask;
            while (slots[slot] != 0)
                slot = (slot + 1) & mask;
            slots[slot] = hash & 0xFFFFFFFF00000000UL | (uint)(number + 1);
        }
    }

    /// <summary>Makes room for so many states and one more to write; the array is pinned, so pointers hold.</summary>
    private void Move()
    {
        var larger = PinnedWords.Rent((room + 1) * width);
        states.AsSpan(0, Count * width).CopyTo(larger);
        PinnedWords.Return(states);
        states = larger;
        shifted = Pinned.Pointer(states) - from;
    }
}
