using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace HourGrid.Core.Engine.Counting;

/// <summary>Pointers into arrays that were allocated pinned. Whoever holds the pointer holds the array.</summary>
internal static unsafe class Pinned
{
    private const int BytesOfLine = 64;
    private const int WordsOfLine = BytesOfLine / sizeof(ulong);

    public static ulong* Pointer(ulong[] pinned) =>
        (ulong*)Unsafe.AsPointer(ref MemoryMarshal.GetArrayDataReference(pinned));

    /// <summary>An array with room for so many vectors, the first of them where a line of the cache begins.</summary>
    public static ulong[] Vectors(int count) =>
        GC.AllocateArray<ulong>(count * Vector256<ulong>.Count + WordsOfLine, pinned: true);

    /// <summary>The first vector of an array made for vectors.</summary>
    public static Vector256<short>* FirstVector(ulong[] vectors) =>
        (Vector256<short>*)(((nuint)Pointer(vectors) + BytesOfLine - 1) & ~(nuint)(BytesOfLine - 1));
}
