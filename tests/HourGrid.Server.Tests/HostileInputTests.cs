using System.Net;
using System.Text;
using System.Text.Json.Nodes;

namespace HourGrid.Server.Tests;

/// <summary>
/// Hostile and broken inputs at every door through which a student's files and texts come in: each is refused with a
/// sentence that says where and what, and nothing is changed.
/// </summary>
public sealed class HostileInputTests(RunningServer server) : IClassFixture<RunningServer>
{
    private const string Term = "/api/terms/2027SP";
    private const string Hours = $"{Term}/calendar-hours";
    private const string SketchFile = $"{Term}/sketches/file";
    private const string NewSketch = $"{Term}/sketches";
    private const string Answer = "/api/answers";
    private const string Csv = $"{Term}/timetable/csv";
    private const string Png = $"{Term}/timetable/png";
    private const string Picks = $"{Term}/picks";

    private static readonly JsonNode Sketch = JsonNode.Parse(
        File.ReadAllText(TestPaths.Repository("demo", "two-plans.sketch.json"))
    )!;

    private static readonly JsonNode Ask = Sketch["ask"]!;

    public static TheoryData<string, string, string> Inputs()
    {
        var inputs = new TheoryData<string, string, string>();
        foreach (var (door, what, body) in All())
            inputs.Add(door, what, body);
        return inputs;
    }

    [Fact]
    public void There_are_at_least_sixty() => Assert.True(All().Count() >= 60);

    [Theory]
    [MemberData(nameof(Inputs))]
    public async Task Each_is_refused_in_words_and_changes_nothing(string door, string what, string body)
    {
        var student = await server.StudentAsync();
        await student.PostAsync($"{Term}/sketch", null).JsonAsync();
        var before = await StateAsync(student);
        using var content = new StringContent(body, Encoding.UTF8, "application/json");
        var answer = await student.SendAsync(
            new(door == Picks ? HttpMethod.Put : HttpMethod.Post, door) { Content = content }
        );
        Assert.True(
            answer.StatusCode
                is HttpStatusCode.BadRequest
                    or HttpStatusCode.UnprocessableEntity
                    or HttpStatusCode.RequestEntityTooLarge,
            $"{what}: {answer.StatusCode}"
        );
        Assert.Equal("application/problem+json", answer.Content.Headers.ContentType?.MediaType);
        var detail = JsonNode.Parse(await answer.Content.ReadAsStringAsync())!["detail"]?.GetValue<string>();
        Assert.False(string.IsNullOrWhiteSpace(detail), what);
        // It says what is wrong, not what went wrong inside.
        Assert.DoesNotContain("Exception", detail, StringComparison.Ordinal);
        Assert.DoesNotContain(" at HourGrid", detail, StringComparison.Ordinal);
        Assert.Equal(before, await StateAsync(student));
    }

    private static async Task<string> StateAsync(HttpClient student) =>
        await student.GetStringAsync($"{Term}/sketches") + await student.GetStringAsync(Picks);

    private static IEnumerable<(string Door, string What, string Body)> All() =>
        [.. Calendars(), .. SketchFiles(), .. Asks(), .. Exports(), .. OfPicks(), .. NoJson()];

    private static IEnumerable<(string, string, string)> Calendars()
    {
        (string, string)[] texts =
        [
            ("nothing", ""),
            ("spaces", "   \r\n"),
            ("zeroes", "\0\0\0\0\0"),
            ("JSON", "{\"events\": []}"),
            ("a page", "<html><script>alert(1)</script></html>"),
            ("a table", "day,start,end\r\nmon,9,12"),
            ("a contact", "BEGIN:VCARD\r\nVERSION:4.0\r\nFN:A\r\nEND:VCARD"),
            ("an event without a calendar", "BEGIN:VEVENT\r\nUID:1\r\nEND:VEVENT"),
            ("only the word", "VCALENDAR"),
            ("a line that is no property", "BEGIN:VCALENDAR\r\n" + new string('x', 1_000) + "\r\nEND:VCALENDAR"),
            ("never an end", string.Concat(Enumerable.Repeat("BEGIN:VCALENDAR\r\n", 3)) + "END:VEVENT"),
            (
                "twenty thousand open parts",
                "BEGIN:VCALENDAR\r\n" + string.Concat(Enumerable.Repeat("BEGIN:VALARM\r\n", 20_000))
            ),
            ("an interval of none", Event("RRULE:FREQ=WEEKLY;INTERVAL=0")),
            ("more events than are taken", Events(1_001)),
            ("more text than is taken", "BEGIN:VCALENDAR\r\n" + new string('\n', 900_001)),
        ];
        foreach (var (what, text) in texts)
            yield return (Hours, $"calendar: {what}", new JsonObject { ["calendar"] = text }.ToJsonString());
        yield return (Hours, "calendar: a number", """{"calendar": 5}""");
        yield return (Hours, "calendar: null", """{"calendar": null}""");
        yield return (Hours, "calendar: missing", "{}");
    }

