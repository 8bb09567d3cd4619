using Microsoft.EntityFrameworkCore;

namespace HourGrid.StandIns.Campus;

/// <summary>What the campus knows, in a SQLite file of its own.</summary>
internal sealed class CampusContext(DbContextOptions<CampusContext> options) : DbContext(options)
{
    public DbSet<PersonRow> People => Set<PersonRow>();
    public DbSet<RecordRow> Records => Set<RecordRow>();
    public DbSet<HoldRow> Holds => Set<HoldRow>();
    public DbSet<ClockRow> Clocks => Set<ClockRow>();
    public DbSet<PhaseRow> Phases => Set<PhaseRow>();
    public DbSet<SectionRow> Sections => Set<SectionRow>();
    public DbSet<PermissionRow> Permissions => Set<PermissionRow>();
    public DbSet<SlipRow> Slips => Set<SlipRow>();
    public DbSet<RegistrationRow> Registrations => Set<RegistrationRow>();
    public DbSet<WaitingRow> Waiting => Set<WaitingRow>();
    public DbSet<AnsweredRequestRow> AnsweredRequests => Set<AnsweredRequestRow>();
    public DbSet<EventRow> Events => Set<EventRow>();
    public DbSet<MailRow> Mails => Set<MailRow>();

    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<RecordRow>().HasKey(row => row.Student);
        modelBuilder.Entity<HoldRow>().HasKey(row => new { row.Student, row.Id });
        modelBuilder.Entity<PhaseRow>().HasKey(row => new { row.Term, row.Phase });
        modelBuilder.Entity<SectionRow>(section =>
        {
            section.HasKey(row => new { row.Term, row.Number });
            section.HasIndex(row => new { row.Term, row.SeatsShared });
        });
        modelBuilder.Entity<PermissionRow>().HasIndex(row => new { row.Student, row.Term });
        modelBuilder.Entity<SlipRow>().HasKey(row => row.Code);
        modelBuilder.Entity<RegistrationRow>(registration =>
        {
            registration.HasIndex(row => new { row.Student, row.Term });
            registration.HasIndex(row => new { row.Term, row.Number });
        });
        modelBuilder.Entity<WaitingRow>(waiting =>
        {
            waiting.HasIndex(row => new { row.Term, row.EndedUtc });
            waiting.HasIndex(row => new { row.Student, row.Term });
        });
        modelBuilder.Entity<AnsweredRequestRow>().HasKey(row => row.Key);
    }
}

public static class Roles
{
    public const string Student = "student";
    public const string Adviser = "adviser";
    public const string Instructor = "instructor";
    public const string Registrar = "registrar";
}

/// <summary>Someone who can sign in.</summary>
public sealed class PersonRow
{
    public required string Id { get; set; }
    public required string Name { get; set; }
    public required string Role { get; set; }

    /// <summary>The address to which mail for this person goes.</summary>
    public required string Mail { get; set; }

    /// <summary>Courses that an instructor teaches.</summary>
    public List<string> Teaches { get; set; } = [];
}

/// <summary>A student's record in its file format, without its holds, which come and go.</summary>
public sealed class RecordRow
{
    public required string Student { get; set; }
    public required string Json { get; set; }
}

public sealed class HoldRow
{
    public required string Student { get; set; }
    public required string Id { get; set; }
    public required string Name { get; set; }
    public required string Office { get; set; }
    public required string Text { get; set; }

    /// <summary>Whether reading its text clears it; else its office does.</summary>
    public bool IsClearedByReading { get; set; }
    public List<string> Blocks { get; set; } = [];
    public DateTime? ClearedUtc { get; set; }
}

/// <summary>By how much the registrar's clock goes before the machine's.</summary>
public sealed class ClockRow
{
    public int Id { get; set; }
    public long AheadSeconds { get; set; }
}

/// <summary>From when a phase of a term lasts: until the next one.</summary>
public sealed class PhaseRow
{
    public required string Term { get; set; }
    public required string Phase { get; set; }
    public DateTime FromUtc { get; set; }
}

/// <summary>The seats of a section.</summary>
public sealed class SectionRow
{
    public required string Term { get; set; }
    public required string Number { get; set; }
    public required string Course { get; set; }
    public int Capacity { get; set; }

