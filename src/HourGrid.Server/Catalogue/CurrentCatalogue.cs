using System.Collections.Frozen;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Searching;
using HourGrid.Data;
using HourGrid.Data.Catalogue;
using HourGrid.Server.Requests;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Catalogue;

/// <summary>The catalogue as the server last read it, one snapshot a term. Requests share it; it is swapped whole.</summary>
internal sealed class CurrentCatalogue : IDisposable
{
    private readonly SemaphoreSlim reading = new(1);
    private volatile Snapshots current = new(
        "",
        UniversityCatalogue.DefaultTimeZone,
        [],
        [],
        FrozenDictionary<TermId, CourseIndex>.Empty,
        new Dictionary<(TermId, CourseId), DateTime>(),
        0,
        0
    );

    /// <summary>The version that was looked at last; one that cannot be used is not tried again.</summary>
    private int looked;

    public string Institution => current.Institution;

    /// <summary>The time zone of its hours, by its name in the IANA database.</summary>
    public string TimeZone => current.TimeZone;

    /// <summary>Subjects that have a name.</summary>
    public IReadOnlyList<Subject> Subjects => current.Subjects;

    public IReadOnlyList<Term> Terms => current.Terms;

    public int Version => current.Version;

    /// <summary>The number of the import that brought it.</summary>
    public int Import => current.Import;

    /// <summary>A term that is named in an address.</summary>
    /// <exception cref="RefusedException">The catalogue does not have it.</exception>
    public CatalogueSnapshot Get(string term) => GetIndex(term).Snapshot;

    /// <summary>The courses of such a term for searching.</summary>
    /// <exception cref="RefusedException">The catalogue does not have it.</exception>
    public CourseIndex GetIndex(string term) => IndexOf(new(term)) ?? throw Refusals.NoSuchTerm(term);

    public CatalogueSnapshot? Find(TermId term) => IndexOf(term)?.Snapshot;

    /// <exception cref="AskRefusedException">The ask is of a term that the catalogue does not have.</exception>
    public CatalogueSnapshot SnapshotOf(Ask ask) =>
        Find(ask.Term) ?? throw new AskRefusedException("term", AskFault.NoSuchTerm, ask.Term.Value);

    private CourseIndex? IndexOf(TermId term) => current.ByTerm.GetValueOrDefault(term);

    /// <summary>When the seats of a course were true, in UTC.</summary>
    public DateTime SeatsAsOf(TermId term, CourseId course) =>
        current.SeatsAsOfUtc.GetValueOrDefault((term, course), DateTime.UnixEpoch);

    /// <summary>Reads the whole catalogue, if there is another one than was read last.</summary>
    public async Task ReadAsync(HourGridContext database, CancellationToken cancellation = default)
    {
        await reading.WaitAsync(cancellation);
        try
        {
            var version = (await CatalogueReading.StateAsync(database, cancellation))?.Version ?? 0;
            if (version == current.Version || version == looked)
                return;
            looked = version;
            if (await CatalogueReading.ReadAsync(database, cancellation) is { } kept)
                Take(kept);
        }
        finally
        {
            reading.Release();
        }
    }

    /// <summary>Serves a catalogue from now on.</summary>
    public void Take(KeptCatalogue kept) =>
        current = new(
            kept.Catalogue.Institution,
            kept.Catalogue.TimeZone,
            kept.Catalogue.Subjects,
            kept.Catalogue.Terms,
            kept.Catalogue.Terms.ToFrozenDictionary(
                term => term.Id,
                term => new CourseIndex(kept.Catalogue.SnapshotOf(term.Id)!)
            ),
            kept.SeatsAsOfUtc,
            kept.Import,
            kept.Version
        );

    /// <summary>Takes over new seats of a course that were kept just now; anything else that is new is read too.</summary>
    public async Task ReadSeatsAsync(
        HourGridContext database,
        TermId term,
        CourseId course,
        IReadOnlyDictionary<RegistrationNumber, SeatFigures> seats,
        DateTime asOfUtc,
        CancellationToken cancellation
    )
    {
        await reading.WaitAsync(cancellation);
        try
        {
            var version = (await CatalogueReading.StateAsync(database, cancellation))?.Version ?? 0;
            if (version == current.Version + 1 && IndexOf(term) is { } index)
            {
                var byTerm = current.ByTerm.ToDictionary();
                byTerm[term] = index.With(seats);
                var ages = current.SeatsAsOfUtc.ToDictionary();
                ages[(term, course)] = asOfUtc;
                current = current with
                {
                    ByTerm = byTerm.ToFrozenDictionary(),
                    SeatsAsOfUtc = ages,
                    Version = version,
                };
                return;
            }
        }
        finally
        {
            reading.Release();
        }
        await ReadAsync(database, cancellation);
    }

    public void Dispose() => reading.Dispose();

    private sealed record Snapshots(
        string Institution,
        string TimeZone,
        IReadOnlyList<Subject> Subjects,
        IReadOnlyList<Term> Terms,
        FrozenDictionary<TermId, CourseIndex> ByTerm,
        IReadOnlyDictionary<(TermId, CourseId), DateTime> SeatsAsOfUtc,
        int Import,
        int Version
    );
}
