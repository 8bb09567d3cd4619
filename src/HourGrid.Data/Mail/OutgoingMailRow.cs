using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Mail;

/// <summary>A mail to be sent: kept until a mail server has taken it.</summary>
public sealed class OutgoingMailRow
{
    public long Id { get; set; }
    public required string To { get; set; }
    public required string Subject { get; set; }
    public required string Text { get; set; }
    public DateTime CreatedUtc { get; set; }
    public DateTime? SentUtc { get; set; }
    public int Tries { get; set; }
    public DateTime NextTryUtc { get; set; }
}

internal static class OutgoingMailConfiguration
{
    public static void Configure(ModelBuilder model) =>
        model.Entity<OutgoingMailRow>().ToTable("OutgoingMails").HasIndex(row => new { row.SentUtc, row.NextTryUtc });
}
