using HourGrid.Data;
using HourGrid.Server.News;

namespace HourGrid.Server.Catalogue;

/// <summary>Sees when another process has imported a newer catalogue, reads it, and tells open pages.</summary>
internal sealed partial class CatalogueWatch(
    IServiceScopeFactory scopes,
    CurrentCatalogue catalogue,
    PageNews news,
    TimeProvider time,
    ILogger<CatalogueWatch> log
) : BackgroundService
{
    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(1);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Pause, time);
        while (await timer.WaitForNextTickAsync(stoppingToken))
            try
            {
                var before = catalogue.Version;
                await using var scope = scopes.CreateAsyncScope();
                await catalogue.ReadAsync(scope.ServiceProvider.GetRequiredService<HourGridContext>(), stoppingToken);
                if (catalogue.Version != before)
                    news.Tell(PageNews.Catalogue, new { version = catalogue.Version });
            }
            catch (Exception problem) when (problem is not OperationCanceledException)
            {
                // The catalogue read before still serves; the next look may succeed.
                CouldNotLook(log, problem);
            }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "The catalogue could not be looked at.")]
    private static partial void CouldNotLook(ILogger log, Exception problem);
}
