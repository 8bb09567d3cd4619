using HourGrid.Core.Catalogue;
using HourGrid.Formats.Catalogue;

namespace HourGrid.StandIns.Campus;

/// <summary>What the campus offers: courses and hours by term. Seats stand in the database, and change.</summary>
internal sealed class CampusCatalogue
{
    private readonly Dictionary<string, CatalogueSnapshot> terms;

    public CampusCatalogue(UniversityCatalogue catalogue)
    {
        terms = catalogue.Terms.ToDictionary(term => term.Id.Value, term => catalogue.SnapshotOf(term.Id)!);
        Starts = catalogue.Terms.ToDictionary(term => term.Id, term => term.Start);
        Whole = catalogue;
        Crowd = new(catalogue);
    }

    public static CampusCatalogue ReadFrom(string file) => new(CatalogueJson.Read(File.ReadAllBytes(file)).Value);

    public UniversityCatalogue Whole { get; }

    public CrowdStudents Crowd { get; }

    /// <summary>When terms start.</summary>
    public IReadOnlyDictionary<TermId, DateOnly> Starts { get; }

    /// <summary>The catalogue of a term; null where there is none.</summary>
    public CatalogueSnapshot? Of(string term) => terms.GetValueOrDefault(term);
}
