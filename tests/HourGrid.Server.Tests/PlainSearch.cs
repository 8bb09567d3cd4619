using System.Text.Json.Nodes;

namespace HourGrid.Server.Tests;

/// <summary>The narrowing of the Catalogue as one would write it first, on the catalogue file itself.</summary>
internal sealed class PlainSearch
{
    private const string Term = "2027SP";

    private static readonly JsonNode File = JsonNode.Parse(
        System.IO.File.ReadAllText(TestPaths.Repository("demo", "saltmere.catalogue.json"))
    )!;

    /// <summary>Courses with a section in the term, by code.</summary>
    public static string[] Offered { get; } =
    [
        .. File["courses"]!
            .AsArray()
            .Where(course => SectionsOf(course!).Length > 0)
            .Select(course => Text(course!, "id"))
            .Order(StringComparer.Ordinal),
    ];

    public static JsonNode[] Sections { get; } =
    [.. File["courses"]!.AsArray().SelectMany(course => SectionsOf(course!))];

    public static JsonNode[] Courses { get; } = [.. File["courses"]!.AsArray().OfType<JsonNode>()];

    /// <summary>The courses that pass, of those given.</summary>
    /// <param name="among">Codes of the courses that match the words.</param>
    /// <param name="narrowing">Values by the name of their parameter.</param>
    public static string[] Shown(IEnumerable<string> among, IReadOnlyDictionary<string, string[]> narrowing)
    {
        var wanted = among.ToHashSet();
        return
        [
            .. Courses
                .Where(course => wanted.Contains(Text(course, "id")))
                .Where(course => SectionsOf(course).Any(section => Passes(course, section, narrowing)))
                .Select(course => Text(course, "id"))
                .Order(StringComparer.Ordinal),
        ];
    }

    private static JsonNode[] SectionsOf(JsonNode course) =>
        [
            .. (course["sections"]?.AsArray() ?? [])
                .OfType<JsonNode>()
                .Where(section => Text(section, "term") == Term && Text(section, "status", "open") != "cancelled"),
        ];

    private static bool Passes(JsonNode course, JsonNode section, IReadOnlyDictionary<string, string[]> narrowing) =>
        narrowing.All(side => side.Value.Length == 0 || Passes(course, section, side.Key, side.Value));

    private static bool Passes(JsonNode course, JsonNode section, string side, string[] values)
    {
        var meetings = (section["meetings"]?.AsArray() ?? []).OfType<JsonNode>().ToArray();
        switch (side)
        {
            case "subject":
                return values.Contains(Text(course, "subject"));
            case "attribute":
                return Texts(course, "attributes").Any(values.Contains);
            case "level":
                return values.Contains(Text(course, "level"));
            case "component":
                return values.Contains(Text(section, "component"));
            case "instructor":
                return Texts(section, "instructors").Any(values.Contains);
            case "mode":
                return values.Contains(Text(section, "mode", "inPerson"));
            case "part":
                return values.Contains(Text(section, "part", "whole"));
            case "campus":
                return CampusesOf(section, meetings).All(values.Contains);
            case "day":
                return meetings.SelectMany(meeting => Texts(meeting, "days")).All(values.Contains);
            case "hours":
                var hours = values[0].Split('-');
                return meetings.All(meeting =>
                    string.CompareOrdinal(Text(meeting, "start"), hours[0]) >= 0
                    && string.CompareOrdinal(Text(meeting, "end"), hours[1]) <= 0
                );
            case "credits":
                var range = values[0].Split('-').Select(decimal.Parse).ToArray();
                var (min, max) = CreditsOf(section["credits"] ?? course["credits"]!);
                return max >= range[0] && min <= range[1];
            case "seats":
                return HasSeat(section)
                    || (
                        values[0] == "waitlist" && Number(section, "waitlisted") < Number(section, "waitlistCapacity")
                    );
            default:
                throw new ArgumentException($"No side {side}.");
        }
    }

    private static IEnumerable<string> CampusesOf(JsonNode section, JsonNode[] meetings)
    {
        if (section["campus"] is { } campus && Text(section, "mode") is not ("online" or "onlineLive"))
            yield return campus.GetValue<string>();
        foreach (var meeting in meetings)
            if (Text(meeting, "campus") is { Length: > 0 } its)
                yield return its;
    }

    private static bool HasSeat(JsonNode section)
    {
        var pool = Text(section, "seatsShared");
        var enrolled =
            pool.Length == 0
                ? Number(section, "enrolled")
                : Courses
                    .SelectMany(course => (course["sections"]?.AsArray() ?? []).OfType<JsonNode>())
                    .Where(other => Text(other, "term") == Term && Text(other, "seatsShared") == pool)
                    .Sum(other => Number(other, "enrolled"));
        return Text(section, "status", "open") == "open" && enrolled < Number(section, "capacity");
    }

    private static (decimal Min, decimal Max) CreditsOf(JsonNode credits) =>
        credits is JsonObject range
            ? (range["min"]!.GetValue<decimal>(), range["max"]!.GetValue<decimal>())
            : (credits.GetValue<decimal>(), credits.GetValue<decimal>());

    public static string Text(JsonNode node, string field, string absent = "") =>
        node[field]?.GetValue<string>() ?? absent;

    public static IEnumerable<string> Texts(JsonNode node, string field) =>
        (node[field]?.AsArray() ?? []).Select(item => item!.GetValue<string>());

    private static int Number(JsonNode node, string field) => node[field]?.GetValue<int>() ?? 0;
}
