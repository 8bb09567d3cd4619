using System.Runtime.CompilerServices;
using Microsoft.Extensions.Caching.Memory;

namespace HourGrid.Server.Steps;

/// <summary>
/// What each student's steps take at most: as much as they took when they were last added up, and all that came since.
/// Adding them up takes longer than saving one more.
/// </summary>
internal sealed class StepSizes : IDisposable
{
    private const int MostRemembered = 100_000;

    private readonly MemoryCache sizes = new(new MemoryCacheOptions { SizeLimit = MostRemembered });

    /// <summary>Characters; more than there may ever be where it is not known.</summary>
    public long MostOf(Guid student) =>
        sizes.TryGetValue(student, out StrongBox<long>? known) ? Volatile.Read(ref known!.Value) : int.MaxValue;

    /// <summary>Notes what was added up.</summary>
    public void Set(Guid student, long size) =>
        sizes.Set(student, new StrongBox<long>(size), new MemoryCacheEntryOptions { Size = 1 });

    /// <summary>They are to be added up again: some came from elsewhere.</summary>
    public void Forget(Guid student) => sizes.Remove(student);

    /// <summary>Notes a step more.</summary>
    public void Add(Guid student, int size)
    {
        if (sizes.TryGetValue(student, out StrongBox<long>? known))
            Interlocked.Add(ref known!.Value, size);
    }

    public void Dispose() => sizes.Dispose();
}
