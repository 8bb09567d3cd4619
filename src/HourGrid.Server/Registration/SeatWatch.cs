using HourGrid.Core.Catalogue;
using HourGrid.Data;
using HourGrid.Server.Catalogue;
using HourGrid.Server.Mail;
using HourGrid.Server.News;
using HourGrid.Server.Registrar;
using HourGrid.Server.Wording;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Registration;

/// <summary>Tells whoever wanted to be told once all sections asked for have a seat.</summary>
internal sealed class SeatWatch(
    IServiceScopeFactory scopes,
    CurrentCatalogue catalogue,
    WriteTurns writes,
    Outbox outbox,
    PageNews news,
    RegistrarClock registrarClock,
    TimeProvider clock
) : IRegistrarListener
{
    private const string Seats = "seats";

    public bool MustReadAgain => false;

    public async Task<long?> ReadAsync(RegistrarClient registrar, CancellationToken cancellation)
    {
        await LookAsync(cancellation);
        return null;
    }

    public Task TakeAsync(IReadOnlyList<RegistrarEvent> events, CancellationToken cancellation) =>
        events.Any(one => one.Kind == Seats) ? LookAsync(cancellation) : Task.CompletedTask;

    public void Lose() { }

    /// <summary>Looks at all that are still to be told.</summary>
    public async Task LookAsync(CancellationToken cancellation)
    {
        await using var scope = scopes.CreateAsyncScope();
        var database = scope.ServiceProvider.GetRequiredService<HourGridContext>();
        var waiting = await database
            .SeatNotices.AsNoTracking()
            .Where(row => row.ToldUtc == null)
            .ToListAsync(cancellation);
        var due = waiting
            .Where(row => row.EndsUtc is not { } ends || ends > registrarClock.UtcNow)
            .Where(row => row.Sections.TrueForAll(number => HasSeat(row.TermId, number)))
            .ToArray();
        if (due.Length == 0)
            return;
        var now = clock.GetUtcNow().UtcDateTime;
        await using (var transaction = await writes.BeginAsync(database, cancellation))
        {
            foreach (var row in due)
            {
                // Two may look at once: whoever notes it tells of it.
                var noted = await database
                    .SeatNotices.Where(one => one.Id == row.Id && one.ToldUtc == null)
                    .ExecuteUpdateAsync(one => one.SetProperty(told => told.ToldUtc, now), cancellation);
                if (noted == 0)
                    continue;
                await NoticeWriter.AddAsync(
                    database,
                    new()
                    {
                        Person = row.Person,
                        TermId = row.TermId,
                        Kind = NoticeWords.Seat,
                        Sections = row.Sections,
                        Sentence = NoticeWords.SeatFree(catalogue.Get(row.TermId), row.Sections),
                        AtUtc = now,
                    },
                    cancellation
                );
            }
            await database.SaveChangesAsync(cancellation);
            await transaction.CommitAsync(cancellation);
        }
        outbox.Wake();
        foreach (var row in due)
            news.Tell(PageNews.Registration, new { term = row.TermId }, row.Person);
    }

    private bool HasSeat(string term, string number) =>
        catalogue.Terms.Any(one => one.Id.Value == term)
        && catalogue.Get(term).Find(new RegistrationNumber(number)) is { FreeSeats: > 0 };
}
