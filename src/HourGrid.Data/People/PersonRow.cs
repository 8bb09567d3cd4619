using HourGrid.Data.Sketches;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.People;

/// <summary>Somebody whom the campus knows, and who has signed in here.</summary>
public sealed class PersonRow
{
    /// <summary>Whose sketches are this person's.</summary>
    public Guid StudentId { get; set; }

    /// <summary>The campus's number for the person; students have their record under it.</summary>
    public required string Number { get; set; }
    public required string Name { get; set; }

    /// <summary>Such as <c>student</c> or <c>adviser</c>.</summary>
    public required string Role { get; set; }

    /// <summary>The address to which mail goes; empty where none is known.</summary>
    public required string Mail { get; set; }
    public DateTime SignedInUtc { get; set; }
}

internal static class PersonConfiguration
{
    public static void Configure(ModelBuilder model) =>
        model.Entity<PersonRow>(person =>
        {
            person.ToTable("People").HasKey(row => row.StudentId);
            person.HasIndex(row => row.Number).IsUnique();
            person.HasOne<StudentRow>().WithOne().HasForeignKey<PersonRow>(row => row.StudentId);
        });
}