    /// <summary>Seats taken, by students of whom the registrar has a registration and by those it counts only.</summary>
    public int Enrolled { get; set; }
    public int WaitlistCapacity { get; set; }
    public int Waitlisted { get; set; }
    public string? SeatsShared { get; set; }
    public required string Status { get; set; }

    /// <summary>Whether the instructor lets in from the waitlist; else who waited longest is next.</summary>
    public bool IsLetInByInstructor { get; set; }
}

/// <summary>What a student asked an instructor for, or the adviser.</summary>
public sealed class PermissionRow
{
    public int Id { get; set; }
    public required string Student { get; set; }
    public required string Term { get; set; }

    /// <summary>Null where the whole term is to be approved.</summary>
    public string? Course { get; set; }

    /// <summary>Consent, to waive a prerequisite or restriction, or the adviser's approval.</summary>
    public required string Kind { get; set; }
    public required string Words { get; set; }
    public DateTime AskedUtc { get; set; }

    /// <summary>Null while nobody has decided.</summary>
    public bool? IsGranted { get; set; }
    public string Answer { get; set; } = "";
    public DateTime? DecidedUtc { get; set; }
}

/// <summary>A slip of paper whose code gives a permission, to the first student who types it.</summary>
public sealed class SlipRow
{
    public required string Code { get; set; }
    public required string Term { get; set; }
    public required string Course { get; set; }
    public required string Kind { get; set; }
    public string? UsedBy { get; set; }
}

/// <summary>A seat of a student. Those of one bundle have one confirmation number; a dropped one is kept.</summary>
public sealed class RegistrationRow
{
    public int Id { get; set; }
    public required string Student { get; set; }
    public required string Term { get; set; }
    public required string Course { get; set; }
    public required string Number { get; set; }
    public required string Confirmation { get; set; }
    public DateTime AtUtc { get; set; }
    public DateTime? DroppedUtc { get; set; }

    /// <summary>Why it was dropped.</summary>
    public string Why { get; set; } = "";
}

/// <summary>A place in the line for a bundle; one that ended is kept with why.</summary>
public sealed class WaitingRow
{
    public int Id { get; set; }
    public required string Student { get; set; }
    public required string Term { get; set; }
    public required string Course { get; set; }
    public List<string> Sections { get; set; } = [];

    /// <summary>Those of its sections that had no seat when it came: it stands in their lines.</summary>
    public List<string> WaitsOn { get; set; } = [];

    /// <summary>Sections held that are dropped when this one is let in.</summary>
    public List<string> GivingUp { get; set; } = [];
    public int FirstPlace { get; set; }
    public DateTime AtUtc { get; set; }

    /// <summary>Why another was let in before; empty where nobody was.</summary>
    public string PassedOver { get; set; } = "";
    public DateTime? EndedUtc { get; set; }

    /// <summary>How it ended: let in, left, or removed.</summary>
    public string? End { get; set; }
    public string Why { get; set; } = "";
}

/// <summary>How a place in a line ended.</summary>
public static class WaitingEnds
{
    public const string LetIn = "letIn";
    public const string Left = "left";
    public const string Removed = "removed";
}

/// <summary>The answer to a request by the sender's key, so that nothing is done twice.</summary>
public sealed class AnsweredRequestRow
{
    public required string Key { get; set; }
    public required string Student { get; set; }

    /// <summary>What was asked: the key of one request does not answer another.</summary>
    public required string Asked { get; set; }
    public required string Json { get; set; }
    public DateTime AtUtc { get; set; }
}

/// <summary>Something that happened, in order, to be told to who listens.</summary>
public sealed class EventRow
{
    public long Id { get; set; }
    public required string Kind { get; set; }
    public required string Term { get; set; }

    /// <summary>Whom it concerns; null where it concerns all.</summary>
    public string? Student { get; set; }
    public required string Json { get; set; }
    public DateTime AtUtc { get; set; }
}

/// <summary>A mail that was received.</summary>
public sealed class MailRow
{
    public int Id { get; set; }
    public required string To { get; set; }
    public required string Subject { get; set; }
    public required string Text { get; set; }
    public DateTime AtUtc { get; set; }
}
