using System.Threading.Channels;
using HourGrid.Data.Mail;

namespace HourGrid.Server.Mail;

/// <summary>Mails that are to be sent; whoever writes one into the database wakes it once that is committed.</summary>
internal sealed class Outbox
{
    private readonly Channel<bool> woken = Channel.CreateBounded<bool>(
        new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropWrite }
    );

    public static OutgoingMailRow Mail(string to, string subject, string text, DateTime nowUtc) =>
        new()
        {
            To = to,
            Subject = subject,
            Text = text,
            CreatedUtc = nowUtc,
            NextTryUtc = nowUtc,
        };

    /// <summary>There is something to send.</summary>
    public void Wake() => woken.Writer.TryWrite(true);

    /// <summary>Until there is something to send, or a while has gone.</summary>
    public async Task WaitAsync(TimeSpan longest, CancellationToken cancellation)
    {
        using var waiting = CancellationTokenSource.CreateLinkedTokenSource(cancellation);
        waiting.CancelAfter(longest);
        try
        {
            await woken.Reader.ReadAsync(waiting.Token);
        }
        catch (OperationCanceledException) when (!cancellation.IsCancellationRequested)
        {
            // A while has gone.
        }
    }
}
