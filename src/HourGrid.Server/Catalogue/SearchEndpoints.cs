using HourGrid.Core.Asking;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Searching;
using HourGrid.Formats.Json;
using HourGrid.Server.Computing;
using HourGrid.Server.Requests;
using HourGrid.Server.Wording;

namespace HourGrid.Server.Catalogue;

/// <summary>The Catalogue's search: words, a narrowing, an order, and a page of what is found.</summary>
internal static class SearchEndpoints
{
    private const int LargestPage = 100;
    private const int LongestQuery = 200;

    public static void MapSearch(this IEndpointRouteBuilder api)
    {
        api.MapGet("/terms/{term}/search", SearchAsync).WithName("Search").ProducesProblems();
        api.MapGet("/terms/{term}/facets", FacetsOf).WithName("Facets");
    }

    /// <summary>
    /// Courses that match, and what the narrowing hides. Further parameters narrow: subject, attribute, level, credits,
    /// component, instructor, day, hours, campus, mode, seats, part, eligible.
    /// </summary>
    private static async Task<SearchRecord> SearchAsync(
        string term,
        string? q,
        string? sort,
        int? first,
        int? count,
        HttpContext http,
        CurrentCatalogue catalogue,
        IEligibleCourses eligible,
        StudentQueue queue,
        CancellationToken cancellation
    )
    {
        var index = catalogue.GetIndex(term);
        var query = q ?? "";
        if (query.Length > LongestQuery)
            throw Refusals.Field("q", FieldWords.Characters(query.Length), FieldWords.AtMost(LongestQuery));
        if (first is < 0)
            throw Refusals.Field("first", $"{first}", FieldWords.NotNegative);
        if (count is < 1 or > LargestPage)
            throw Refusals.Field("count", $"{count}", FieldWords.Range(1, LargestPage));
        if (!Orders.TryGetValue(sort ?? "match", out var order))
            throw Refusals.Field("sort", $"\"{sort}\"", FieldWords.OneOf(string.Join(", ", Orders.Keys)));
        var narrowing = NarrowingQuery.Read(http.Request.Query);
        if (NarrowingQuery.IsForEligible(http.Request.Query))
            narrowing = narrowing with
            {
                MayTake = await eligible.OfAsync(http.User, index.Snapshot.Term.Id, cancellation),
            };
        return await queue.RunAsync(
            () => Page(index, query, narrowing, order, first ?? 0, count ?? LargestPage),
            cancellation
        );
    }

    private static SearchRecord Page(
        CourseIndex index,
        string query,
        SearchNarrowing narrowing,
        Func<IReadOnlyList<FoundCourse>, IEnumerable<FoundCourse>> order,
        int first,
        int count
    )
    {
        var found = CourseSearch.Of(index, query, narrowing);
        return (
            new SearchRecord(
                found.Courses.Count,
                found.Matches,
                [.. order(found.Courses).Skip(first).Take(count).Select(one => FoundRecord.Of(one, index.Frame))],
                [.. found.Loosenings.Select(LooseningRecord.Of)],
                Offers.Of(index, query, narrowing)
            )
        );
    }

    private static readonly Dictionary<string, Func<IReadOnlyList<FoundCourse>, IEnumerable<FoundCourse>>> Orders =
        new()
        {
            ["match"] = found => found,
            ["code"] = found => found.OrderBy(one => one.Offered.Course.Id.Value, StringComparer.Ordinal),
            ["credits"] = found =>
                found
                    .OrderBy(one => one.Offered.Course.Credits.Min.Hundredths)
                    .ThenBy(one => one.Offered.Course.Id.Value, StringComparer.Ordinal),
            ["seats"] = found =>
                found
                    .OrderByDescending(one => one.Sections.Sum(section => section.FreeSeats))
                    .ThenBy(one => one.Offered.Course.Id.Value, StringComparer.Ordinal),
        };

    private static FacetsRecord FacetsOf(string term, CurrentCatalogue catalogue)
    {
        var index = catalogue.GetIndex(term);
        var facets = index.Facets;
        return (
            new FacetsRecord(
                facets.Subjects,
                facets.CoursesBySubject,
                facets.Attributes,
                facets.Levels,
                facets.Instructors,
                facets.Components,
                [.. facets.Campuses.Select(campus => campus.Value)],
                [.. facets.Modes.Select(Words.Modes.Write)],
                facets.MostCredits.Value,
                index.NotOffered
            )
        );
    }
}

