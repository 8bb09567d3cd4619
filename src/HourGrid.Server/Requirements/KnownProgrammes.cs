using HourGrid.Core.Requirements;
using HourGrid.Data;
using HourGrid.Formats.Requirements;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;

namespace HourGrid.Server.Requirements;

/// <summary>Programmes as they were imported last; each is read once and kept while it is the same.</summary>
internal sealed class KnownProgrammes(IServiceScopeFactory scopes) : IDisposable
{
    private const int MostRemembered = 1_000;

    private readonly MemoryCache read = new(new MemoryCacheOptions { SizeLimit = MostRemembered });

    /// <summary>The programmes of these names that there are, in the order of the names.</summary>
    public async Task<IReadOnlyList<Programme>> NamedAsync(
        IReadOnlyList<string> names,
        CancellationToken cancellation
    )
    {
        await using var scope = scopes.CreateAsyncScope();
        var database = scope.ServiceProvider.GetRequiredService<HourGridContext>();
        var rows = await database
            .Programmes.AsNoTracking()
            .Where(row => names.Contains(row.Name))
            .Select(row => new
            {
                row.Id,
                row.Name,
                row.ImportedUtc,
            })
            .ToListAsync(cancellation);
        var found = new List<Programme>();
        // Of several of one name, for students who began in different years, the latest.
        foreach (
            var row in names
                .Distinct()
                .SelectMany(name =>
                    rows.Where(row => row.Name == name)
                        .OrderByDescending(row => row.Id, StringComparer.Ordinal)
                        .Take(1)
                )
        )
        {
            var key = (row.Id, row.ImportedUtc);
            if (!read.TryGetValue(key, out Programme? programme))
            {
                var json = await database
                    .Programmes.Where(one => one.Id == row.Id)
                    .Select(one => one.Json)
                    .SingleAsync(cancellation);
                programme = ProgrammeJson.Read(System.Text.Encoding.UTF8.GetBytes(json)).Value;
                read.Set(key, programme, new MemoryCacheEntryOptions { Size = 1 });
            }
            found.Add(programme!);
        }
        return found;
    }

    public void Dispose() => read.Dispose();
}
