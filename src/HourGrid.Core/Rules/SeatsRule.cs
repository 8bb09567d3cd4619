using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Rules;

/// <summary>Which sections may be taken, by their seats, of courses that say nothing else.</summary>
public sealed class SeatsRule() : SectionRule("seats")
{
    internal static IEnumerable<SeatsRule> Of(Ask ask) => ask.Seats != SeatsAdmitted.Any ? [new()] : [];

    /// <inheritdoc/>
    public override Ask Without(Ask ask) => ask with { Seats = SeatsAdmitted.Any };

    /// <summary>Whether a section may be taken. One that the student is in may be, whatever its seats.</summary>
    internal static bool Admits(
        SeatsAdmitted admitted,
        IReadOnlySet<RegistrationNumber> registered,
        OfferedSection section
    ) =>
        section.FreeSeats > 0
        || registered.Contains(section.Number)
        || (admitted == SeatsAdmitted.Waitlist && section.FreeWaitlistPlaces > 0);

    internal override Func<OfferedSection, bool>? Admits(Ask ask, int wanted, OfferedCourse offered)
    {
        if (ask.Wanted[wanted].Seats is not null)
            return null;
        HashSet<RegistrationNumber> registered = [.. ask.Registered];
        return section => Admits(ask.Seats, registered, section);
    }
}
