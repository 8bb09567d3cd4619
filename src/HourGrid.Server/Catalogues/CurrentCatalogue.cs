using System.Collections.Frozen;
using HourGrid.Core.Catalogue;
using HourGrid.Data;
using HourGrid.Data.Catalogue;

namespace HourGrid.Server.Catalogues;

/// <summary>The catalogue as the server last read it, one snapshot a term. Requests share it; it is swapped whole.</summary>
internal sealed class CurrentCatalogue
{
    private volatile Snapshots current = new("", [], FrozenDictionary<TermId, CatalogueSnapshot>.Empty, 0);

    public string Institution => current.Institution;

    public IReadOnlyList<Term> Terms => current.Terms;

    public int Version => current.Version;

    public CatalogueSnapshot? Find(TermId term) => current.ByTerm.GetValueOrDefault(term);

    public async Task ReadAsync(HourGridContext database, CancellationToken cancellation = default)
    {
        if (await CatalogueReading.ReadAsync(database, cancellation) is not var (catalogue, version))
            return;
        current = new(
            catalogue.Institution,
            catalogue.Terms,
            catalogue.Terms.ToFrozenDictionary(term => term.Id, term => catalogue.SnapshotOf(term.Id)!),
            version
        );
    }

    private sealed record Snapshots(
        string Institution,
        IReadOnlyList<Term> Terms,
        FrozenDictionary<TermId, CatalogueSnapshot> ByTerm,
        int Version
    );
}
