using System.Collections.Frozen;
using System.Collections.Immutable;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Searching;
using HourGrid.Data;
using HourGrid.Data.Catalogue;
using HourGrid.Server.Registrar;
using HourGrid.Server.Requests;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Catalogue;

/// <summary>The catalogue as the server last read it, one snapshot a term. Requests share it; it is swapped whole.</summary>
internal sealed class CurrentCatalogue(TimeProvider time) : IDisposable
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

    /// <summary>The cycle of the terms of a year; empty where nothing is said.</summary>
    public IReadOnlyList<string> Seasons => current.Seasons;

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

    /// <summary>Whether the registrar tells seats as they change.</summary>
    public bool AreSeatsLive => current.Live is { LostUtc: null };

    /// <summary>When the seats of a course were true, in UTC: now, while the registrar tells them as they change.</summary>
    public DateTime SeatsAsOf(TermId term, CourseId course)
    {
        var (live, printed) = (current.Live, current.SeatsAsOfUtc);
        return live is not null && live.Terms.Contains(term)
            ? live.LostUtc ?? time.GetUtcNow().UtcDateTime
            : printed.GetValueOrDefault((term, course), DateTime.UnixEpoch);
    }

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

    /// <summary>Serves a catalogue from now on, with the seats that the registrar told last.</summary>
    public void Take(KeptCatalogue kept) =>
        current = new(
            kept.Catalogue.Institution,
            kept.Catalogue.TimeZone,
            kept.Catalogue.Subjects,
            kept.Catalogue.Terms,
            kept.Catalogue.Terms.ToFrozenDictionary(
                term => term.Id,
                term =>
                {
                    var index = new CourseIndex(kept.Catalogue.SnapshotOf(term.Id)!);
                    return current.Live?.Terms.Contains(term.Id) == true && Find(term.Id) is { } before
                        ? index.With(SeatsIn(before))
                        : index;
                }
            ),
            kept.SeatsAsOfUtc,
            kept.Import,
            kept.Version
        )
        {
            Live = current.Live,
            Seasons = kept.Catalogue.Seasons,
        };

    /// <summary>Takes over seats that the registrar told.</summary>
    /// <returns>The courses whose seats are others than before.</returns>
    public async Task<IReadOnlyList<SeatChange>> TakeSeatsAsync(
        IReadOnlyList<SectionSeats> seats,
        CancellationToken cancellation
    )
    {
        await reading.WaitAsync(cancellation);
        try
        {
            var before = current;
            var byTerm = before.ByTerm.ToDictionary();
            var changes = new List<SeatChange>();
            var told = seats.ToLookup(section => new TermId(section.Term));
            foreach (var ofTerm in told)
            {
                var figures = new Dictionary<RegistrationNumber, SeatFigures>();
                foreach (var section in ofTerm)
                    figures[new(section.Number)] = section.Figures;
                if (!byTerm.TryGetValue(ofTerm.Key, out var index))
                    continue;
                var with = byTerm[ofTerm.Key] = index.With(figures);
                changes.AddRange(
                    index
                        .Snapshot.Courses.Zip(
                            with.Snapshot.Courses,
                            (one, other) => SeatChange.Between(ofTerm.Key, one, other)
                        )
                        .OfType<SeatChange>()
                );
            }
            current = before with
            {
                ByTerm = changes.Count > 0 ? byTerm.ToFrozenDictionary() : before.ByTerm,
                Live = new([.. before.Live?.Terms ?? [], .. told.Select(ofTerm => ofTerm.Key)], LostUtc: null),
            };
            return changes;
        }
        finally
        {
            reading.Release();
        }
    }

    private static Dictionary<RegistrationNumber, SeatFigures> SeatsIn(CatalogueSnapshot snapshot) =>
        snapshot
            .Courses.SelectMany(course => course.Sections)
            .ToDictionary(section => section.Number, section => section.Section.Seats);

    /// <summary>Seats stay as they are from now on: the registrar is not heard.</summary>
    public void LoseSeats()
    {
        reading.Wait();
        try
        {
            if (current.Live is { LostUtc: null } live)
                current = current with { Live = live with { LostUtc = time.GetUtcNow().UtcDateTime } };
        }
        finally
        {
            reading.Release();
        }
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
    )
    {
        public LiveSeats? Live { get; init; }

        public IReadOnlyList<string> Seasons { get; init; } = [];
    }

    /// <param name="Terms">Terms whose seats the registrar told; the figures stand in their snapshots.</param>
    /// <param name="LostUtc">Since when it is not heard any more; null while it is.</param>
    private sealed record LiveSeats(ImmutableHashSet<TermId> Terms, DateTime? LostUtc);
}
