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
        var rows = await database
            .Sections.Where(row => row.TermId == term.Value && row.CourseId == course.Value)
            .ToListAsync(cancellation);
        foreach (var row in rows)
        {
            row.SeatsAsOfUtc = asOfUtc;
            if (!seats.TryGetValue(new(row.Number), out var figures))
                continue;
            row.Capacity = figures.Capacity;
            row.Enrolled = figures.Enrolled;
            row.WaitlistCapacity = figures.WaitlistCapacity;
            row.Waitlisted = figures.Waitlisted;
        }
        await database.SaveChangesAsync(cancellation);
        await database.Catalogue.ExecuteUpdateAsync(
            set => set.SetProperty(row => row.Version, row => row.Version + 1),
            cancellation
        );
        await transaction.CommitAsync(cancellation);
    }
}
