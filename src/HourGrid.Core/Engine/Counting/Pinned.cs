using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;

namespace HourGrid.Core.Engine.Counting;

/// <summary>Pointers into arrays that were allocated pinned. Whoever holds the pointer holds the array.</summary>
internal static unsafe class Pinned
{
    public static ulong* Pointer(ulong[] pinned) =>
        (ulong*)Unsafe.AsPointer(ref MemoryMarshal.GetArrayDataReference(pinned));
}
