using System.Buffers;
using System.Numerics;
using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics.X86;

namespace HourGrid.Core.Engine.Counting;

/// <summary>
/// The distinct states of one level, in one flat array, found again by open addressing; with the choices of each, every
/// one leading to a state of the next layer.
/// </summary>
/// <remarks>
/// States are written where the next ones would stand (<see cref="Room"/>) and stay there only if they are new. Words
/// before the layer's first do not exist; pointers to states are shifted, so that all states are indexed alike.
/// Unsafe: there is always room for <see cref="AtATime"/> states behind those kept, and slots hold numbers of kept ones.
/// </remarks>
internal sealed unsafe class StateLayer
{
    /// <summary>How many states may be written before they are kept.</summary>
    public const int AtATime = 64;

    private const int SmallestRoom = 64;
    private const int LargeRoom = 1 << 14;

    private readonly int from;
    private readonly int width;
    private readonly int mostStates;
    private ulong[] states = [];
    private ulong* shifted;

    // High half: part of the hash; low half: the number of the state plus one, 0 for free. At most half are taken.
    private ulong[] slots = [];
    private uint slotMask;
    private readonly ulong[] hashes = GC.AllocateUninitializedArray<ulong>(AtATime, pinned: true);
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
        MakeRoom(Math.Max(SmallestRoom, Math.Min(expected, mostStates)), written: 0);
    }

    public int Level { get; }

    public int Count { get; private set; }

    /// <summary>The tally of completions of each state, once counted.</summary>
    public Count128[] Below { get; private set; } = [];

    /// <summary>The choices of the states, one state after the other; none in the last layer.</summary>
    public Choices Choices { get; } = new();

    /// <summary>Where the next state is to be written, or one of those after it.</summary>
    public ulong* Room(int place = 0) => State(Count + place);

    /// <summary>A state by its number. Good until the next ones are kept.</summary>
    public ulong* State(int number) => shifted + (long)number * width;

    /// <summary>
    /// Keeps those of the first few states written to <see cref="Room"/> that are not known; false when there is no more
    /// room for them.
    /// </summary>
    /// <param name="written">How many, up to <see cref="AtATime"/>.</param>
    /// <param name="numbers">Takes the number of each.</param>
    /// <remarks>
    /// Several at once, since most of the time goes to waiting for memory: what all of them need is fetched before the
    /// first is looked at.
    /// </remarks>
    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    public bool Keep(int written, Span<int> numbers)
    {
        if (Count + written > mostStates)
            return false;
        if (Count + written > room)
            Grow(written);
        var (from, mask) = (this.from, slotMask);
        var slot = Pinned.Pointer(slots);
        var hash = Pinned.Pointer(hashes);
        for (var i = 0; i < written; i++)
        {
            hash[i] = Hash(Room(i) + from);
            Fetch(slot + ((uint)hash[i] & mask));
        }
        for (var i = 0; i < written; i++)
            if (slot[(uint)hash[i] & mask] is var entry && entry >> 32 == hash[i] >> 32)
                Fetch(State((int)(uint)entry - 1) + from);
        var next = Room() + from;
        for (var i = 0; i < written; i++, next += width)
            numbers[i] = Keep(next, hash[i], slot, mask);
        return true;
    }

    /// <summary>Keeps what was written to <see cref="Room"/>, unless it is known or there is no more room.</summary>
    /// <returns>Its number, or -1.</returns>
    public int Keep()
    {
        Span<int> number = stackalloc int[1];
        return Keep(1, number) ? number[0] : -1;
    }

    /// <summary>Whether what was written to <see cref="Room"/> has been kept before.</summary>
    public bool Knows()
    {
        var state = Room() + from;
        var hash = Hash(state);
        for (var slot = (uint)hash & slotMask; slots[slot] != 0; slot = (slot + 1) & slotMask)
            if (slots[slot] >> 32 == hash >> 32 && IsSame(state, State((int)(uint)slots[slot] - 1) + from))
                return true;
        return false;
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private int Keep(ulong* state, ulong hash, ulong* slots, uint mask)
    {
        for (var slot = (uint)hash & mask; ; slot = (slot + 1) & mask)
        {
            var entry = slots[slot];
            if (entry == 0)
            {
                slots[slot] = hash & 0xFFFFFFFF00000000UL | (uint)(Count + 1);
                var to = Room() + from;
                for (var word = 0; word < width; word++)
                    to[word] = state[word];
                return Count++;
            }
            if (entry >> 32 == hash >> 32 && IsSame(state, State((int)(uint)entry - 1) + from))
                return (int)(uint)entry - 1;
        }
    }

    /// <summary>Asks for a line of memory ahead of its use, where the processor can.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static void Fetch(ulong* address)
    {
        if (Sse.IsSupported)
            Sse.Prefetch0(address);
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
        ArrayPool<Count128>.Shared.Return(Below);
        Below = [];
        Choices.Release();
    }

    /// <summary>Makes room for the completions of every state.</summary>
    public void PrepareBelow() => Below = ArrayPool<Count128>.Shared.Rent(Count);

    [MethodImpl(MethodImplOptions.AggressiveOptimization)]
    private void Grow(int written)
    {
        // Fourfold while it is small, twofold once that would be much memory.
        MakeRoom(Math.Min(room * (room < LargeRoom ? 4 : 2), mostStates), written);
        var slot = Pinned.Pointer(slots);
        for (var number = 0; number < Count; number++)
        {
            var hash = Hash(State(number) + from);
            var at = (uint)hash & slotMask;
            while (slot[at] != 0)
                at = (at + 1) & slotMask;
            slot[at] = hash & 0xFFFFFFFF00000000UL | (uint)(number + 1);
        }
    }

    /// <summary>
    /// Makes room for so many states at least, and those to be written; all slots are free again. The arrays are pinned,
    /// so pointers hold.
    /// </summary>
    private void MakeRoom(int least, int written)
    {
        // Arrays come in powers of two: as much of one is used as slots of the next power suffice for.
        var larger = PinnedWords.Rent((least + AtATime) * width);
        room = Math.Min(larger.Length / width - AtATime, (int)BitOperations.RoundUpToPowerOf2((uint)least));
        states.AsSpan(0, (Count + written) * width).CopyTo(larger);
        PinnedWords.Return(states);
        states = larger;
        shifted = Pinned.Pointer(states) - from;
        PinnedWords.Return(slots);
        slots = PinnedWords.Rent(room * 2);
        Array.Clear(slots);
        slotMask = (uint)slots.Length - 1;
    }
}
