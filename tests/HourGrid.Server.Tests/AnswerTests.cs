using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using HourGrid.Core.Catalogue;
using HourGrid.Core.Engine;
using HourGrid.Core.Engine.Answers;
using HourGrid.Core.Engine.Compiling;
using HourGrid.Core.Engine.Counting;
using HourGrid.Formats.Asking;
using HourGrid.Formats.Catalogue;

namespace HourGrid.Server.Tests;

public sealed class AnswerTests(RunningServer server) : IClassFixture<RunningServer>
{
    private static readonly CatalogueSnapshot Spring = CatalogueJson
        .Read(File.ReadAllBytes(TestPaths.Repository("demo", "saltmere.catalogue.json")))
        .Value.SnapshotOf(new("2027SP"))!;

    private static TimetableWalk Walk(JsonNode ask) =>
        new(Problem.Compile(Spring, AskJson.Read(Encoding.UTF8.GetBytes(ask.ToJsonString())).Value));

    private static JsonObject Body(JsonNode ask, params (string Name, JsonNode Value)[] more)
    {
        var body = new JsonObject { ["ask"] = ask.DeepClone() };
        foreach (var (name, value) in more)
            body[name] = value;
        return body;
    }

    private static JsonArray Numbers(Timetable timetable) =>
        [.. timetable.Sections.Select(section => (JsonNode)section.Number.Value)];

    [Fact]
    public async Task The_answer_is_the_engines_and_stays_near_what_is_held()
    {
        var student = await server.StudentAsync();
        var ask = Requests.AskFor("TID 210", "ACO 220", "WRT 101");
        var walk = Walk(ask);
        var held = walk.At(walk.Total.Timetables / 2);
        // The second time it is answered from what was kept of the first.
        for (var time = 0; time < 2; time++)
        {
            var answer = await student
                .PostAsJsonAsync("/api/answers", Body(ask, ("held", Numbers(held.Timetable))))
                .JsonAsync();
            Assert.Equal(Text(walk.Total.Timetables), answer["timetables"]!.GetValue<string>());
            Assert.Equal(Text(walk.Total.WeekShapes), answer["weekShapes"]!.GetValue<string>());
            Assert.Equal(Text(held.Number), answer["inView"]!["number"]!.GetValue<string>());
            Assert.Equal(
                walk.Problem.Courses.Select(course => course.SectionsInPlay),
                answer["courses"]!.AsArray().Select(course => course!["sectionsInPlay"]!.GetValue<int>())
            );
        }
    }

    [Fact]
    public async Task Pages_run_through_every_timetable_and_every_week_shape()
    {
        var student = await server.StudentAsync();
        var ask = Requests.AskFor("TID 210", "ACO 220");
        var walk = Walk(ask);
        foreach (
            var (path, total) in new[]
            {
                ("timetables", walk.Total.Timetables),
                ("week-shapes", walk.Total.WeekShapes),
            }
        )
        {
            var seen = new List<string>();
            const int PageSize = 40;
            for (UInt128 first = 0; first < total + PageSize; first += PageSize)
            {
                var page = await student
                    .PostAsJsonAsync($"/api/answers/{path}", Body(ask, ("first", Text(first)), ("count", PageSize)))
                    .JsonAsync();
                seen.AddRange(page["timetables"]!.AsArray().Select(one => one!["sections"]!.ToJsonString()));
            }
            Assert.Equal(total, (UInt128)seen.Count);
            Assert.Equal(seen.Count, seen.Distinct().Count());
        }
    }

    [Fact]
    public async Task No_timetable_is_an_answer()
    {
        var student = await server.StudentAsync();
        var ask = Requests.AskFor("TID 210");
        ask["dayLimits"] = new JsonObject { ["daysOff"] = new JsonArray("mon", "tue", "wed", "thu", "fri") };
        var answer = await student.PostAsJsonAsync("/api/answers", Body(ask)).JsonAsync();
        Assert.Equal("0", answer["timetables"]!.GetValue<string>());
        Assert.Null(answer["inView"]);
        Assert.Equal(0, answer["courses"]![0]!["sectionsInPlay"]!.GetValue<int>());
    }

