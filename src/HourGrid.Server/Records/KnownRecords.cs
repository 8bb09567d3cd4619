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
    private const string Changed = "changed";
    private const string StandingChanged = "standing-changed";
    private const string Taken = "standing-taken";
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
            LastChangeOf(student),
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
                LastChangeOf(student),
                registrar => registrar.PermissionsAsync(student, term, cancellation)
            )
        )?.What;

    /// <summary>
    /// What a student holds and waits for in a term, with its age; null where the registrar does not answer and never did.
    /// </summary>
    public async Task<KnownStanding?> StandingOfAsync(string student, TermId term, CancellationToken cancellation)
    {
        var ofAll = LastChangeOf(student);
        var ofStanding = known.Get<DateTimeOffset>((student, StandingChanged));
        var said = await SaidAsync(
            StandingKey(student, term),
            ofStanding > ofAll ? ofStanding : ofAll,
            registrar => registrar.StandingAsync(student, term, cancellation)
        );
        return said is null
            ? null
            : new(said.What ?? Standing.Nothing(said.AsOf.UtcDateTime), said.AsOf, said.IsCurrent);
    }

    /// <summary>Takes what the registrar said of a standing without being asked.</summary>
    public void Take(string student, TermId term, Standing standing)
    {
        Keep(StandingKey(student, term), new Said<Standing?>(standing, clock.GetUtcNow(), IsCurrent: true));
        Note((student, term, Taken), standing.LastEvent);
    }

    /// <summary>Whether what was taken lately has an event in it.</summary>
    public bool IsTaken(string student, TermId term, long registrarEvent) =>
        known.Get<long>((student, term, Taken)) >= registrarEvent;

    /// <summary>Something of a student's has changed: it is read again when it is asked for.</summary>
    public void Age(string student) => Note((student, Changed), clock.GetUtcNow());

    /// <summary>What a student holds or waits for has changed, and nothing else.</summary>
    public void AgeStanding(string student) => Note((student, StandingChanged), clock.GetUtcNow());

    /// <summary>Anything may have changed.</summary>
    public void AgeAll()
    {
        lock (entering)
            changed = clock.GetUtcNow();
    }

    /// <summary>Null where the registrar does not answer and never did.</summary>
    private async Task<Said<T>?> SaidAsync<T>(
        object key,
        DateTimeOffset lastChange,
        Func<RegistrarClient, Task<T>> ask
    )
    {
        var now = clock.GetUtcNow();
        known.TryGetValue(key, out Said<T>? before);
        if (before is not null && now - before.AsOf < Fresh && before.AsOf > lastChange)
            return before;
        try
        {
            await using var scope = scopes.CreateAsyncScope();
            var said = new Said<T>(
                await ask(scope.ServiceProvider.GetRequiredService<RegistrarClient>()),
                now,
                IsCurrent: true
            );
            return Keep(key, said);
        }
        catch (RegistrarSilentException)
        {
            return before is null ? null : before with { IsCurrent = false };
        }
    }

    /// <summary>Keeps the later of what is known and what was said now.</summary>
    private Said<T> Keep<T>(object key, Said<T> said)
    {
        lock (entering)
            return known.TryGetValue(key, out Said<T>? before) && before!.AsOf > said.AsOf
                ? before
                : known.Set(key, said, new MemoryCacheEntryOptions { Size = 1, SlidingExpiration = Remembered });
    }

    private void Note<T>(object key, T what) =>
        known.Set(key, what, new MemoryCacheEntryOptions { Size = 1, AbsoluteExpirationRelativeToNow = Fresh });

    private static object StandingKey(string student, TermId term) => (student, term, "standing");

    private DateTimeOffset LastChangeOf(string student)
    {
        var ofStudent = known.Get<DateTimeOffset>((student, Changed));
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
