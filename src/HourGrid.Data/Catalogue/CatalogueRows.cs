using HourGrid.Core.Catalogue;

namespace HourGrid.Data.Catalogue;

// One row a thing, as the catalogue format has it; Position keeps the order of the file.

public sealed class CatalogueRow
{
    public int Id { get; set; }
    public required string Institution { get; set; }
    public required string TimeZone { get; set; }
    public List<string> Seasons { get; set; } = [];
}

public sealed class SubjectRow
{
    public required string Code { get; set; }
    public int Position { get; set; }
    public required string Name { get; set; }
}

public sealed class CampusRow
{
    public required string Id { get; set; }
    public int Position { get; set; }
    public required string Name { get; set; }
}

public sealed class TravelRow
{
    public required string FromCampusId { get; set; }
    public required string ToCampusId { get; set; }
    public int Minutes { get; set; }
}

public sealed class TermRow
{
    public required string Id { get; set; }
    public int Position { get; set; }
    public required string Name { get; set; }
    public DateOnly Start { get; set; }
    public DateOnly End { get; set; }
    public string? Season { get; set; }
    public List<PartOfTermRow> Parts { get; set; } = [];
    public List<NoClassRow> NoClass { get; set; } = [];
}

public sealed class PartOfTermRow
{
    public required string TermId { get; set; }
    public required string Id { get; set; }
    public int Position { get; set; }
    public required string Name { get; set; }
    public DateOnly Start { get; set; }
    public DateOnly End { get; set; }
}

public sealed class NoClassRow
{
    public required string TermId { get; set; }
    public int Position { get; set; }
    public DateOnly From { get; set; }
    public DateOnly To { get; set; }
    public required string Name { get; set; }
}

public sealed class CourseRow
{
    public required string Id { get; set; }
    public int Position { get; set; }
    public required string Subject { get; set; }
    public required string Number { get; set; }
    public required string Title { get; set; }
    public required string Description { get; set; }
    public string Materials { get; set; } = "";
    public int MinCreditsHundredths { get; set; }
    public int MaxCreditsHundredths { get; set; }
    public required string Level { get; set; }
    public List<string> Attributes { get; set; } = [];
    public Prerequisite? Prerequisites { get; set; }
    public List<string> Corequisites { get; set; } = [];
    public IReadOnlyList<Restriction> Restrictions { get; set; } = [];
    public bool IsRepeatable { get; set; }
    public List<string>? UsuallyOffered { get; set; }
    public List<SectionRow> Sections { get; set; } = [];
}

public sealed class SectionRow
{
    public int Id { get; set; }
    public required string CourseId { get; set; }
    public required string TermId { get; set; }
    public required string Number { get; set; }
    public int Position { get; set; }
    public required string Label { get; set; }
    public required string Component { get; set; }
    public required string Arrangement { get; set; }
    public string? PartId { get; set; }
    public int? CreditsHundredths { get; set; }
    public DeliveryMode Mode { get; set; }
    public string? CampusId { get; set; }
    public List<string> Instructors { get; set; } = [];
    public int Capacity { get; set; }
    public int Enrolled { get; set; }
    public int WaitlistCapacity { get; set; }
    public int Waitlisted { get; set; }

    /// <summary>When the four figures above were true.</summary>
    public DateTime SeatsAsOfUtc { get; set; }
    public SectionStatus Status { get; set; }
    public bool Consent { get; set; }
    public required string Notes { get; set; }
    public string Materials { get; set; } = "";
    public string? SeatsShared { get; set; }
    public List<MeetingRow> Meetings { get; set; } = [];
    public List<SectionLinkRow> Links { get; set; } = [];
}

public sealed class MeetingRow
{
    public int SectionId { get; set; }
    public int Position { get; set; }

    /// <summary>Bit 0 is Monday, bit 6 Sunday.</summary>
    public byte Days { get; set; }
    public int StartMinute { get; set; }
    public int EndMinute { get; set; }
    public required string Room { get; set; }
    public string? CampusId { get; set; }
    public DateOnly From { get; set; }
    public DateOnly To { get; set; }
    public int EveryWeeks { get; set; }
}

/// <summary>A link as the section declares it.</summary>
public sealed class SectionLinkRow
{
    public int SectionId { get; set; }
    public int Position { get; set; }
    public required string LinkedNumber { get; set; }
}
