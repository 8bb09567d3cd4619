using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using System.Xml.Linq;
using Ical.Net;

namespace HourGrid.Server.Tests;

/// <summary>Files of a timetable, and the address under which calendar programs find the choice.</summary>
public sealed class ExportTests(RunningServer server) : IClassFixture<RunningServer>
{
    private static JsonObject Body(params string[] sections) =>
        new() { ["name"] = "Mine", ["sections"] = new JsonArray([.. sections.Select(number => (JsonNode)number)]) };

    private static async Task<string[]> BestAsync(HttpClient student)
    {
        var page = new JsonObject
        {
            ["ask"] = Requests.AskFor("TID 210", "ACO 220"),
            ["first"] = 0,
            ["count"] = 1,
        };
        var shapes = await student.PostAsJsonAsync("/api/answers/week-shapes", page).JsonAsync();
        return [.. shapes["timetables"]![0]!["sections"]!.AsArray().Select(number => number!.GetValue<string>())];
    }

    [Theory]
    [InlineData("ics", "text/calendar", "BEGIN:VCALENDAR")]
    [InlineData("csv", "text/csv", "number,course")]
    [InlineData("txt", "text/plain", "Mine\n")]
    public async Task A_timetable_is_given_as_a_file(string extension, string type, string begin)
    {
        var student = await server.StudentAsync();
        var sections = await BestAsync(student);
        var file = await student.PostAsJsonAsync($"/api/terms/2027SP/timetable/{extension}", Body(sections));
        Assert.Equal(type, file.Content.Headers.ContentType?.MediaType);
        Assert.Equal($"timetable.{extension}", file.Content.Headers.ContentDisposition?.FileName);
        var text = await file.Content.ReadAsStringAsync();
        Assert.StartsWith(begin, text, StringComparison.Ordinal);
        Assert.All(sections, number => Assert.Contains(number, text, StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_timetable_is_given_as_a_picture_in_its_colours()
    {
        var student = await server.StudentAsync();
        var sections = await BestAsync(student);
        var svg = await PictureAsync("svg", "image/svg+xml", "light");
        var colours = XDocument
            .Parse(Encoding.UTF8.GetString(svg))
            .Descendants()
            .Attributes("fill")
            .Select(one => one.Value);
        Assert.Contains("#d2c4ea", colours);
        Assert.NotEqual(svg, await PictureAsync("svg", "image/svg+xml", "dark"));
        var png = await PictureAsync("png", "image/png", "dark");
        Assert.Equal("PNG"u8, png.AsSpan(1, 3));

        async Task<byte[]> PictureAsync(string extension, string type, string theme)
        {
            var body = Picture(theme, new JsonObject { ["TID 210"] = 8 }, sections);
            var file = await student.PostAsJsonAsync($"/api/terms/2027SP/timetable/{extension}", body);
            Assert.Equal(type, file.Content.Headers.ContentType?.MediaType);
            return await file.Content.ReadAsByteArrayAsync();
        }
    }

    [Theory]
    [InlineData("sepia", "{}", "theme")]
    [InlineData("light", "[]", "colours")]
    [InlineData("light", """{"TID 210": 9}""", "colours.TID 210")]
    [InlineData("light", """{"TID 210": "plum"}""", "colours")]
    public async Task A_picture_that_cannot_be_made_is_refused_by_its_place(string theme, string colours, string path)
    {
        var student = await server.StudentAsync();
        var body = Picture(theme, JsonNode.Parse(colours)!, "10217");
        var problem = await student.PostAsJsonAsync("/api/terms/2027SP/timetable/png", body).JsonAsync(400);
        Assert.Equal(path, problem["problems"]![0]!["path"]!.GetValue<string>());
    }

    private static JsonObject Picture(string theme, JsonNode colours, params string[] sections)
    {
        var body = Body(sections);
        body["theme"] = theme;
        body["colours"] = colours;
        return body;
    }

    [Fact]
    public async Task What_cannot_be_given_is_refused_in_words()
    {
        var student = await server.StudentAsync();
        await student.PostAsJsonAsync("/api/terms/1999XX/timetable/ics", Body("10231")).JsonAsync(404);
        await student.PostAsJsonAsync("/api/terms/2027SP/timetable/ics", Body("00000")).JsonAsync(422);
        await student.PostAsJsonAsync("/api/terms/2027SP/timetable/ics", new JsonObject()).JsonAsync(400);
        var nobody = server.Browser();
        Assert.Equal(
            HttpStatusCode.Unauthorized,
            (await nobody.PostAsJsonAsync("/api/terms/2027SP/timetable/ics", Body("10231"))).StatusCode
        );
    }

    [Fact]
    public async Task A_calendar_follows_the_choice_until_its_address_is_withdrawn()
    {
        var student = await server.StudentAsync();
        const string address = "/api/terms/2027SP/calendar-address";
        Assert.Null((await student.GetAsync(address).JsonAsync())["path"]);
        var path = (await student.PostAsync(address, null).JsonAsync())["path"]!.GetValue<string>();
        Assert.Equal(path, (await student.GetAsync(address).JsonAsync())["path"]!.GetValue<string>());

        var program = server.Browser();
        Assert.Empty(Calendar.Load(await program.GetStringAsync(path))!.Events);

        var sections = await BestAsync(student);
        var sketch = await student.OpenSketchAsync();
        await student
            .PutAsJsonAsync(
                "/api/terms/2027SP/picks",
                new JsonObject { ["version"] = 0, ["picks"] = Choice(sketch, sections) }
            )
            .JsonAsync();
        var calendar = Calendar.Load(await program.GetStringAsync(path))!;
        Assert.Equal(
            sections.Order(),
            calendar
                .Events.Select(one => one.Properties["X-REGISTRATION-NUMBER"]!.Value!.ToString()!)
                .Distinct()
                .Order()
        );

        // Another address takes the place of the first; withdrawn, there is none.
        var second = (await student.PostAsync(address, null).JsonAsync())["path"]!.GetValue<string>();
        Assert.NotEqual(path, second);
        await program.GetAsync(path).JsonAsync(404);
        (await student.DeleteAsync(address)).EnsureSuccessStatusCode();
        await program.GetAsync(second).JsonAsync(404);
    }

    [Fact]
    public async Task One_student_neither_sees_nor_withdraws_anothers_address()
    {
        var owner = await server.StudentAsync();
        var stranger = await server.StudentAsync();
        const string address = "/api/terms/2027SP/calendar-address";
        var path = (await owner.PostAsync(address, null).JsonAsync())["path"]!.GetValue<string>();
        Assert.Null((await stranger.GetAsync(address).JsonAsync())["path"]);
        await stranger.DeleteAsync(address);
        (await server.Browser().GetAsync(path)).EnsureSuccessStatusCode();
        await server.Browser().GetAsync($"/calendars/{new string('A', 43)}.ics").JsonAsync(404);
    }

    [Fact]
    public async Task Hours_of_a_calendar_come_as_time_blocks_by_the_clocks_of_the_campus()
    {
        var student = await server.StudentAsync();
        var roster =
            "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:1\r\nSUMMARY:Boatyard\r\nDTSTART:20270112T120000Z\r\n"
            + "DTEND:20270112T160000Z\r\nRRULE:FREQ=WEEKLY;COUNT=3\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
        const string path = "/api/terms/2027SP/calendar-hours";
        var hours = await student.PostAsJsonAsync(path, new JsonObject { ["calendar"] = roster }).JsonAsync();
        var block = hours["found"]![0]!["blocks"]![0]!;
        Assert.Equal(
            """{"days":["tue"],"start":"08:00","end":"12:00","strength":"cannot","weeks":[1,2,3],"label":"Boatyard"}""",
            block.ToJsonString()
        );
        // What comes out can be asked at once.
        var ask = Requests.AskFor("TID 210");
        ask["timeBlocks"] = new JsonArray(block.DeepClone());
        await student.PostAsJsonAsync("/api/answers", new JsonObject { ["ask"] = ask }).JsonAsync();

        await student.PostAsJsonAsync(path, new JsonObject { ["calendar"] = "no calendar" }).JsonAsync(400);
        await student.PostAsJsonAsync(path, new JsonObject { ["calendar"] = 3 }).JsonAsync(400);
        await student
            .PostAsJsonAsync("/api/terms/1999XX/calendar-hours", new JsonObject { ["calendar"] = roster })
            .JsonAsync(404);
    }

    private static JsonObject Choice(JsonNode sketch, string[] sections) =>
        new()
        {
            ["lineUp"] = new JsonArray(),
            ["choice"] = new JsonObject
            {
                ["sketch"] = sketch["id"]!.DeepClone(),
                ["fallbacks"] = new JsonArray(),
                ["timetable"] = new JsonObject
                {
                    ["id"] = Guid.NewGuid().ToString(),
                    ["name"] = "Mine",
                    ["sections"] = new JsonArray([
                        .. sections.Select(number => new JsonObject
                        {
                            ["number"] = number,
                            ["course"] = "TID 210",
                            ["component"] = "lecture",
                            ["label"] = "L01",
                            ["meetings"] = new JsonArray(),
                        }),
                    ]),
                },
            },
        };
}