    private static IEnumerable<(string, string, string)> SketchFiles()
    {
        yield return Changed("another format", sketch => sketch["format"] = "hour-grid-catalogue");
        yield return Changed("a later version", sketch => sketch["version"] = 2);
        yield return Changed("no name", sketch => sketch.Remove("name"));
        yield return Changed("a blank name", sketch => sketch["name"] = " \t ");
        yield return Changed("a name too long", sketch => sketch["name"] = new string('a', 81));
        yield return Changed("a name that is a list", sketch => sketch["name"] = new JsonArray("a"));
        yield return Changed("a name that is an object", sketch => sketch["name"] = new JsonObject());
        yield return Changed("no ask", sketch => sketch.Remove("ask"));
        yield return Changed("an ask of another term", sketch => sketch["ask"]!["term"] = "2026AU");
        yield return Changed("an ask of no term", sketch => sketch["ask"]!["term"] = "1999XX");
        yield return Changed("a course there is not", sketch => sketch["ask"]!["wanted"]![0]!["course"] = "XXX 999");
        yield return Changed("a shortlist too long", sketch => sketch["shortlist"] = Repeated(sketch, 31));
        yield return Changed(
            "the same timetable twice",
            sketch => sketch["shortlist"] = Repeated(sketch, 2, sameId: true)
        );
        yield return Changed("a timetable without sections", sketch => First(sketch)["sections"] = new JsonArray());
        yield return Changed("an id that is none", sketch => First(sketch)["id"] = "../../etc/passwd");
        yield return Changed("a note too long", sketch => First(sketch)["note"] = new string('n', 1_001));
        yield return Changed("a meeting that ends before it starts", sketch => Meeting(sketch)["end"] = "00:00");
        yield return Changed("a day there is not", sketch => Meeting(sketch)["day"] = "'; DROP TABLE Sketches; --");
        yield return Changed("a week there is not", sketch => Meeting(sketch)["weeks"] = new JsonArray(65));
        yield return Changed(
            "the same section twice",
            sketch => First(sketch)["sections"]!.AsArray().Add(First(sketch)["sections"]![0]!.DeepClone())
        );

        static (string, string, string) Changed(string what, Action<JsonObject> change) =>
            (SketchFile, $"sketch: {what}", With(Sketch, change));
        static JsonNode First(JsonObject sketch) => sketch["shortlist"]![0]!;
        static JsonNode Meeting(JsonObject sketch) => First(sketch)["sections"]![0]!["meetings"]![0]!;
        static JsonArray Repeated(JsonObject sketch, int times, bool sameId = false) =>
            [
                .. Enumerable
                    .Range(0, times)
                    .Select(_ =>
                    {
                        var one = First(sketch).DeepClone();
                        one["id"] = sameId ? one["id"]!.DeepClone() : Guid.NewGuid().ToString();
                        return one;
                    }),
            ];
    }

    private static IEnumerable<(string, string, string)> Asks()
    {
        yield return Changed("time that is none", ask => Block(ask, block => block["start"] = "25:00"));
        yield return Changed("hours the wrong way round", ask => Block(ask, block => block["end"] = "07:00"));
        yield return Changed("no day", ask => Block(ask, block => block["days"] = new JsonArray()));
        yield return Changed("a label too long", ask => Block(ask, block => block["label"] = new string('x', 201)));
        yield return Changed("a strength there is not", ask => Block(ask, block => block["strength"] = "maybe"));
        yield return Changed(
            "more blocks than are taken",
            ask => ask["timeBlocks"] = new JsonArray([.. Enumerable.Range(0, 501).Select(_ => (JsonNode)NewBlock())])
        );
        yield return Changed("a role there is not", ask => ask["wanted"]![0]!["role"] = "perhaps");
        yield return Changed(
            "the same course twice",
            ask => ask["wanted"]!.AsArray().Add(ask["wanted"]![0]!.DeepClone())
        );
        yield return Changed("a weight below nothing", ask => ask["weights"] = new JsonObject { ["idle"] = -1 });
        yield return Changed(
            "credits the wrong way round",
            ask => ask["credits"] = new JsonObject { ["min"] = 18, ["max"] = 3 }
        );
        yield return Changed("a number beyond all", ask => ask["dayLimits"] = new JsonObject { ["maxDays"] = 1e300 });
        yield return Changed("wanted that is a text", ask => ask["wanted"] = "all of them");

        yield return (
            NewSketch,
            "new sketch: no name",
            new JsonObject { ["ask"] = Ask.DeepClone(), ["shortlist"] = new JsonArray() }.ToJsonString()
        );
        yield return (
            NewSketch,
            "new sketch: an ask nested beyond reason",
            "{\"name\": \"A\", \"ask\": " + new string('[', 10_000) + new string(']', 10_000) + "}"
        );

        static (string, string, string) Changed(string what, Action<JsonObject> change) =>
            (Answer, $"ask: {what}", new JsonObject { ["ask"] = JsonNode.Parse(With(Ask, change)) }.ToJsonString());
        static void Block(JsonObject ask, Action<JsonObject> change)
        {
            var block = NewBlock();
            change(block);
            ask["timeBlocks"] = new JsonArray(block);
        }
        static JsonObject NewBlock() =>
            new()
            {
                ["days"] = new JsonArray("mon"),
                ["start"] = "08:00",
                ["end"] = "09:00",
                ["strength"] = "cannot",
            };
    }

