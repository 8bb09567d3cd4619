using System.Diagnostics.CodeAnalysis;
using HourGrid.Core.Work;

namespace HourGrid.Server.Computing;

/// <summary>Lets one in at a time; who waits for it lets others work.</summary>
[SuppressMessage(
    "Design",
    "CA1001",
    Justification = "A semaphore has nothing to dispose of unless asked for a handle."
)]
internal sealed class Gate
{
    private readonly SemaphoreSlim free = new(1, 1);

    public T Within<T>(Func<T> work, CancellationToken cancellation)
    {
        if (!free.Wait(0, CancellationToken.None))
            Worker.WaitFor(() => free.Wait(cancellation));
        try
        {
            return work();
        }
        finally
        {
            free.Release();
        }
    }
}
