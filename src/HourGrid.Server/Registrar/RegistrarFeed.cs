using System.Threading.Channels;

namespace HourGrid.Server.Registrar;

/// <summary>Wants to know what happens at the registrar.</summary>
internal interface IRegistrarListener
{
    /// <summary>Reads how things are, since what happened before is not known. What happens afterwards is told.</summary>
    /// <returns>The last event that is in what was read; null where nothing was read.</returns>
    Task<long?> ReadAsync(RegistrarClient registrar, CancellationToken cancellation);

    /// <summary>Whether what was read is not all that is wanted by now.</summary>
    bool MustReadAgain { get; }

    /// <summary>What happened, in order. Something that was told may be told again.</summary>
    Task TakeAsync(IReadOnlyList<RegistrarEvent> events, CancellationToken cancellation);

    /// <summary>Nothing is heard any more, until something is taken again.</summary>
    void Lose();
}

/// <summary>
/// Listens to the registrar on one connection for everybody, and takes up where it left off when that is lost.
/// </summary>
internal sealed partial class RegistrarFeed(
    IServiceScopeFactory scopes,
    IEnumerable<IRegistrarListener> listeners,
    TimeProvider time,
    ILogger<RegistrarFeed> log
) : BackgroundService
{
    private const int MostUnread = 10_000;

    /// <summary>After each piece others have the processor; what happens in between is told with the next.</summary>
    private static readonly TimeSpan Rest = TimeSpan.FromMilliseconds(100);

    private const int TriesUntilSaid = 5;

    private static readonly TimeSpan Pause = TimeSpan.FromSeconds(1);

    /// <summary>The registrar says something at least every ten seconds, if only that it is there.</summary>
    private static readonly TimeSpan LongestSilence = TimeSpan.FromSeconds(25);

    private readonly IRegistrarListener[] all = [.. listeners];

    /// <summary>The event that was taken last; null where everything is to be read anew.</summary>
    private long? last;

    /// <summary>How often it was tried in vain since something was heard.</summary>
    private int tries;

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                await using var scope = scopes.CreateAsyncScope();
                await ListenAsync(scope.ServiceProvider.GetRequiredService<RegistrarClient>(), stoppingToken);
            }
            catch (RegistrarSilentException problem)
            {
                // Once for each time that it is lost; when both start together, the registrar may come a little later.
                if (++tries == TriesUntilSaid)
                    LogLost(problem.InnerException?.Message);
            }
            catch (Exception problem) when (problem is not OperationCanceledException)
            {
                LogMissed(problem);
                last = null;
            }
            foreach (var one in all)
                one.Lose();
            await Task.Delay(Pause, time, stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
        }
    }

    /// <summary>Until the connection is lost.</summary>
    private async Task ListenAsync(RegistrarClient registrar, CancellationToken cancellation)
    {
        if (last is null)
            foreach (var one in all)
                if (await one.ReadAsync(registrar, cancellation) is { } read)
                    last = Math.Min(last ?? read, read);
        using var silence = CancellationTokenSource.CreateLinkedTokenSource(cancellation);
        var heard = Channel.CreateBounded<RegistrarEvent>(MostUnread);
        var hearing = HearAsync(registrar, heard.Writer, silence);
        var some = new List<RegistrarEvent>();
        while (await heard.Reader.WaitToReadAsync(cancellation))
        {
            some.Clear();
            while (heard.Reader.TryRead(out var one))
                some.Add(one);
            // A registrar whose events begin anew has forgotten what it told.
            if ((last is not null && some[0].Id < last) || all.Any(one => one.MustReadAgain))
            {
                last = null;
                await silence.CancelAsync();
                break;
            }
            foreach (var one in all)
                await one.TakeAsync(some, cancellation);
            last = some[^1].Id;
            tries = 0;
            await Task.Delay(Rest, time, cancellation);
        }
        await hearing;
    }

    private async Task HearAsync(
        RegistrarClient registrar,
        ChannelWriter<RegistrarEvent> heard,
        CancellationTokenSource silence
    )
    {
        try
        {
            silence.CancelAfter(LongestSilence);
            await foreach (var one in registrar.EventsAsync(last, silence.Token))
            {
                silence.CancelAfter(LongestSilence);
                await heard.WriteAsync(one, silence.Token);
            }
            heard.Complete();
        }
        catch (OperationCanceledException problem)
        {
            heard.Complete(new RegistrarSilentException(problem));
        }
        catch (RegistrarSilentException problem)
        {
            heard.Complete(problem);
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "The registrar is not heard: {Why}")]
    private partial void LogLost(string? why);

    [LoggerMessage(Level = LogLevel.Error, Message = "What the registrar told could not be taken over.")]
    private partial void LogMissed(Exception problem);
}
