using System.Globalization;
using HourGrid.Core.Catalogue;

namespace HourGrid.Core.Requirements.Ahead;

/// <summary>This term, or one after it.</summary>
/// <param name="Id">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Season">Its season; null where that is not known.</param>
/// <param name="Start">Its first day, about so where the catalogue does not have the term yet.</param>
/// <param name="Number">1 for this term, 2 for the next, and so on.</param>
public sealed record AheadTerm(TermId Id, string Name, string? Season, DateOnly Start, int Number)
{
    private const int MostYearsBack = 20;

    /// <summary>
    /// The terms from one of a catalogue on. Those that it does not have are named as the last one of their season, with
    /// another year.
    /// </summary>
    /// <param name="terms">The terms of the catalogue.</param>
    /// <param name="seasons">Its cycle of seasons.</param>
    /// <param name="from">The first.</param>
    /// <param name="count">How many there are at most; fewer where the cycle of seasons is not known.</param>
    /// <exception cref="ArgumentException">The catalogue has no such term.</exception>
    public static IReadOnlyList<AheadTerm> From(
        IReadOnlyList<Term> terms,
        IReadOnlyList<string> seasons,
        TermId from,
        int count
    )
    {
        ArgumentNullException.ThrowIfNull(terms);
        var cycle = TermCycle.Of(terms, seasons, from);
        var first = terms.First(term => term.Id == from);
        var all = new List<AheadTerm> { new(first.Id, first.Name, first.Season, first.Start, 1) };
        while (all.Count < count)
        {
            var number = all.Count + 1;
            var next = cycle.SeasonOf(number) is { } season
                ? OfSeason(terms, season, all[^1].Start, number)
                : Known(terms, all[^1].Start, number);
            if (next is null)
                break;
            all.Add(next);
        }
        return all;
    }

    /// <summary>
    /// The name of a term, also of a past one that the catalogue does not have any more: as that of one whose code differs in
    /// the year alone, else its code.
    /// </summary>
    /// <param name="terms">The terms of the catalogue.</param>
    /// <param name="id">The term.</param>
    public static string NameOf(IReadOnlyList<Term> terms, TermId id)
    {
        ArgumentNullException.ThrowIfNull(terms);
        if (terms.FirstOrDefault(term => term.Id == id) is { } known)
            return known.Name;
        for (var years = 1; years <= MostYearsBack; years++)
            foreach (var term in terms)
                if (InYear(term.Id.Value, term.Start.Year, -years) == id.Value)
                    return InYear(term.Name, term.Start.Year, -years);
        return id.Value;
    }

    private static AheadTerm? Known(IReadOnlyList<Term> terms, DateOnly after, int number) =>
        terms.Where(term => term.Start > after).MinBy(term => term.Start) is { } next
            ? new(next.Id, next.Name, next.Season, next.Start, number)
            : null;

    private static AheadTerm? OfSeason(IReadOnlyList<Term> terms, string season, DateOnly after, int number)
    {
        Term[] ofSeason = [.. terms.Where(term => term.Season == season).OrderBy(term => term.Start)];
        if (ofSeason.FirstOrDefault(term => term.Start > after && term.Start <= after.AddYears(1)) is { } known)
            return new(known.Id, known.Name, season, known.Start, number);
        if (ofSeason.LastOrDefault() is not { } last)
            return null;
        var years = 0;
        while (last.Start.AddYears(years) <= after)
            years++;
        while (last.Start.AddYears(years - 1) > after)
            years--;
        return new(
            new(InYear(last.Id.Value, last.Start.Year, years)),
            InYear(last.Name, last.Start.Year, years),
            season,
            last.Start.AddYears(years),
            number
        );
    }

    private static string InYear(string text, int year, int more)
    {
        var (old, other) = (Text(year), Text(year + more));
        return text.Contains(old, StringComparison.Ordinal)
            ? text.Replace(old, other, StringComparison.Ordinal)
            : $"{text} {other}";

        static string Text(int year) => year.ToString(CultureInfo.InvariantCulture);
    }
}
