using System.Buffers;
using HourGrid.StandIns.Campus;
using MimeKit;
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
        using var stream = new MemoryStream(buffer.ToArray());
        using var message = await MimeMessage.LoadAsync(stream, cancellationToken);
        await writes.ChangeAsync(
            (campus, _) =>
            {
                campus.Mails.Add(
                    new()
                    {
                        To = string.Join(", ", transaction.To.Select(one => one.AsAddress())),
                        Subject = message.Subject ?? "",
                        Text = message.TextBody ?? "",
                        AtUtc = clock.UtcNow,
                    }
                );
                return Task.FromResult(true);
            },
            cancellationToken
        );
        return SmtpResponse.Ok;
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
