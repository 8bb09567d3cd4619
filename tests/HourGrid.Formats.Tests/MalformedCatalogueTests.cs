using System.Text;
using System.Text.Json.Nodes;
using HourGrid.Formats.Catalogue;
using HourGrid.Formats.Json;

namespace HourGrid.Formats.Tests;

/// <summary>
/// One malformed file for each rule of the catalogue format: the small catalogue with a single thing wrong, refused with
/// its place, what was found and what was expected.
/// </summary>
public sealed class MalformedCatalogueTests
{
    private const string Lecture = "courses[0].sections[0]";
    private const string Lab = "courses[0].sections[1]";
    private const string Nothing = "nothing";
    private const string Credits = "credits from 0 to 100, two decimals at most";
    private const string Date = "a date such as 2027-01-11";
    private const string Filled = "text that is not empty";
    private const string Figure = "a whole number, 0 to 1000000";
    private const string KnownCampus = "the id of one of the campuses";
    private const string Time = "a time such as 09:30";

    /// <summary>A place, what stands there instead, and what is expected; the place refused is the same.</summary>
    public static TheoryData<string, string, string> Wrong =>
        new()
        {
            { "format", "\"catalogue\"", "\"hour-grid-catalogue\"" },
            { "format", Nothing, "text" },
            { "version", "2", "1, the only version there is" },
            { "version", "\"1\"", "a whole number, 1 or more" },
            { "institution", "\"\"", Filled },
            { "institution", Nothing, "text" },
            { "campuses", "{}", "a list" },
            { "campuses[0]", "\"HAR\"", "an object" },
            { "campuses[0].id", "\" \"", Filled },
            { "campuses[0].id", Text(41), "40 at most" },
            { "campuses[1].id", "\"HAR\"", "each campus once" },
            { "campuses[0].name", Nothing, "text" },
            { "travel", "\"none\"", "a list" },
            { "travel[0].from", "\"HAA\"", KnownCampus },
            { "travel[0].to", "\"KLM\"", KnownCampus },
            { "travel[0].minutes", "-1", "a whole number, 0 to 1440" },
            { "travel[0].minutes", "1441", "a whole number, 0 to 1440" },
            { "terms", "3", "a list" },
            { "terms[0].name", "\"\"", Filled },
            { "terms[0].start", Nothing, Date },
            { "terms[0].end", "\"2027-02-30\"", Date },
            { "terms[0].end", "\"2027-01-12\"", "a date not before 2027-01-13" },
            { "terms[0].end", "\"2028-12-31\"", "a date within 64 weeks of the start" },
            { "terms[0].noClass", "true", "a list" },
            { "terms[0].noClass[0].from", "\"8 March\"", Date },
            { "terms[0].noClass[0].to", "\"2027-03-07\"", "a date not before 2027-03-08" },
            { "terms[0].noClass[0].name", "\"\"", Filled },
            { "terms[0].parts[0].id", Nothing, "text" },
            { "terms[0].parts[0].name", Nothing, "text" },
            { "terms[0].parts[0].start", "20270113", Date },
            { "terms[0].parts[0].end", "\"2026-12-31\"", "a date not before 2027-01-13" },
            { "courses", Nothing, "a list of courses" },
            { "courses", "{}", "a list" },
            { "courses[0]", "[]", "an object" },
            { "courses[0].id", Nothing, "text" },
            { "courses[0].id", Text(41), "40 at most" },
            { "courses[0].subject", "\"\"", Filled },
            { "courses[0].number", "210", "text" },
            { "courses[0].title", "\" \"", Filled },
            { "courses[0].title", Text(201), "200 at most" },
            { "courses[0].description", Text(4001), "4000 at most" },
            { "courses[0].credits", Nothing, "a number" },
            { "courses[0].credits", "4.125", Credits },
            { "courses[0].credits", "-1", Credits },
            { "courses[0].credits", "100.5", Credits },
            { "courses[0].level", "3", "text" },
            { "courses[0].attributes", "\"Natural science\"", "a list" },
            { "courses[0].prerequisites", "\"TID 110\"", "an object" },
            { "courses[0].prerequisites", "{}", "just one of all, any, course, exam" },
            { "courses[0].prerequisites.all", "[]", "a list of at least one condition" },
            { "courses[0].prerequisites.all[0].course", "\"\"", Filled },
            { "courses[0].prerequisites.all[0].minGrade", "\"very good!!\"", "10 at most" },
            { "courses[0].prerequisites.all[1].any[1].exam", "\"\"", Filled },
            { "courses[0].prerequisites.all[1].any[1].minScore", "\"4\"", "a number" },
            { "courses[0].corequisites", "\"TID 211\"", "a list" },
            { "courses[0].corequisites[0]", "211", "text" },
            { "courses[0].restrictions[0].kind", "\"\"", Filled },
            { "courses[0].restrictions[0].anyOf", "\"Coastal science\"", "a list" },
            { "courses[0].sections", "{}", "a list" },
            { Lecture, "10231", "an object" },
            { $"{Lecture}.number", Nothing, "text" },
            { $"{Lecture}.number", "10231", "text" },
            { $"{Lab}.number", "\"10231\"", "each number once in 2027SP" },
            { $"{Lecture}.label", Text(41), "40 at most" },
            { $"{Lecture}.term", "\"1999XX\"", "the id of one of the terms" },
            { $"{Lecture}.component", "\"\"", Filled },
            { $"{Lecture}.arrangement", "1", "text" },
            { $"{Lab}.part", "\"H9\"", "the id of one of the parts of 2027SP" },
            { $"{Lecture}.credits", "\"4\"", "a number" },
            { $"{Lecture}.credits", "101", Credits },
            { $"{Lab}.mode", "\"remote\"", "one of inPerson, hybrid, onlineLive, online" },
            { $"{Lab}.campus", "\"XXX\"", KnownCampus },
            { $"{Lecture}.instructors", "\"R. Aldous\"", "a list" },
            { $"{Lecture}.capacity", "-1", Figure },
            { $"{Lecture}.capacity", "2.5", Figure },
            { $"{Lecture}.enrolled", "1000001", Figure },
            { $"{Lecture}.waitlistCapacity", "\"10\"", Figure },
            { $"{Lecture}.waitlisted", "-1", Figure },
            { $"{Lecture}.status", "\"full\"", "one of open, closed, cancelled" },
            { $"{Lecture}.consent", "\"yes\"", "true or false" },
            { $"{Lecture}.notes", Text(2001), "2000 at most" },
            { $"{Lab}.linkedTo", "\"10231\"", "a list" },
            { $"{Lab}.linkedTo[0]", "\"99999\"", "the number of a section of the same course and term" },
            { $"{Lab}.linkedTo[0]", "\"10240\"", "a section of another component" },
            { $"{Lecture}.seatsShared", "\"\"", Filled },
            { $"{Lecture}.meetings", "\"Mon 9:30\"", "a list" },
            { $"{Lecture}.meetings[0]", "\"Mon 9:30\"", "an object" },
            { $"{Lecture}.meetings[0].days", "[]", "a list of at least one weekday, mon to sun" },
            { $"{Lecture}.meetings[0].days[1]", "\"Wed\"", "one of mon, tue, wed, thu, fri, sat, sun" },
            { $"{Lecture}.meetings[0].start", "\"24:01\"", Time },
            { $"{Lecture}.meetings[0].end", "\"1045\"", Time },
            { $"{Lecture}.meetings[0].end", "645", "text" },
            { $"{Lecture}.meetings[0].end", Nothing, Time },
            { $"{Lecture}.meetings[0].end", "\"09:30\"", "a time after 09:30" },
            { $"{Lecture}.meetings[0].room", "114", "text" },
            { $"{Lecture}.meetings[0].campus", "\"XXX\"", KnownCampus },
            { $"{Lecture}.meetings[0].from", "\"11/01/2027\"", Date },
            { $"{Lab}.meetings[0].from", "\"2026-12-01\"", "a date in the term, 2027-01-11 or later" },
            { $"{Lecture}.meetings[0].to", "\"2027-01-01\"", "a date not before 2027-01-13" },
            { $"{Lecture}.meetings[0].to", "\"2028-12-31\"", "a date within 64 weeks of the term's start" },
            { $"{Lab}.meetings[0].everyWeeks", "0", "a whole number, 1 to 64" },
            { $"{Lab}.meetings[0].everyWeeks", "65", "a whole number, 1 to 64" },
        };

