using System.Buffers;
using System.Text;
using HourGrid.StandIns.Campus;
using SmtpServer;
using SmtpServer.Mail;
using SmtpServer.Protocol;
using SmtpServer.Storage;

namespace HourGrid.StandIns.Mail;

/// <summary>Keeps the mail that is received.</summary>
internal sealed class MailStore(CampusWrites writes, CampusClock clock) : MessageStore
{
    private const int LongestText = 100_000;

    public override async Task<SmtpResponse> SaveAsync(
        ISessionContext context,
        IMessageTransaction transaction,
        ReadOnlySequence<byte> buffer,
        CancellationToken cancellationToken
    )
    {
        if (buffer.Length > LongestText)
            return SmtpResponse.SizeLimitExceeded;
        var (subject, text) = Parse(Encoding.UTF8.GetString(buffer));
        await writes.ChangeAsync(
            (campus, _) =>
            {
                campus.Mails.Add(
                    new()
                    {
                        To = string.Join(", ", transaction.To.Select(one => one.AsAddress())),
                        Subject = subject,
                        Text = text,
                        AtUtc = clock.UtcNow,
                    }
                );
                return Task.FromResult(true);
            },
            cancellationToken
        );
        return SmtpResponse.Ok;
    }

    /// <summary>The subject and the text after the empty line; mails of Hour Grid are plain text.</summary>
    private static (string Subject, string Text) Parse(string message)
    {
        var end = message.IndexOf("\r\n\r\n", StringComparison.Ordinal);
        var (head, text) = end < 0 ? (message, "") : (message[..end], message[(end + 4)..]);
        const string Subject = "Subject: ";
        var subject = head.Split("\r\n").FirstOrDefault(line => line.StartsWith(Subject, StringComparison.Ordinal));
        return (subject?[Subject.Length..] ?? "", text);
    }
}

/// <summary>Receives mail on a port of this machine.</summary>
internal sealed class MailServer(MailStore store, IConfiguration configuration) : BackgroundService
{
    protected override Task ExecuteAsync(CancellationToken stoppingToken)
    {
        var services = new SmtpServer.ComponentModel.ServiceProvider();
        services.Add(store);
        var options = new SmtpServerOptionsBuilder()
            .ServerName("stand-ins")
            .Endpoint(endpoint =>
                endpoint.Endpoint(new(System.Net.IPAddress.Loopback, configuration.GetValue("SmtpPort", 5082)))
            )
            .Build();
        return new SmtpServer.SmtpServer(options, services).StartAsync(stoppingToken);
    }
}
