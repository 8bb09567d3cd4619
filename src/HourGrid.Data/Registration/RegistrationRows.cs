using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Registration;

/// <summary>
/// Lines that a person sends to the registrar, written before they are sent: whatever breaks, they are sent again with the
/// same key until the answer is known.
/// </summary>
public sealed class PressRow
{
    public long Id { get; set; }

    /// <summary>What the registrar knows them by: it does nothing twice.</summary>
    public required string Key { get; set; }

    /// <summary>The campus's number for who sent them.</summary>
    public required string Person { get; set; }
    public required string TermId { get; set; }
    public required string LinesJson { get; set; }
    public DateTime SentUtc { get; set; }
    public DateTime? AnsweredUtc { get; set; }

    /// <summary>The registrar's answer; null until it is known, and where it took none of it.</summary>
    public string? AnswerJson { get; set; }

    /// <summary>Why the registrar did not look at it; null where it did.</summary>
    public string? Refused { get; set; }
}

/// <summary>Sections of which somebody wants to be told when all of them have a seat.</summary>
public sealed class SeatNoticeRow
{
    public long Id { get; set; }
    public required string Person { get; set; }
    public required string TermId { get; set; }
    public required List<string> Sections { get; set; }
    public DateTime CreatedUtc { get; set; }

    /// <summary>When the phase ends in which it was asked for, and with it the notice; null where that is not known.</summary>
    public DateTime? EndsUtc { get; set; }
    public DateTime? ToldUtc { get; set; }
}

/// <summary>Something that a person is told in the page.</summary>
public sealed class NoticeRow
{
    public long Id { get; set; }
    public required string Person { get; set; }
    public required string TermId { get; set; }

    /// <summary>Such as <c>seat</c> or <c>letIn</c>.</summary>
    public required string Kind { get; set; }
    public required List<string> Sections { get; set; }
    public required string Sentence { get; set; }
    public DateTime AtUtc { get; set; }
    public DateTime? SeenUtc { get; set; }

    /// <summary>The registrar's event that it tells of, so that one told twice is noted once; null for none.</summary>
    public long? EventId { get; set; }
}

/// <summary>Up to which event of the registrar notices were made.</summary>
public sealed class RegistrarPositionRow
{
    public int Id { get; set; }
    public long LastEvent { get; set; }
}

internal static class RegistrationConfiguration
{
    public static void Configure(ModelBuilder model)
    {
        model.Entity<PressRow>(press =>
        {
            press.ToTable("Presses").HasIndex(row => row.Key).IsUnique();
            press.HasIndex(row => new { row.Person, row.TermId });
            press.HasIndex(row => row.AnsweredUtc);
        });
        model.Entity<SeatNoticeRow>(notice =>
        {
            notice.ToTable("SeatNotices").HasIndex(row => new { row.Person, row.TermId });
            notice.HasIndex(row => row.ToldUtc);
        });
        model.Entity<NoticeRow>(notice =>
        {
            notice.ToTable("Notices").HasIndex(row => new { row.Person, row.TermId });
            notice.HasIndex(row => row.EventId).IsUnique();
        });
        model
            .Entity<RegistrarPositionRow>()
            .ToTable("RegistrarPosition")
            .Property(row => row.Id)
            .ValueGeneratedNever();
    }
}