    /// <summary>The same, refused at another place than the one that was changed.</summary>
    public static TheoryData<string, string, string, string> WrongElsewhere =>
        new()
        {
            { "courses[0].credits", """{ "min": 3, "max": 2 }""", "courses[0].credits.max", "3 or more" },
            { "courses[0].credits", """{ "max": 2 }""", "courses[0].credits.min", "a number" },
            {
                "courses[0].prerequisites.all[1].any[1].course",
                "\"MTH 1\"",
                "courses[0].prerequisites.all[1].any[1]",
                "just one of all, any, course, exam"
            },
            { "terms[0].id", "\"2027FA\"", $"{Lecture}.term", "the id of one of the terms" },
        };

    /// <summary>A list, one of whose items stands twice in it.</summary>
    public static TheoryData<string, string, string> Twice =>
        new()
        {
            { "terms", "terms[1].id", "each term once" },
            { "terms[0].parts", "terms[0].parts", "each part once; H1 stands twice" },
            { "courses", "courses[1].id", "each course once" },
        };

    [Theory]
    [MemberData(nameof(Wrong))]
    public void What_is_wrong_is_refused_with_its_place(string place, string json, string expected) =>
        AssertRefused(With(place, json), place, expected);

    [Theory]
    [MemberData(nameof(WrongElsewhere))]
    public void What_is_wrong_is_refused_where_it_shows(string place, string json, string path, string expected) =>
        AssertRefused(With(place, json), path, expected);

