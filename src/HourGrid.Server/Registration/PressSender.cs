using System.Collections.Concurrent;
using System.Text.Json;
using System.Threading.Channels;
using HourGrid.Data;
using HourGrid.Data.Registration;
using HourGrid.Server.News;
using HourGrid.Server.Records;
using HourGrid.Server.Registrar;
using HourGrid.Server.Requests;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Server.Registration;

/// <summary>
/// Sends what was pressed until its answer is known, with the same key each time; what was not answered when the server
/// ended is taken up when it starts. What one person pressed is sent in its order: a swap may rest on the one before.
/// </summary>
internal sealed partial class PressSender(
    IServiceScopeFactory scopes,
    PressWrites writes,
    KnownRecords records,
    PageNews news,
    TimeProvider clock,
    ILogger<PressSender> log
) : BackgroundService
{
    private static readonly TimeSpan FirstPause = TimeSpan.FromMilliseconds(100);
    private static readonly TimeSpan LongestPause = TimeSpan.FromSeconds(5);

    /// <summary>Of so many people the last press is known, answered ones among them.</summary>
    private const int MostKnown = 1_000;

    /// <summary>The last press of each person, which ends when it is answered.</summary>
    private readonly ConcurrentDictionary<string, Task> last = [];

    private readonly Channel<PressRow> pressed = Channel.CreateUnbounded<PressRow>();

    /// <summary>Sends a press that is in the database.</summary>
    public void Send(PressRow press) => pressed.Writer.TryWrite(press);

    /// <summary>Ends when all that a person sent until now is answered.</summary>
    public Task AnsweredAsync(string person) => last.GetValueOrDefault(person, Task.CompletedTask);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        foreach (var press in await UnansweredAsync(stoppingToken))
            Send(press);
        await foreach (var press in pressed.Reader.ReadAllAsync(stoppingToken))
        {
            if (last.Count >= MostKnown)
                foreach (var (other, _) in last.Where(one => one.Value.IsCompleted).ToArray())
                    last.TryRemove(other, out _);
            last[press.Person] = AfterAsync(
                last.GetValueOrDefault(press.Person, Task.CompletedTask),
                () => UntilAnsweredAsync(press, stoppingToken)
            );
        }
    }

    private static async Task AfterAsync(Task before, Func<Task> send)
    {
        await before.ConfigureAwait(ConfigureAwaitOptions.ForceYielding | ConfigureAwaitOptions.SuppressThrowing);
        await send();
    }

    private async Task<PressRow[]> UnansweredAsync(CancellationToken cancellation)
    {
        await using var scope = scopes.CreateAsyncScope();
        return await scope
            .ServiceProvider.GetRequiredService<HourGridContext>()
            .Presses.AsNoTracking()
            .Where(row => row.AnsweredUtc == null)
            .OrderBy(row => row.Id)
            .ToArrayAsync(cancellation);
    }

    private async Task UntilAnsweredAsync(PressRow press, CancellationToken cancellation)
    {
        try
        {
            for (var pause = FirstPause; ; pause = pause * 2 > LongestPause ? LongestPause : pause * 2)
            {
                if (await TryAsync(press, cancellation))
                    return;
                await Task.Delay(pause, clock, cancellation);
            }
        }
        catch (OperationCanceledException)
        {
            // It is taken up at the next start.
        }
    }

    /// <returns>Whether its answer is known.</returns>
    private async Task<bool> TryAsync(PressRow press, CancellationToken cancellation)
    {
        try
        {
            await using var scope = scopes.CreateAsyncScope();
            var (done, refused) = await AskAsync(
                scope.ServiceProvider.GetRequiredService<PressClient>().Registrar,
                press,
                cancellation
            );
            // It is done: whatever stops now, it is written down first.
            await KeepAsync(
                press.Id,
                done is null ? null : JsonSerializer.Serialize(done.Answer, JsonSerializerOptions.Web),
                refused
            );
            // Whoever holds it knows at once, whether or not the registrar's events come.
            if (done is not null)
                records.Take(press.Person, new(press.TermId), done.Standing);
            news.Tell(PageNews.Registration, new { term = press.TermId }, press.Person);
            return true;
        }
        catch (RegistrarSilentException)
        {
            return false;
        }
        catch (Exception problem) when (!cancellation.IsCancellationRequested)
        {
            // It is done at most once, so it is asked for again whatever went wrong here.
            LogNotKept(problem);
            return false;
        }
    }

    private static async Task<(RegisteredLines? Done, string? Refused)> AskAsync(
        RegistrarClient registrar,
        PressRow row,
        CancellationToken cancellation
    )
    {
        try
        {
            return (
                await registrar.RegisterAsync(
                    new(row.Key, row.Person, row.TermId, PressLines.Read(row.LinesJson)),
                    cancellation
                ),
                null
            );
        }
        catch (RefusedException refused)
        {
            return (null, refused.Details.Detail);
        }
    }

    private Task<int> KeepAsync(long press, string? answer, string? refused) =>
        writes.SaveAsync(database =>
            database
                .Presses.Where(row => row.Id == press)
                .ExecuteUpdateAsync(row =>
                    row.SetProperty(one => one.AnsweredUtc, clock.GetUtcNow().UtcDateTime)
                        .SetProperty(one => one.AnswerJson, answer)
                        .SetProperty(one => one.Refused, refused)
                )
        );

    [LoggerMessage(Level = LogLevel.Warning, Message = "An answer of the registrar could not be written down yet.")]
    private partial void LogNotKept(Exception problem);
}
