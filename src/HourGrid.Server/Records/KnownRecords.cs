using HourGrid.Core.Records;
using HourGrid.Server.Registrar;
using HourGrid.Server.Wording;
using Microsoft.Extensions.Caching.Memory;

namespace HourGrid.Server.Records;

/// <summary>
/// Records as they were last read: asked for again once they are a minute old, and given with their age where the registrar
/// does not answer.
/// </summary>
internal sealed class KnownRecords(IServiceScopeFactory scopes, TimeProvider clock) : IDisposable
{
    private const int MostRemembered = 20_000;
    private static readonly TimeSpan Fresh = TimeSpan.FromMinutes(1);
    private static readonly TimeSpan Remembered = TimeSpan.FromHours(12);

    /// <summary>What was read before this is read again when it is asked for.</summary>
    private long agedTicks = DateTimeOffset.MinValue.UtcTicks;

    private readonly MemoryCache records = new(new MemoryCacheOptions { SizeLimit = MostRemembered });

    /// <summary>A student's record.</summary>
    /// <exception cref="Requests.RefusedException">The registrar does not answer and never did, or knows no such student.</exception>
    public async Task<KnownRecord> OfAsync(string student, CancellationToken cancellation)
    {
        var now = clock.GetUtcNow();
        records.TryGetValue(student, out KnownRecord? known);
        if (
            known is { IsToBeReadAgain: false }
            && now - known.AsOf < Fresh
            && known.AsOf.UtcTicks > Interlocked.Read(ref agedTicks)
        )
            return known;
        try
        {
            await using var scope = scopes.CreateAsyncScope();
            var record = await scope
                .ServiceProvider.GetRequiredService<RegistrarClient>()
                .RecordAsync(student, cancellation);
            return Remember(new(record ?? throw Refusals.SignInNeeded(), now, IsCurrent: true));
        }
        catch (RegistrarSilentException)
        {
            return known is not null ? known with { IsCurrent = false } : throw Refusals.RegistrarSilent();
        }
    }

    /// <summary>Something of a record has changed: it is read again when it is asked for.</summary>
    public void Age(string student)
    {
        if (records.TryGetValue(student, out KnownRecord? known))
            Remember(known! with { IsToBeReadAgain = true });
    }

    /// <summary>Anything may have changed.</summary>
    public void AgeAll() => Interlocked.Exchange(ref agedTicks, clock.GetUtcNow().UtcTicks);

    private KnownRecord Remember(KnownRecord record) =>
        records.Set(
            record.Record.Student,
            record,
            new MemoryCacheEntryOptions { Size = 1, SlidingExpiration = Remembered }
        );

    public void Dispose() => records.Dispose();
}

/// <summary>A record with its age.</summary>
/// <param name="Record">The record.</param>
/// <param name="AsOf">When it was read.</param>
/// <param name="IsCurrent">Whether the registrar answered when it was asked last.</param>
internal sealed record KnownRecord(StudentRecord Record, DateTimeOffset AsOf, bool IsCurrent)
{
    /// <summary>Whether something of it is known to have changed since.</summary>
    public bool IsToBeReadAgain { get; init; }
}
