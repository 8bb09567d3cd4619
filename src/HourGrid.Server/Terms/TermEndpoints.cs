using HourGrid.Core.Catalogue;
using HourGrid.Server.Catalogues;

namespace HourGrid.Server.Terms;

internal static class TermEndpoints
{
    public static void MapTerms(this IEndpointRouteBuilder api) => api.MapGet("/terms", Terms).WithName("Terms");

    /// <summary>The terms, latest first, with the campuses.</summary>
    private static TermsRecord Terms(CurrentCatalogue catalogue)
    {
        var terms = catalogue.Terms.OrderByDescending(term => term.Start).ToArray();
        var campuses = terms.Length == 0 ? [] : catalogue.Find(terms[0].Id)!.Campuses;
        return new(
            catalogue.Institution,
            [.. campuses.Select(campus => new CampusRecord(campus.Id.Value, campus.Name))],
            [.. terms.Select(TermOf)]
        );
    }

    private static TermRecord TermOf(Term term) =>
        new(
            term.Id.Value,
            term.Name,
            term.Start,
            term.End,
            term.WeekCount,
            [
                .. term.Parts.Select(part => new PartRecord(
                    part.Id,
                    part.Name,
                    Math.Clamp(term.WeekOf(part.Start), 1, term.WeekCount),
                    Math.Clamp(term.WeekOf(part.End), 1, term.WeekCount)
                )),
            ]
        );
}

internal sealed record TermsRecord(
    string Institution,
    IReadOnlyList<CampusRecord> Campuses,
    IReadOnlyList<TermRecord> Terms
);

internal sealed record CampusRecord(string Id, string Name);

internal sealed record TermRecord(
    string Id,
    string Name,
    DateOnly Start,
    DateOnly End,
    int Weeks,
    IReadOnlyList<PartRecord> Parts
);

/// <param name="Id">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="FirstWeek">The week in which it starts.</param>
/// <param name="LastWeek">The week in which it ends.</param>
internal sealed record PartRecord(string Id, string Name, int FirstWeek, int LastWeek);
