using System.Text.Json;
using HourGrid.Data;
using HourGrid.Server.Mail;
using HourGrid.Server.News;
using HourGrid.Server.Records;
using HourGrid.Server.Registrar;
using HourGrid.Server.Wording;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Registration;

/// <summary>
/// Tells students' pages when what they hold or wait for changed, and writes down what they have to know though no page is
/// open. Up to which event that was done is kept, so that a start takes up there.
/// </summary>
internal sealed class RegistrationListener(
    IServiceScopeFactory scopes,
    PressSender sender,
    KnownRecords records,
    WriteTurns writes,
    Outbox outbox,
    PageNews news,
    TimeProvider clock
) : IRegistrarListener
{
    private const int Only = 1;

    private long? kept;

    public bool MustReadAgain => false;

    public async Task<long?> ReadAsync(RegistrarClient registrar, CancellationToken cancellation)
    {
        await using var scope = scopes.CreateAsyncScope();
        var database = scope.ServiceProvider.GetRequiredService<HourGridContext>();
        kept = (await database.RegistrarPosition.AsNoTracking().SingleOrDefaultAsync(cancellation))?.LastEvent;
        return kept;
    }

    public async Task TakeAsync(IReadOnlyList<RegistrarEvent> events, CancellationToken cancellation)
    {
        var happened = events
            .Where(one => one.IsOfStanding)
            .Select(one => (one.Id, What: JsonSerializer.Deserialize<Happened>(one.Json, JsonSerializerOptions.Web)!))
            .ToArray();
        var told = happened.Where(one => NoticeWords.IsTold(one.What.What)).ToArray();
        // Where nothing has to be told, a start may as well begin a little before.
        if (told.Length > 0 || kept is null)
            await KeepAsync(told, events[^1].Id, cancellation);
        foreach (
            var (id, what) in happened.GroupBy(one => (one.What.Student, one.What.Term)).Select(all => all.Last())
        )
            _ = TellAsync(id, what, mustBeTold: told.Any(one => one.What.Student == what.Student));
    }

    /// <summary>Tells pages of a change; what a press did is known by its answer, which they are told of.</summary>
    private async Task TellAsync(long id, Happened what, bool mustBeTold)
    {
        if (!mustBeTold)
        {
            await sender.AnsweredAsync(what.Student);
            if (records.IsTaken(what.Student, new(what.Term), id))
                return;
        }
        records.AgeStanding(what.Student);
        news.Tell(PageNews.Registration, new { term = what.Term }, what.Student);
    }

    public void Lose() { }

    private async Task KeepAsync((long Id, Happened What)[] told, long last, CancellationToken cancellation)
    {
        await using var scope = scopes.CreateAsyncScope();
        var database = scope.ServiceProvider.GetRequiredService<HourGridContext>();
        var ids = told.Select(one => (long?)one.Id).ToArray();
        var before = await database
            .Notices.Where(row => ids.Contains(row.EventId))
            .Select(row => row.EventId)
            .ToListAsync(cancellation);
        await using (var transaction = await writes.BeginAsync(database, cancellation))
        {
            foreach (var (id, what) in told.Where(one => !before.Contains(one.Id)))
                if (await database.People.AnyAsync(row => row.Number == what.Student, cancellation))
                    await NoticeWriter.AddAsync(
                        database,
                        new()
                        {
                            Person = what.Student,
                            TermId = what.Term,
                            Kind = what.What!,
                            Sections = [.. what.Sections ?? []],
                            Sentence = NoticeWords.Of(what.What!, what.Course ?? "", what.Why ?? ""),
                            AtUtc = clock.GetUtcNow().UtcDateTime,
                            EventId = id,
                        },
                        cancellation
                    );
            if (await database.RegistrarPosition.SingleOrDefaultAsync(cancellation) is { } position)
                position.LastEvent = last;
            else
                database.RegistrarPosition.Add(new() { Id = Only, LastEvent = last });
            await database.SaveChangesAsync(cancellation);
            await transaction.CommitAsync(cancellation);
        }
        kept = last;
        outbox.Wake();
    }

    /// <summary>What the registrar tells of a student.</summary>
    private sealed record Happened(
        string Student,
        string Term,
        string? What,
        string? Course,
        IReadOnlyList<string>? Sections,
        string? Why
    );
}
