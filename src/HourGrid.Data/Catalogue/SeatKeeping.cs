using HourGrid.Core.Catalogue;
using Microsoft.EntityFrameworkCore;

namespace HourGrid.Data.Catalogue;

/// <summary>Keeps seat figures that are newer than the catalogue's.</summary>
public static class SeatKeeping
{
    /// <summary>Writes the figures of some of a course's sections, and makes the catalogue's version a new one.</summary>
    /// <param name="database">The database.</param>
    /// <param name="writes">Where it waits for its turn.</param>
    /// <param name="term">The term of the sections.</param>
    /// <param name="course">Their course.</param>
    /// <param name="seats">The figures by registration number.</param>
    /// <param name="asOfUtc">When they were true.</param>
    /// <param name="cancellation">Stops before anything is written.</param>
    public static async Task KeepAsync(
        HourGridContext database,
        WriteTurns writes,
        TermId term,
        CourseId course,
        IReadOnlyDictionary<RegistrationNumber, SeatFigures> seats,
        DateTime asOfUtc,
        CancellationToken cancellation = default
    )
    {
        await using var transaction = await writes.BeginAsync(database, cancellation);
        await database
            .Seats.Where(row => row.TermId == term.Value && row.CourseId == course.Value)
            .ExecuteDeleteAsync(cancellation);
        database.Seats.AddRange(
            seats.Select(one => new SeatsRow
            {
                TermId = term.Value,
                Number = one.Key.Value,
                CourseId = course.Value,
                Capacity = one.Value.Capacity,
                Enrolled = one.Value.Enrolled,
                WaitlistCapacity = one.Value.WaitlistCapacity,
                Waitlisted = one.Value.Waitlisted,
                AsOfUtc = asOfUtc,
            })
        );
        await database.SaveChangesAsync(cancellation);
        await database.CatalogueState.ExecuteUpdateAsync(
            set => set.SetProperty(row => row.Version, row => row.Version + 1),
            cancellation
        );
        await transaction.CommitAsync(cancellation);
    }
}
