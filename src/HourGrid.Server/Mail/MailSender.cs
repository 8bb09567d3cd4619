using HourGrid.Data;
using HourGrid.Data.Mail;
using MailKit.Net.Smtp;
using MailKit.Security;
using Microsoft.EntityFrameworkCore;
using MimeKit;

namespace HourGrid.Server.Mail;

/// <summary>Sends what is in the outbox. A mail server that is down loses nothing: it is tried again, more and more rarely.</summary>
internal sealed partial class MailSender(
    IServiceScopeFactory scopes,
    Outbox outbox,
    WriteTurns writes,
    IConfiguration configuration,
    TimeProvider clock,
    ILogger<MailSender> log
) : BackgroundService
{
    private const int MostAtOnce = 100;
    private const int MostDoublings = 8;
    private static readonly TimeSpan FirstPause = TimeSpan.FromSeconds(2);
    private static readonly TimeSpan Often = TimeSpan.FromSeconds(2);

    private readonly string host = configuration["Mail:Host"]!;
    private readonly int port = configuration.GetValue("Mail:Port", 25);
    private readonly MailboxAddress from = new(
        "Hour Grid",
        configuration["Mail:From"] is { Length: > 0 } named ? named : "hour-grid@localhost"
    );

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
            try
            {
                await SendDueAsync(stoppingToken);
                await outbox.WaitAsync(Often, stoppingToken);
            }
            catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
            {
                return;
            }
            catch (Exception problem)
            {
                // Whatever it was, what is in the outbox is still there.
                LogMissed(problem);
            }
    }

    private async Task SendDueAsync(CancellationToken cancellation)
    {
        await using var scope = scopes.CreateAsyncScope();
        var database = scope.ServiceProvider.GetRequiredService<HourGridContext>();
        var now = clock.GetUtcNow().UtcDateTime;
        var due = await database
            .OutgoingMails.AsNoTracking()
            .Where(row => row.SentUtc == null && row.NextTryUtc <= now)
            .OrderBy(row => row.Id)
            .Take(MostAtOnce)
            .ToListAsync(cancellation);
        if (due.Count == 0)
            return;
        using var smtp = new SmtpClient();
        foreach (var row in due)
        {
            var isSent = await TrySendAsync(smtp, row, cancellation);
            await using var transaction = await writes.BeginAsync(database, CancellationToken.None);
            var next = now + FirstPause * Math.Pow(2, Math.Min(row.Tries, MostDoublings));
            await database
                .OutgoingMails.Where(one => one.Id == row.Id)
                .ExecuteUpdateAsync(
                    one =>
                        one.SetProperty(mail => mail.SentUtc, isSent ? now : null)
                            .SetProperty(mail => mail.Tries, row.Tries + 1)
                            .SetProperty(mail => mail.NextTryUtc, next),
                    CancellationToken.None
                );
            await transaction.CommitAsync(CancellationToken.None);
        }
        if (smtp.IsConnected)
            await smtp.DisconnectAsync(true, cancellation);
    }

    private async Task<bool> TrySendAsync(SmtpClient smtp, OutgoingMailRow row, CancellationToken cancellation)
    {
        try
        {
            if (!smtp.IsConnected)
                await smtp.ConnectAsync(host, port, SecureSocketOptions.StartTlsWhenAvailable, cancellation);
            using var message = new MimeMessage(
                [from],
                [MailboxAddress.Parse(row.To)],
                row.Subject,
                new TextPart("plain") { Text = row.Text }
            );
            await smtp.SendAsync(message, cancellation);
            return true;
        }
        catch (Exception problem) when (!cancellation.IsCancellationRequested)
        {
            // A mail server can fail in more ways than can be listed; each is tried again.
            LogNotSent(problem.Message);
            return false;
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "A mail was not sent, and is tried again: {Why}")]
    private partial void LogNotSent(string why);

    [LoggerMessage(Level = LogLevel.Warning, Message = "The outbox could not be written.")]
    private partial void LogMissed(Exception problem);
}