/// <param name="Total">Courses shown, on all pages.</param>
/// <param name="Matches">Courses that match the words, shown or hidden.</param>
/// <param name="Courses">The page.</param>
/// <param name="Loosenings">Single changes that bring courses back, the most first.</param>
/// <param name="Offers">What the words could narrow to.</param>
internal sealed record SearchRecord(
    int Total,
    int Matches,
    IReadOnlyList<FoundRecord> Courses,
    IReadOnlyList<LooseningRecord> Loosenings,
    IReadOnlyList<OfferRecord> Offers
);

/// <param name="Id">The course's code.</param>
/// <param name="Title">Its title.</param>
/// <param name="MinCredits">The least it carries.</param>
/// <param name="MaxCredits">The most it carries.</param>
/// <param name="Components">Its components.</param>
/// <param name="Part">The one part of the term in which all its sections run; null otherwise.</param>
/// <param name="Sections">Its sections that take place.</param>
/// <param name="SectionsShown">Those that pass the narrowing.</param>
/// <param name="SectionsWithSeat">Of all its sections, those with a free seat.</param>
/// <param name="Stamp">When its sections meet.</param>
internal sealed record FoundRecord(
    string Id,
    string Title,
    decimal MinCredits,
    decimal MaxCredits,
    IReadOnlyList<string> Components,
    string? Part,
    int Sections,
    int SectionsShown,
    int SectionsWithSeat,
    WeekStamp Stamp
)
{
    public static FoundRecord Of(FoundCourse found, StampFrame frame)
    {
        var course = found.Offered.Course;
        var sections = found.Offered.SectionsOffered.ToArray();
        return new(
            course.Id.Value,
            course.Title,
            course.Credits.Min.Value,
            course.Credits.Max.Value,
            [.. sections.Select(section => section.Section.Component).Distinct()],
            sections.Select(section => section.Section.Part).Distinct().ToArray() is [var part] ? part : null,
            sections.Length,
            found.Sections.Count,
            sections.Count(section => section.FreeSeats > 0),
            WeekStamp.Of(sections, frame)
        );
    }
}

/// <param name="By">The side that is loosened, as its parameter is named.</param>
/// <param name="Value">The value allowed too; null when the side is dropped.</param>
/// <param name="More">Courses that it brings back.</param>
internal sealed record LooseningRecord(string By, string? Value, int More)
{
    public static LooseningRecord Of(Loosening loosening) =>
        new(
            loosening.By switch
            {
                NarrowedBy.Days => "day",
                var other => $"{other}".ToLowerInvariant(),
            },
            loosening.Value switch
            {
                DeliveryMode mode => Words.Modes.Write(mode),
                SeatsAdmitted rule => Words.SeatsRules.Write(rule),
                CampusId campus => campus.Value,
                _ => null,
            },
            loosening.More
        );
}

/// <param name="By">The side, as its parameter is named: subject, instructor or attribute.</param>
/// <param name="Value">The value.</param>
internal sealed record OfferRecord(string By, string Value);

/// <summary>Values whose words someone may have meant: an instructor, an attribute, a subject.</summary>
internal static class Offers
{
    private const int Most = 4;

    public static IReadOnlyList<OfferRecord> Of(CourseIndex index, string query, SearchNarrowing narrowing)
    {
        var words = FoldedText.WordsOf(query);
        if (words.Count == 0)
            return [];
        return
        [
            .. Meant("subject", index.Facets.Subjects, narrowing.Subjects, index.Snapshot.NameOf)
                .Concat(Meant("instructor", index.Facets.Instructors, narrowing.Instructors))
                .Concat(Meant("attribute", index.Facets.Attributes, narrowing.Attributes))
                .Take(Most),
        ];

        IEnumerable<OfferRecord> Meant(
            string by,
            IReadOnlyList<string> values,
            IReadOnlyList<string> already,
            Func<string, string?>? nameOf = null
        ) =>
            values
                .Where(value => !already.Contains(value))
                .Where(value => IsMeant(FoldedText.WordsOf($"{value} {nameOf?.Invoke(value)}"), words))
                .Select(value => new OfferRecord(by, value));
    }

    private static bool IsMeant(IReadOnlyList<string> value, IReadOnlyList<string> words) =>
        words.All(word => value.Any(one => one.StartsWith(word, StringComparison.Ordinal)));
}

internal sealed record FacetsRecord(
    IReadOnlyList<string> Subjects,
    IReadOnlyDictionary<string, int> CoursesBySubject,
    IReadOnlyList<string> Attributes,
    IReadOnlyList<string> Levels,
    IReadOnlyList<string> Instructors,
    IReadOnlyList<string> Components,
    IReadOnlyList<string> Campuses,
    IReadOnlyList<string> Modes,
    decimal MostCredits,
    int NotOffered
);
