using HourGrid.Data.Sketches;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Calendars;

/// <summary>An address under which a calendar program finds the choice of a student for a term.</summary>
public sealed class CalendarAddressRow
{
    public Guid StudentId { get; set; }
    public required string TermId { get; set; }

    /// <summary>What nobody can guess; who knows it may read the calendar.</summary>
    public required string Token { get; set; }
    public DateTime CreatedUtc { get; set; }
}

internal static class CalendarConfiguration
{
    public static void Configure(ModelBuilder model) =>
        model.Entity<CalendarAddressRow>(address =>
        {
            address.ToTable("CalendarAddresses");
            address.HasKey(row => new { row.StudentId, row.TermId });
            address.HasIndex(row => row.Token).IsUnique();
            address.HasOne<StudentRow>().WithMany().HasForeignKey(row => row.StudentId);
        });
}
