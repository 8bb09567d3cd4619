using HourGrid.Data;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;

namespace HourGrid.Server.Students;

/// <summary>
/// Which students there are. A cookie outlives its student where the data were lost or put back; what is asked with it is
/// then asked by nobody. Remembered, since every request asks.
/// </summary>
internal sealed class KnownStudents : IDisposable
{
    private const int MostRemembered = 100_000;

    private readonly MemoryCache known = new(new MemoryCacheOptions { SizeLimit = MostRemembered });

    public async Task<bool> AreAsync(Guid id, HourGridContext database, CancellationToken cancellation)
    {
        if (known.TryGetValue(id, out _))
            return true;
        if (!await database.Students.AnyAsync(student => student.Id == id, cancellation))
            return false;
        Remember(id);
        return true;
    }

    public void Remember(Guid id) => known.Set(id, true, new MemoryCacheEntryOptions { Size = 1 });

    public void Dispose() => known.Dispose();
}
