using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace HourGrid.Server.Tests;

/// <summary>
/// One student's data cannot be reached by another: every endpoint of the API's description is tried with the other's ids, so
/// that a new one cannot be forgotten.
/// </summary>
public sealed partial class DoorsTests(RunningServer server) : IClassFixture<RunningServer>
{
    private const string Marker = "Only for its student";

    /// <summary>What anybody may ask, who has never been here.</summary>
    private static readonly string[] Open =
    [
        "GET /api/me",
        "GET /api/terms",
        "GET /api/terms/{term}/courses",
        "GET /api/terms/{term}/courses/{course}",
        "GET /api/terms/{term}/facets",
        "GET /api/terms/{term}/search",
        "POST /api/terms/{term}/numbers",
        "POST /api/visit",
    ];

    [Fact]
    public async Task No_door_leads_to_what_is_anothers()
    {
        var owner = await server.StudentAsync();
        var sketch = await OwnedAsync(owner);
        var before = await AllOfAsync(owner);
        Assert.Contains(Marker, before, StringComparison.Ordinal);

        var other = await server.StudentAsync();
        await other.OpenSketchAsync();
        var tried = 0;
        // Who signs out is nobody any more.
        foreach (var (method, path) in Endpoints().Where(one => one.Path != "/api/sign-out"))
        {
            var address = Parameter()
                .Replace(
                    path,
                    found =>
                        found.Groups[1].Value switch
                        {
                            "term" => "2027SP",
                            "course" => "TID 210",
                            "id" => sketch["id"]!.GetValue<string>(),
                            "hold" => "H1",
                            var unknown => throw new InvalidOperationException(
                                $"{path}: tell this test whose {unknown} is to be tried."
                            ),
                        }
                );
            using var request = new HttpRequestMessage(new(method), address)
            {
                Content = method == "GET" ? null : JsonContent.Create(BodyWith(sketch)),
            };
            using var answer = await other.SendAsync(request, HttpCompletionOption.ResponseHeadersRead);
            var text = await TextAsync(answer);
            Assert.DoesNotContain(Marker, text, StringComparison.Ordinal);
            if (path.Contains("{id}", StringComparison.Ordinal))
            {
                Assert.True(
                    answer.StatusCode == HttpStatusCode.NotFound,
                    $"{method} {path}: {answer.StatusCode} {text}"
                );
                tried++;
            }
        }
        Assert.True(tried >= 9);
        Assert.Equal(before, await AllOfAsync(owner));
    }

    /// <summary>Some id of the kind that stands in a path: seat notices are counted, all else has ids that are drawn.</summary>
    private static string IdIn(string path) =>
        path.Contains("seat-notices", StringComparison.Ordinal) ? "1" : $"{Guid.NewGuid()}";

    [Fact]
    public async Task Who_was_never_here_is_asked_to_visit_first()
    {
        var open = new List<string>();
        foreach (var (method, path) in Endpoints())
        {
            var address = Parameter().Replace(path, found => found.Groups[1].Value == "id" ? IdIn(path) : "2027SP");
            using var request = new HttpRequestMessage(new(method), address)
            {
                Content = method == "GET" ? null : JsonContent.Create(new JsonObject()),
            };
            using var answer = await server.Browser().SendAsync(request);
            if (answer.StatusCode != HttpStatusCode.Unauthorized)
                open.Add($"{method} {path}");
        }
        Assert.Equal(Open, open.Order(StringComparer.Ordinal));
    }

    /// <summary>What was answered; of news, which do not end, what is told at once.</summary>
    private static async Task<string> TextAsync(HttpResponseMessage answer)
    {
        if (answer.Content.Headers.ContentType?.MediaType != "text/event-stream")
            return await answer.Content.ReadAsStringAsync();
        var first = new byte[1000];
        return Encoding.UTF8.GetString(first, 0, await (await answer.Content.ReadAsStreamAsync()).ReadAsync(first));
    }

    /// <summary>A sketch, a line-up, a choice, an address of a calendar, and a plan.</summary>
    private static async Task<JsonNode> OwnedAsync(HttpClient owner)
    {
        var sketch = await owner.OpenSketchAsync();
        sketch["name"] = Marker;
        var saved = (await owner.SaveAsync(sketch, Requests.AskFor("TID 210")).JsonAsync())["sketch"]!;
        await owner.PostAsync("/api/terms/2027SP/calendar-address", null).JsonAsync();
        await owner
            .PutAsJsonAsync("/api/plan", new JsonObject { ["version"] = 0, ["plan"] = PlanOf(Marker) })
            .JsonAsync();
        return saved;
    }

    private static JsonObject PlanOf(string course) =>
        new()
        {
            ["entries"] = new JsonArray(
                new JsonObject
                {
                    ["id"] = "a",
                    ["term"] = "2027AU",
                    ["course"] = course,
                }
            ),
        };

    private static async Task<string> AllOfAsync(HttpClient owner)
    {
        var all = new JsonArray();
        foreach (var path in new[] { "sketches", "picks", "calendar-address" })
            all.Add(await owner.GetAsync($"/api/terms/2027SP/{path}").JsonAsync());
        all.Add(await owner.GetAsync("/api/plan").JsonAsync());
        return all.ToJsonString();
    }

    /// <summary>What any endpoint reads, with the ids of the other: each takes what it knows and leaves the rest.</summary>
    private static JsonObject BodyWith(JsonNode sketch) =>
        new()
        {
            ["version"] = sketch["version"]!.DeepClone(),
            ["name"] = "Taken over",
            ["ask"] = Requests.AskFor("WRT 101"),
            ["shortlist"] = new JsonArray(),
            ["timetables"] = new JsonArray(),
            ["ids"] = new JsonArray(sketch["id"]!.DeepClone()),
            ["picks"] = new JsonObject
            {
                ["lineUp"] = new JsonArray(
                    new JsonObject { ["sketch"] = sketch["id"]!.DeepClone(), ["timetable"] = $"{Guid.NewGuid()}" }
                ),
                ["baseline"] = null,
                ["choice"] = null,
            },
            ["plan"] = PlanOf("WRT 101"),
            ["programme"] = "COAST",
            ["requirement"] = "humanities",
            ["courses"] = new JsonArray("TID 210"),
            ["course"] = "TID 210",
            ["beside"] = new JsonArray(),
            ["sections"] = new JsonArray("10214"),
            ["first"] = 0,
            ["count"] = 1,
            ["taken"] = new JsonArray(),
            ["text"] = "10214",
            ["calendar"] = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nEND:VCALENDAR\r\n",
            ["theme"] = "light",
            ["colours"] = new JsonObject(),
        };

    private static IEnumerable<(string Method, string Path)> Endpoints() =>
        from path in JsonNode.Parse(
            File.ReadAllText(TestPaths.Repository("artifacts", "openapi", "hour-grid.json"))
        )!["paths"]!.AsObject()
        from operation in path.Value!.AsObject()
        select (operation.Key.ToUpperInvariant(), path.Key);

    [GeneratedRegex(@"\{(\w+)\}")]
    private static partial Regex Parameter();
}
