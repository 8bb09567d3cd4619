using System.Collections.Frozen;
using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Searching;
using HourGrid.Data;
using HourGrid.Data.Catalogue;

namespace HourGrid.Server.Catalogues;

/// <summary>The catalogue as the server last read it, one snapshot a term. Requests share it; it is swapped whole.</summary>
internal sealed class CurrentCatalogue
{
    private volatile Snapshots current = new("", [], FrozenDictionary<TermId, CourseIndex>.Empty, 0);

    public string Institution => current.Institution;

    public IReadOnlyList<Term> Terms => current.Terms;

    public int Version => current.Version;

    public CatalogueSnapshot? Find(TermId term) => IndexOf(term)?.Snapshot;

    /// <exception cref="AskRefusedException">The ask is of a term that the catalogue does not have.</exception>
    public CatalogueSnapshot SnapshotOf(Ask ask) =>
        Find(ask.Term) ?? throw new AskRefusedException("term", $"{ask.Term} is not a term of the catalogue.");

    /// <summary>The courses of a term for searching; null for a term that the catalogue does not have.</summary>
    public CourseIndex? IndexOf(TermId term) => current.ByTerm.GetValueOrDefault(term);

    public async Task ReadAsync(HourGridContext database, CancellationToken cancellation = default)
    {
        if (await CatalogueReading.ReadAsync(database, cancellation) is not var (catalogue, version))
            return;
        current = new(
            catalogue.Institution,
            catalogue.Terms,
            catalogue.Terms.ToFrozenDictionary(
                term => term.Id,
                term => new CourseIndex(catalogue.SnapshotOf(term.Id)!)
            ),
            version
        );
    }

    private sealed record Snapshots(
        string Institution,
        IReadOnlyList<Term> Terms,
        FrozenDictionary<TermId, CourseIndex> ByTerm,
        int Version
    );
}
