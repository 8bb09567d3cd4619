using System.IO.Hashing;
using System.Runtime.InteropServices;
using HourGrid.Core.Catalogue;

namespace HourGrid.Server.Registrar;

/// <summary>What the registrar's system tells of seats: a seam to a service outside.</summary>
internal interface IRegistrar
{
    /// <summary>The figures of some sections of a term as they are now.</summary>
    Task<IReadOnlyDictionary<RegistrationNumber, SeatFigures>> SeatsAsync(
        TermId term,
        IReadOnlyList<Section> sections,
        CancellationToken cancellation
    );
}

/// <summary>
/// Stands in for a registrar: students come and go a little, minute by minute, and the same at the same minute.
/// </summary>
internal sealed class SimulatedRegistrar(TimeProvider time) : IRegistrar
{
    private const int MostStep = 3;

    public Task<IReadOnlyDictionary<RegistrationNumber, SeatFigures>> SeatsAsync(
        TermId term,
        IReadOnlyList<Section> sections,
        CancellationToken cancellation
    )
    {
        var minute = time.GetUtcNow().ToUnixTimeSeconds() / 60;
        return Task.FromResult<IReadOnlyDictionary<RegistrationNumber, SeatFigures>>(
            sections.ToDictionary(section => section.Number, section => After(section, minute))
        );
    }

    private static SeatFigures After(Section section, long minute)
    {
        var seats = section.Seats;
        if (section.Status != SectionStatus.Open)
            return seats;
        var step = Step(section.Number, minute);
        var enrolled = seats.Enrolled + step;
        // A shared pool is filled by all its sections together, so none of them alone fills it.
        if (section.SeatsShared is null && enrolled > seats.Capacity)
            return seats with
            {
                Enrolled = Math.Max(seats.Enrolled, seats.Capacity),
                Waitlisted = Math.Min(seats.WaitlistCapacity, seats.Waitlisted + step),
            };
        return seats with { Enrolled = Math.Max(0, enrolled) };
    }

    /// <summary>From one fewer to some more, by the section and the minute alone.</summary>
    private static int Step(RegistrationNumber number, long minute)
    {
        var hash = XxHash3.HashToUInt64(MemoryMarshal.AsBytes(number.Value.AsSpan()), seed: minute);
        return (int)(hash % (MostStep + 2)) - 1;
    }
}
