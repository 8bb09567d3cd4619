namespace HourGrid.Data.Catalogue;

/// <summary>Seats that were kept after the catalogue was imported.</summary>
internal sealed class NewerSeats(IEnumerable<SeatsRow> rows)
{
    private readonly Dictionary<(string Term, string Number), SeatsRow> bySection = rows.ToDictionary(row =>
        (row.TermId, row.Number)
    );

    /// <summary>Gives a section its newer seats, where there are some.</summary>
    public void TakeOver(SectionRow section)
    {
        if (!bySection.TryGetValue((section.TermId, section.Number), out var newer))
            return;
        section.Capacity = newer.Capacity;
        section.Enrolled = newer.Enrolled;
        section.WaitlistCapacity = newer.WaitlistCapacity;
        section.Waitlisted = newer.Waitlisted;
        section.SeatsAsOfUtc = newer.AsOfUtc;
    }
}
