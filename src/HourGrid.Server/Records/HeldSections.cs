using HourGrid.Core.Catalogue;

namespace HourGrid.Server.Records;

/// <summary>Which sections somebody holds, by what the registrar said last.</summary>
internal sealed class HeldSections(KnownRecords records)
{
    /// <param name="person">The campus's number for the person; null for nobody who is signed in.</param>
    /// <param name="term">The term.</param>
    /// <param name="cancellation">Stops waiting for the registrar.</param>
    /// <returns>None where the registrar does not answer and never did: what is not known to be held is planned.</returns>
    public async Task<IReadOnlySet<RegistrationNumber>> OfAsync(
        string? person,
        TermId term,
        CancellationToken cancellation
    )
    {
        var known = person is null ? null : await records.StandingOfAsync(person, term, cancellation);
        return known is null
            ? new HashSet<RegistrationNumber>()
            : known
                .Standing.Held.SelectMany(one => one.Sections)
                .Select(number => new RegistrationNumber(number))
                .ToHashSet();
    }
}
