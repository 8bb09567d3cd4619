using HourGrid.Core.Catalogue;

namespace HourGrid.Server.Catalogue;

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
            catalogue.Version,
            [.. campuses.Select(campus => new CampusRecord(campus.Id.Value, campus.Name))],
            [.. catalogue.Subjects.Select(subject => new SubjectRecord(subject.Code, subject.Name))],
            terms.Length == 0
                ? []
                :
                [
                    .. catalogue
                        .Find(terms[0].Id)!
                        .Travel.Entries.Select(way => new TravelRecord(way.From.Value, way.To.Value, way.Minutes)),
                ],
            [.. terms.Select(TermOf)]
        );
    }

    private static TermRecord TermOf(Term term) =>
        new(
            term.Id.Value,
            term.Name,
            term.Start,
            term.End,
            term.FirstMonday,
            term.WeekCount,
            [
                .. term.Parts.Select(part => new PartRecord(
                    part.Id,
                    part.Name,
                    Math.Clamp(term.WeekOf(part.Start), 1, term.WeekCount),
                    Math.Clamp(term.WeekOf(part.End), 1, term.WeekCount)
                )),
            ],
            [.. term.NoClass.Select(days => new NoClassRecord(days.From, days.To, days.Name))]
        );
}

internal sealed record TermsRecord(
    string Institution,
    long CatalogueVersion,
    IReadOnlyList<CampusRecord> Campuses,
    IReadOnlyList<SubjectRecord> Subjects,
    IReadOnlyList<TravelRecord> Travel,
    IReadOnlyList<TermRecord> Terms
);

/// <param name="From">A campus.</param>
/// <param name="To">Another.</param>
/// <param name="Minutes">Minutes between them.</param>
internal sealed record TravelRecord(string From, string To, int Minutes);

/// <param name="Code">Its code, as courses have it.</param>
/// <param name="Name">Its name.</param>
internal sealed record SubjectRecord(string Code, string Name);

internal sealed record CampusRecord(string Id, string Name);

/// <param name="Id">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="Start">Its first day.</param>
/// <param name="End">Its last day.</param>
/// <param name="FirstMonday">The Monday of week 1.</param>
/// <param name="Weeks">How many weeks it has.</param>
/// <param name="Parts">Its parts.</param>
/// <param name="NoClass">Days on which nothing meets.</param>
internal sealed record TermRecord(
    string Id,
    string Name,
    DateOnly Start,
    DateOnly End,
    DateOnly FirstMonday,
    int Weeks,
    IReadOnlyList<PartRecord> Parts,
    IReadOnlyList<NoClassRecord> NoClass
);

/// <param name="From">The first day without class.</param>
/// <param name="To">The last.</param>
/// <param name="Name">What they are.</param>
internal sealed record NoClassRecord(DateOnly From, DateOnly To, string Name);

/// <param name="Id">Its code.</param>
/// <param name="Name">Its name.</param>
/// <param name="FirstWeek">The week in which it starts.</param>
/// <param name="LastWeek">The week in which it ends.</param>
internal sealed record PartRecord(string Id, string Name, int FirstWeek, int LastWeek);
