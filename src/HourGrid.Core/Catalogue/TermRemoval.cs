namespace HourGrid.Core.Catalogue;

/// <summary>What a newer catalogue would take away from a term: much at once is more often a file cut short than meant.</summary>
/// <param name="Term">The term.</param>
/// <param name="Gone">Its sections that are not in the newer catalogue.</param>
/// <param name="Of">How many it had.</param>
public sealed record TermRemoval(TermId Term, IReadOnlyList<ChangedSection> Gone, int Of)
{
    /// <summary>The part of a term's sections that may go without a word.</summary>
    private const double SmallPart = 0.1;

    /// <summary>The terms that lose more than a tenth of their sections.</summary>
    /// <param name="before">The catalogue before.</param>
    /// <param name="changes">What differs in the newer one.</param>
    public static IReadOnlyList<TermRemoval> LargeOnes(UniversityCatalogue before, CatalogueChanges changes)
    {
        var had = before
            .Courses.SelectMany(course => course.Sections)
            .CountBy(section => section.Term)
            .ToDictionary();
        return
        [
            .. changes
                .Sections.Where(one => one is { Change: SectionChange.Gone, After: null })
                .GroupBy(one => one.Term)
                .Select(gone => new TermRemoval(gone.Key, [.. gone], had[gone.Key]))
                .Where(removal => removal.Gone.Count > removal.Of * SmallPart),
        ];
    }
}