    [Theory]
    [InlineData("first", "-1")]
    [InlineData("first", "x")]
    [InlineData("count", "0")]
    [InlineData("count", "101")]
    public async Task A_page_out_of_bounds_is_refused_with_its_place(string field, string value)
    {
        var student = await server.StudentAsync();
        var body = Body(Requests.AskFor("TID 210"), ("first", "0"), ("count", 10));
        body[field] = field == "first" ? value : int.Parse(value, CultureInfo.InvariantCulture);
        var problem = await student.PostAsJsonAsync("/api/answers/timetables", body).JsonAsync(400);
        Assert.Equal(field, problem["problems"]![0]!["path"]!.GetValue<string>());
    }

    [Fact]
    public async Task A_course_that_is_not_there_is_refused_and_named()
    {
        var student = await server.StudentAsync();
        var problem = await student
            .PostAsJsonAsync("/api/answers", Body(Requests.AskFor("TID 210", "TID 999")))
            .JsonAsync(422);
        Assert.Equal("wanted[1].course", problem["path"]!.GetValue<string>());
    }

    [Fact]
    public async Task Courses_are_suggested_by_code_and_by_words_of_the_title()
    {
        var browser = server.Browser();
        async Task<string[]> Suggested(string query) =>
            [
                .. (
                    await browser
                        .GetAsync($"/api/terms/2027SP/courses?query={WebUtility.UrlEncode(query)}")
                        .JsonAsync()
                )["courses"]!
                    .AsArray()
                    .Select(course => course!["id"]!.GetValue<string>()),
            ];
        foreach (var query in new[] { "tid 210", "TID210", "t\u00edd 210", "tides currents", "curr tid" })
            Assert.Equal("TID 210", (await Suggested(query))[0]);
        var numbered = await Suggested("210");
        Assert.Contains("TID 210", numbered);
        Assert.All(numbered, id => Assert.EndsWith(" 210", id, StringComparison.Ordinal));
        Assert.All(await Suggested("glz"), id => Assert.StartsWith("GLZ", id, StringComparison.Ordinal));
        Assert.Empty(await Suggested("zebra"));
        Assert.Empty(await Suggested("  "));
        await browser.GetAsync("/api/terms/1999XX/courses?query=a").JsonAsync(404);
        await browser.GetAsync($"/api/terms/2027SP/courses?query={new string('a', 101)}").JsonAsync(400);
    }

    [Fact]
    public async Task A_course_comes_with_its_sections_of_the_term_and_without_cancelled_ones()
    {
        var course = await server.Browser().GetAsync("/api/terms/2027SP/courses/MTH%20120").JsonAsync();
        var offered = Spring.Find(new CourseId("MTH 120"))!;
        Assert.Equal(
            offered.Sections.Where(s => s.Section.Status != SectionStatus.Cancelled).Select(s => s.Number.Value),
            course["sections"]!.AsArray().Select(section => section!["number"]!.GetValue<string>())
        );
        await server.Browser().GetAsync("/api/terms/2027SP/courses/XXX%201").JsonAsync(404);
    }

    [Fact]
    public async Task Terms_come_latest_first()
    {
        var terms = await server.Browser().GetAsync("/api/terms").JsonAsync();
        Assert.Equal(["2027SP", "2026AU"], terms["terms"]!.AsArray().Select(term => term!["id"]!.GetValue<string>()));
        Assert.Equal(17, terms["terms"]![0]!["weeks"]!.GetValue<int>());
    }

    [Fact]
    public async Task What_is_not_there_is_a_problem_and_not_a_page() =>
        await server.Browser().GetAsync("/api/nothing").JsonAsync(404);

    private static string Text(UInt128 number) => number.ToString(CultureInfo.InvariantCulture);
}