    private static IEnumerable<(string, string, string)> Exports()
    {
        yield return (Csv, "export: no section", """{"name": "A", "sections": []}""");
        yield return (Csv, "export: a section of no term", """{"name": "A", "sections": ["00000"]}""");
        yield return (Csv, "export: sections that are numbers", """{"name": "A", "sections": [10217]}""");
        yield return (
            Csv,
            "export: a name too long",
            $$"""{"name": "{{new string('A', 81)}}", "sections": ["10217"]}"""
        );
        yield return (
            Csv,
            "export: more sections than are taken",
            new JsonObject
            {
                ["name"] = "A",
                ["sections"] = new JsonArray([.. Enumerable.Range(0, 81).Select(i => (JsonNode)$"{i:00000}")]),
            }.ToJsonString()
        );
        yield return (Png, "picture: no theme", """{"name": "A", "sections": ["10217"], "colours": {}}""");
        yield return (
            Png,
            "picture: a colour that is code",
            """{"name": "A", "sections": ["10217"], "theme": "dark", "colours": {"TID 210": "red;}</style>"}}"""
        );
        yield return (
            Png,
            "picture: a colour there is not",
            """{"name": "A", "sections": ["10217"], "theme": "dark", "colours": {"TID 210": 0}}"""
        );
    }

    private static IEnumerable<(string, string, string)> OfPicks()
    {
        yield return (Picks, "picks: no version", """{"picks": {"lineUp": []}}""");
        yield return (
            Picks,
            "picks: a line-up of nine",
            new JsonObject
            {
                ["version"] = 0,
                ["picks"] = new JsonObject
                {
                    ["lineUp"] = new JsonArray([
                        .. Enumerable
                            .Range(0, 9)
                            .Select(_ =>
                                (JsonNode)
                                    new JsonObject
                                    {
                                        ["sketch"] = Guid.NewGuid().ToString(),
                                        ["timetable"] = Guid.NewGuid().ToString(),
                                    }
                            ),
                    ]),
                },
            }.ToJsonString()
        );
        yield return (
            Picks,
            "picks: a choice that is a text",
            """{"version": 0, "picks": {"lineUp": [], "choice": "the best"}}"""
        );
    }

    private static IEnumerable<(string, string, string)> NoJson()
    {
        yield return (SketchFile, "a file broken off", Sketch.ToJsonString()[..200]);
        yield return (SketchFile, "no JSON", "format=hour-grid-sketch&version=1");
        yield return (Answer, "nothing", "");
        yield return (Answer, "a list", "[]");
        yield return (Csv, "a text", "\"10217\"");
        yield return (SketchFile, "more than is taken", "{\"name\": \"" + new string('a', 1_100_000) + "\"}");
    }

    private static string With(JsonNode original, Action<JsonObject> change)
    {
        var copy = original.DeepClone().AsObject();
        change(copy);
        return copy.ToJsonString();
    }

    private static string Event(string more) =>
        $"BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART:20270112T080000\r\n{more}\r\nEND:VEVENT\r\nEND:VCALENDAR";

    private static string Events(int count) =>
        "BEGIN:VCALENDAR\r\n"
        + string.Concat(
            Enumerable
                .Range(0, count)
                .Select(i => $"BEGIN:VEVENT\r\nUID:{i}\r\nDTSTART:20270112T080000\r\nEND:VEVENT\r\n")
        )
        + "END:VCALENDAR";
}