    [Theory]
    [MemberData(nameof(Twice))]
    public void What_stands_twice_is_refused(string list, string path, string expected)
    {
        var file = JsonNode.Parse(CatalogueReaderTests.Small)!;
        var (parent, key) = Parent(file, list);
        var items = parent[key]!.AsArray();
        items.Add(items[0]!.DeepClone());
        AssertRefused(file.ToJsonString(), path, expected);
    }

    [Fact]
    public void A_field_that_stands_twice_is_refused() =>
        AssertRefused(
            CatalogueReaderTests.Small.Replace(
                "\"capacity\": 60",
                "\"capacity\": 60, \"capacity\": 61",
                StringComparison.Ordinal
            ),
            $"{Lecture}.capacity",
            "each field once"
        );

    private static void AssertRefused(string json, string path, string expected)
    {
        var refused = Assert.Throws<FormatProblemsException>(() => CatalogueJson.Read(Encoding.UTF8.GetBytes(json)));
        Assert.Contains((path, expected), refused.Problems.Select(problem => (problem.Path, problem.Expected)));
        Assert.All(refused.Problems, problem => Assert.NotEqual("", problem.Found));
    }

    private static string Text(int length) => $"\"{new string('a', length)}\"";

    private static string With(string place, string json)
    {
        var file = JsonNode.Parse(CatalogueReaderTests.Small)!;
        var (parent, key) = Parent(file, place);
        if (json == Nothing)
            parent.AsObject().Remove(key);
        else if (parent is JsonArray list)
            list[int.Parse(key, System.Globalization.CultureInfo.InvariantCulture)] = JsonNode.Parse(json);
        else
            parent[key] = JsonNode.Parse(json);
        return file.ToJsonString();
    }

    /// <summary>What holds the value at a path, and its key or index there.</summary>
    private static (JsonNode Parent, string Key) Parent(JsonNode file, string path)
    {
        var keys = path.Split('.', '[').Select(key => key.TrimEnd(']')).ToArray();
        return (keys[..^1].Aggregate(file, Child), keys[^1]);
    }

    private static JsonNode Child(JsonNode node, string key) =>
        node is JsonArray list
            ? list[int.Parse(key, System.Globalization.CultureInfo.InvariantCulture)]!
            : node[key]!;
}
