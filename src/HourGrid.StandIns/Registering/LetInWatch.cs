using HourGrid.StandIns.Campus;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Registering;

/// <summary>
/// Sees to the lines where something but a seat has changed: a turn has begun, a hold was lifted, consent was given, a term
/// has closed.
/// </summary>
internal sealed partial class LetInWatch(
    CampusWrites writes,
    IDbContextFactory<CampusContext> contexts,
    CampusCatalogue catalogue,
    TimeProvider time,
    ILogger<LetInWatch> log
) : BackgroundService
{
    private static readonly TimeSpan Often = TimeSpan.FromSeconds(2);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            await Task.Delay(Often, time, stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            try
            {
                foreach (var term in await TermsWithLinesAsync(stoppingToken))
                    if (catalogue.Of(term) is { } snapshot)
                        await writes.ChangeAsync(
                            (campus, events) => Task.FromResult(See(campus, events, snapshot)),
                            stoppingToken
                        );
            }
            catch (Exception problem) when (!stoppingToken.IsCancellationRequested)
            {
                LogMissed(problem);
            }
            catch (OperationCanceledException)
            {
                return;
            }
        }
    }

    private bool See(CampusContext campus, EventLog events, Core.Catalogue.CatalogueSnapshot snapshot)
    {
        var books = new TermBooks(campus, events, catalogue, snapshot);
        new LetIn(books, catalogue).Everywhere();
        books.TellSeats();
        return true;
    }

    private async Task<string[]> TermsWithLinesAsync(CancellationToken cancellation)
    {
        await using var campus = await contexts.CreateDbContextAsync(cancellation);
        return await campus
            .Waiting.Where(row => row.EndedUtc == null)
            .Select(row => row.Term)
            .Distinct()
            .ToArrayAsync(cancellation);
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "Lines could not be seen to.")]
    private partial void LogMissed(Exception problem);
}
