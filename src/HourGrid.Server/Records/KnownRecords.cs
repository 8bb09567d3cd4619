using HourGrid.Core.Catalogue;
using HourGrid.Core.Records;
using HourGrid.Server.Registrar;
using HourGrid.Server.Wording;
using Microsoft.Extensions.Caching.Memory;

namespace HourGrid.Server.Records;

/// <summary>
/// What the registrar said last of students: asked for again once it is a minute old or something of it changed, and given
/// with its age where the registrar does not answer.
/// </summary>
internal sealed class KnownRecords(IServiceScopeFactory scopes, TimeProvider clock) : IDisposable
{
    private const int MostRemembered = 40_000;
    private static readonly TimeSpan Fresh = TimeSpan.FromMinutes(1);
    private static readonly TimeSpan Remembered = TimeSpan.FromHours(12);

    private readonly MemoryCache known = new(new MemoryCacheOptions { SizeLimit = MostRemembered });

    // When something of all students, and of one, may have changed: what was read before is read again.
    private DateTimeOffset changed = DateTimeOffset.MinValue;
    private readonly Lock entering = new();

    /// <summary>A student's record.</summary>
    /// <exception cref="Requests.RefusedException">The registrar does not answer and never did, or knows no such student.</exception>
    public async Task<KnownRecord> OfAsync(string student, CancellationToken cancellation)
    {
        var said = await SaidAsync(
            (student, "record"),
            student,
            registrar => registrar.RecordAsync(student, cancellation)
        );
        return said is { What: { } record }
            ? new(record, said.AsOf, said.IsCurrent)
            : throw (said is null ? Refusals.RegistrarSilent() : Refusals.SignInNeeded());
    }

    /// <summary>What a student asked instructors for in a term; null where the registrar does not answer and never did.</summary>
    public async Task<IReadOnlyList<Permission>?> PermissionsOfAsync(
        string student,
        TermId term,
        CancellationToken cancellation
    ) =>
        (
            await SaidAsync(
                (student, term),
                student,
                registrar => registrar.PermissionsAsync(student, term, cancellation)
            )
        )?.What;

    /// <summary>
    /// What a student holds and waits for in a term, with its age; null where the registrar does not answer and never did.
    /// </summary>
    public async Task<KnownStanding?> StandingOfAsync(string student, TermId term, CancellationToken cancellation)
    {
        var said = await SaidAsync(
            (student, term, "standing"),
            student,
            registrar => registrar.StandingAsync(student, term, cancellation)
        );
        return said is null
            ? null
            : new(said.What ?? Standing.Nothing(said.AsOf.UtcDateTime), said.AsOf, said.IsCurrent);
    }

    /// <summary>Something of a student's has changed: it is read again when it is asked for.</summary>
    public void Age(string student) =>
        known.Set(
            (student, "changed"),
            clock.GetUtcNow(),
            new MemoryCacheEntryOptions { Size = 1, AbsoluteExpirationRelativeToNow = Fresh }
        );

    /// <summary>Anything may have changed.</summary>
    public void AgeAll()
    {
        lock (entering)
            changed = clock.GetUtcNow();
    }

    /// <summary>Null where the registrar does not answer and never did.</summary>
    private async Task<Said<T>?> SaidAsync<T>(object key, string student, Func<RegistrarClient, Task<T>> ask)
    {
        var now = clock.GetUtcNow();
        known.TryGetValue(key, out Said<T>? before);
        if (before is not null && now - before.AsOf < Fresh && before.AsOf > LastChangeOf(student))
            return before;
        try
        {
            await using var scope = scopes.CreateAsyncScope();
            var said = new Said<T>(
                await ask(scope.ServiceProvider.GetRequiredService<RegistrarClient>()),
                now,
                IsCurrent: true
            );
            return known.Set(key, said, new MemoryCacheEntryOptions { Size = 1, SlidingExpiration = Remembered });
        }
        catch (RegistrarSilentException)
        {
            return before is null ? null : before with { IsCurrent = false };
        }
    }

    private DateTimeOffset LastChangeOf(string student)
    {
        known.TryGetValue((student, "changed"), out DateTimeOffset ofStudent);
        lock (entering)
            return ofStudent > changed ? ofStudent : changed;
    }

    public void Dispose() => known.Dispose();

    private sealed record Said<T>(T What, DateTimeOffset AsOf, bool IsCurrent);
}

/// <summary>What a student holds and waits for, with its age.</summary>
/// <param name="Standing">What the registrar said.</param>
/// <param name="AsOf">When it was read.</param>
/// <param name="IsCurrent">Whether the registrar answered when it was asked last.</param>
internal sealed record KnownStanding(Standing Standing, DateTimeOffset AsOf, bool IsCurrent);

/// <summary>A record with its age.</summary>
/// <param name="Record">The record.</param>
/// <param name="AsOf">When it was read.</param>
/// <param name="IsCurrent">Whether the registrar answered when it was asked last.</param>
internal sealed record KnownRecord(StudentRecord Record, DateTimeOffset AsOf, bool IsCurrent);
